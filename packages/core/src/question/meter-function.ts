import { RECTIFIED } from '../bench';
import type { Model, NetIndex } from '../profile';
import type { LineWords } from './line-words';
import type { Prediction } from './prediction';

/** What a voltmeter is set to: V~ or V⎓ (millivolts included). */
export const METER_FUNCTIONS = ['ac', 'dc'] as const;
export type MeterFunction = (typeof METER_FUNCTIONS)[number];

type Pair = { readonly red: NetIndex; readonly black: NetIndex };

/** What stands between two nets: direct, alternating, or a rectified sine; `mixed` where only one of them is rectified. */
type Wave = 'sine' | 'flat' | 'rectified' | 'mixed';

export function waveBetween({ rectified, frequencies, ground }: Model, { red, black }: Pair): Wave {
  if (rectified[red]! && rectified[black]!) return 'rectified';
  if (rectified[red]! || rectified[black]!) return 'mixed';
  return frequencies[red === ground ? black : red] === 'dc' ? 'flat' : 'sine';
}

/** The same between two points by name, without the model. */
export function waveOf({ direct, rectified }: LineWords, red: string, black: string): Wave {
  const behind = [red, black].filter((net) => rectified.includes(net)).length;
  if (behind > 0) return behind === 2 ? 'rectified' : 'mixed';
  return direct.includes(red) || direct.includes(black) ? 'flat' : 'sine';
}

/** What a meter shows behind a full bridge, as a share of the RMS volts: coupled by a capacitor on V~, as meters are. */
export const SHOWN_OF_RECTIFIED: Readonly<Record<MeterFunction, number>> = {
  dc: RECTIFIED.full.direct,
  ac: RECTIFIED.full.trueRms,
};

/** A prediction in RMS volts of a rectified sine, as a meter shows it. */
export function asShown(p: Prediction, set: MeterFunction): Prediction {
  const factor = SHOWN_OF_RECTIFIED[set];
  if (p.kind === 'unsteady') return { ...p, low: p.low * factor, high: p.high * factor };
  if (p.kind !== 'volts') return p;
  return {
    ...p,
    volts: p.volts * factor,
    ...(p.shorter && { shorter: { ...p.shorter, value: p.shorter.value * factor } }),
  };
}

/** Why a reading says nothing: its meter was set to what cannot show what stands there, or nobody said to what. */
export function wrongFunction(wave: Wave, set: MeterFunction | undefined, where: string): string | undefined {
  switch (wave) {
    case 'rectified':
      return set === undefined
        ? `This feed is rectified: 118 V of it show as 106 on V⎓ and as 51 on V~. Say which: 106 Vdc ${where} or 51 Vac ${where}`
        : undefined;
    case 'mixed':
      return 'one probe is behind the rectifier, the other before it: a meter shows no value of either; read across the coil';
    case 'flat':
      return set === 'ac' ? `on V~ a meter shows nothing of direct current; read ${where} again on V⎓` : undefined;
    case 'sine':
      return set === 'dc' ? `on V⎓ a meter shows nothing of alternating current; read ${where} again on V~` : undefined;
  }
}

/** The function that somebody typed with the volts: `106 Vdc`, `51 V~`; nothing where none is said. */
export function functionTyped(typed: string): MeterFunction | undefined {
  const said = /(?:\d|\s)m?v?\s*(dc|ac|~|⎓)(?:\s|$)/i.exec(typed)?.[1]?.toLowerCase();
  return said === undefined ? undefined : said === 'dc' || said === '⎓' ? 'dc' : 'ac';
}
