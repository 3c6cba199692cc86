import type { Model } from '../profile';
import { ASSUMED } from '../standards';
import { readingValue } from '../units';
import { fitNumber, type NumberError, type Scale } from './fit';
import { fitOhmsThrough } from './fit-ohms';
import type { Prediction } from './prediction';
import { kindOf, type Observation } from './question-kinds';

/** Something that moves several readings of one call together, other than a source of volts. */
export interface CommonCause {
  /** The same for all readings that it moves. */
  readonly key: string;
  /** Whether it is another one once parts were renewed. */
  readonly renewed: boolean;
  /** The ways in which it may stand: how likely the reading is in each, if nobody erred. */
  readonly ways: readonly ((p: Prediction) => number)[];
  /** The share of each way; even odds where nothing is said. */
  readonly odds?: readonly number[];
}

/** Means of the fifths of a normal distribution, in standard deviations: five ways that are equally likely. */
const FIFTHS = [-1.4, -0.532, 0, 0.532, 1.4] as const;

/** What moves a reading together with others, as far as it says something of it under a prediction. */
export function commonCauseOf(model: Model, o: Observation, scale: Scale): CommonCause | undefined {
  switch (o.kind) {
    case 'timing': {
      // One clock switches all steps of a control; beside it every step has its own spread.
      const error = kindOf(o).numberError!(model, o);
      const own = Math.sqrt(ASSUMED.timingTolerance ** 2 - ASSUMED.clockSpread ** 2);
      return {
        key: 'clock',
        renewed: true,
        ways: FIFTHS.map((z) => {
          const times = 1 + z * ASSUMED.clockSpread;
          return (p) => fitAt(readingValue(o.reading), moved(p, times, own), scale, error);
        }),
      };
    }
    case 'gauge': {
      // The utility's pressure, the chimney's draft: wherever a sound one lies, it lies there each time it is read.
      const { quantity } = model.gauges[o.gauge]!;
      if (model.quantities[quantity]!.sound === undefined) return undefined;
      const error = kindOf(o).numberError!(model, o);
      return {
        key: `quantity ${quantity}`,
        renewed: true,
        ways: FIFTHS.map((_, k) => (p) => fitAt(readingValue(o.reading), partOf(p, k, FIFTHS.length), scale, error)),
      };
    }
    case 'ohms':
    case 'between':
      // Corrected for both already.
      if ('u' in o && o.u !== undefined) return undefined;
      // The same leads, and the same cold or warm room, in all readings.
      return {
        key: 'ohms',
        renewed: false,
        ways: LEADS.flatMap((leads) =>
          WARMTHS.map((times) => (p: Prediction) => fitOhmsThrough(o.reading, p, { leads, times })),
        ),
      };
    default:
      return undefined;
  }
}

/** Hardly any ohms of leads and clips, some, and worn clips; */
const LEADS = [0.2, 0.8, 1.6].map((times) => times * ASSUMED.leadOhms);
/** and a cold room, an even one, a warm one. */
const WARMTHS = [-1, 0, 1].map((z) => 1 + z * ASSUMED.warmthOfOhms);

const fitAt = (x: number, p: Prediction, scale: Scale, error: NumberError): number =>
  fitNumber(x, p, scale, error, 0).fit;

const moved = (p: Prediction, times: number, tolerance: number): Prediction =>
  p.kind === 'number' ? { ...p, value: p.value * times, tolerance } : p;

/** One of several equal parts of a band of factors. */
function partOf(p: Prediction, part: number, of: number): Prediction {
  if (p.kind !== 'number' || !p.reach?.byFactors) return p;
  const { low, high } = p.reach;
  const at = (share: number): number => low * (high / low) ** share;
  return { ...p, reach: { low: at(part / of), high: at((part + 1) / of), byFactors: true } };
}
