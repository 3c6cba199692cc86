import type { Judged, Measure, Uncertain, Zone, Zones } from '../bench';
import { type Dimension, formatNumber, showReading, type UnitSystem } from '../units';

/** How a judged value is drawn: one axis, its zones, the interval and the pointer. SI along the axis. */
export interface BandView {
  readonly from: number;
  readonly to: number;
  readonly zones: readonly { readonly from: number; readonly to: number; readonly kind: 'good' | 'marginal' | 'bad' }[];
  readonly ticks: readonly { readonly at: number; readonly label: string }[];
  /** The value and the interval in which it lies. */
  readonly at: number;
  readonly low: number;
  readonly high: number;
  readonly label: string;
  /** What the same part read when it was good, or the old one reads. */
  readonly beside?: { readonly at: number; readonly label: string };
}

/** A judgement in words, with its limits and whose they are. */
export interface JudgedView {
  readonly word: string;
  readonly value: string;
  readonly sentence: string;
  readonly limits: { readonly good: string; readonly marginal: string; readonly whose: string } | undefined;
  readonly band: BandView | undefined;
}

const WORDS: Readonly<Record<Judged['verdict'], string>> = {
  good: 'Good',
  marginal: 'Marginal',
  bad: 'Bad',
  repeat: 'Repeat it',
};

/** Whose limits were used, in words. */
export const WHOSE: Readonly<Record<NonNullable<Judged['whose']>, string>> = {
  profile: 'the usual limits',
  family: 'the limits of this family',
  shop: 'the shop’s limits',
  plate: 'plate or maker’s sheet',
  twin: 'a known-good part of the same kind',
  book: 'the value of its plate or sheet',
};

/** Says a judgement; `old` is what the part read before, drawn beside it. */
export function sayJudged(measure: Measure, judged: Judged, system: UnitSystem, old?: number): JudgedView {
  const dimension = judged.dimension ?? measure.dimension;
  const show = dimension && scaled(dimension, system, judged.x?.value ?? 0);
  const value = judged.x && show ? show.withWidth(judged.x) : '';
  return {
    word: WORDS[judged.verdict],
    value,
    sentence: sentence(judged, show),
    limits:
      judged.zones && show
        ? {
            good: zoneWords(judged.zones.good, show),
            marginal: zoneWords(judged.zones.marginal, show),
            whose: `${WHOSE[judged.whose ?? 'profile']}${judged.source === undefined ? '' : `: ${judged.source}`}`,
          }
        : undefined,
    band: judged.x && judged.zones && show ? bandOf(judged.x, judged.zones, show, judged.own ?? old) : undefined,
  };
}

interface Scale {
  readonly one: (value: number) => string;
  readonly figures: (value: number) => string;
  readonly withWidth: (x: Uncertain) => string;
}

/** All numbers of one judgement stand in one unit. */
function scaled(dimension: Dimension, units: UnitSystem, value: number): Scale {
  // A gap is told by drill shanks; inches of it would need five digits.
  const system = dimension === 'length' ? 'si' : units;
  const shown = (v: number): ReturnType<typeof showReading> =>
    showReading({ kind: 'value', value: v, dimension }, system, value);
  const unit = shown(value).unit;
  const behind = unit === '' ? '' : ` ${unit}`;
  const one = (v: number): string => `${shown(v).figures}${behind}`;
  const width = (u: number): string =>
    dimension === 'temperature' ? formatNumber(u * (system === 'us' ? 1.8 : 1), 2) : twoFigures(shown(u).figures);
  return {
    one,
    figures: (v) => shown(v).figures,
    withWidth: ({ value: v, u }) => `${shown(v).figures}${u > 0 ? ` ± ${width(u)}` : ''}${behind}`,
  };
}

/** Half of the interval in which a value lies, in the unit of the value: two figures. */
export function widthWords(u: number, of: number, dimension: Dimension, system: UnitSystem): string {
  const { figures, unit } = showReading({ kind: 'value', value: u, dimension }, system, of);
  return `${twoFigures(figures)}${unit === '' ? '' : ` ${unit}`}`;
}

const twoFigures = (figures: string): string => formatNumber(Number(figures), 2);

function sentence({ because, zones, x, about }: Judged, show: Scale | undefined): string {
  switch (because.kind) {
    case 'said':
      return because.words;
    case 'missing':
      return `Not judged without: ${because.asks.map(small).join('; ')}.`;
    case 'within':
      return zones && show ? `Within ${zoneWords(zones.good, show)}, all that it may be.` : 'Within its limits.';
    case 'outside': {
      const limit = because.side === 'low' ? zones!.marginal.from! : zones!.marginal.to!;
      return `${because.side === 'low' ? 'Below' : 'Above'} ${show!.one(limit)}, whatever the instrument is off. This is about: ${about}.`;
    }
    case 'near':
      if (because.unsafe) return `Too near the limit of ${show!.one(nearest(zones!, x!))}: on this side near is bad.`;
      return because.own
        ? `Good by the limits, and off from what this very part read when it was good. Note it.`
        : `It may lie beyond ${show!.one(nearest(zones!, x!))}. Note it, and read it again at the next visit.`;
    case 'too-coarse':
      return `Known only to ± ${show!.withWidth({ value: x!.u, u: 0 })}: too coarse for these limits. Take a finer range or another test.`;
    case 'assumed':
      return `What was not said decides: ${because.asks.map(small).join('; ')}. Say it, or read it again.`;
  }
}

const small = (title: string): string => title.charAt(0).toLowerCase() + title.slice(1).replace(/\?$/, '');

/** The limit of the good zone that a value is nearest to. */
function nearest({ good, marginal }: Zones, { value }: Uncertain): number {
  const ends = [good.from, good.to, marginal.from, marginal.to].filter((end): end is number => end !== undefined);
  return ends.reduce((best, end) => (Math.abs(end - value) < Math.abs(best - value) ? end : best));
}

function zoneWords({ from, to }: Zone, show: Scale): string {
  if (from === undefined) return to === undefined ? 'anything' : `at most ${show.one(to)}`;
  if (to === undefined) return `at least ${show.one(from)}`;
  return `${show.figures(from)} to ${show.one(to)}`;
}

/** The axis reaches over all limits and the value, with some room. */
function bandOf(x: Uncertain, zones: Zones, show: Scale, beside: number | undefined): BandView {
  const { good, marginal } = zones;
  const ends = [good.from, good.to, marginal.from, marginal.to].filter((end): end is number => end !== undefined);
  const seen = [...ends, x.value - x.u, x.value + x.u, ...(beside === undefined ? [] : [beside])].filter(
    Number.isFinite,
  );
  const [least, most] = [Math.min(...seen), Math.max(...seen)];
  const room = (most - least || Math.abs(most) || 1) * 0.12;
  // What cannot be less than nothing begins there.
  const from = least >= 0 && least < 2 * room ? 0 : least - room;
  const to = most + room;
  const cut = (v: number): number => Math.min(to, Math.max(from, v));
  const [mFrom, gFrom, gTo, mTo] = [
    cut(marginal.from ?? -Infinity),
    cut(good.from ?? marginal.from ?? -Infinity),
    cut(good.to ?? marginal.to ?? Infinity),
    cut(marginal.to ?? Infinity),
  ];
  const pieces = [
    { from, to: mFrom, kind: 'bad' },
    { from: mFrom, to: gFrom, kind: 'marginal' },
    { from: gFrom, to: gTo, kind: 'good' },
    { from: gTo, to: mTo, kind: 'marginal' },
    { from: mTo, to, kind: 'bad' },
  ] as const;
  return {
    from,
    to,
    zones: pieces.filter((p) => p.to > p.from),
    ticks: [...new Set(ends)].sort((a, b) => a - b).map((at) => ({ at, label: show.figures(at) })),
    at: cut(x.value),
    low: cut(x.value - x.u),
    high: cut(x.value + x.u),
    label: show.withWidth(x),
    ...(beside !== undefined && { beside: { at: cut(beside), label: show.one(beside) } }),
  };
}
