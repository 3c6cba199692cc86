import type { KeptLimit } from '../bench';
import {
  AHEAD,
  courseOf,
  type Crossing,
  type LimitEnd,
  type MachineEntry,
  MILLIS_A_YEAR,
  type ReadingLine,
  readingLines,
  type Trend,
  trendAt,
} from '../history';
import { findPart, type Model } from '../profile';
import { type Dimension, formatNumber, showReading, type UnitSystem } from '../units';
import { WHOSE } from './judged-words';
import { questionTitle } from './question-words';

/** A moment in milliseconds since 1970, and a value in the unit of its line. */
interface At {
  readonly at: number;
  readonly value: number;
}

/** Readings of one kind on one machine over time, in one unit, with their limits and what they come to. */
export interface ReadingsView {
  readonly key: string;
  readonly title: string;
  readonly unit: string;
  readonly points: readonly (At & { readonly call: string; readonly words: string })[];
  /** Where it is no longer good, and where it is bad. */
  readonly limits: readonly {
    readonly value: number;
    readonly words: 'marginal' | 'bad';
    readonly side: 'low' | 'high';
  }[];
  readonly whose: string;
  /** The line of what slides, as far ahead as it is told, with its edges. */
  readonly trend: readonly (At & { readonly low: number; readonly high: number })[];
  readonly slides: boolean;
  /** The first of its limits that it will cross. */
  readonly crossing: (Crossing & { readonly value: number }) | undefined;
  readonly says: string;
  /** What was mended meanwhile. */
  readonly changes: readonly { readonly at: number; readonly words: string }[];
}

/** So many pieces make a curved edge smooth. */
const PIECES = 24;

/** What was read on a machine over the years, what slides first, then what was read most often. */
export const readingsOverTime = (
  model: Model,
  entries: readonly MachineEntry[],
  kept: readonly KeptLimit[],
  system: UnitSystem,
): ReadingsView[] => {
  const views = readingLines(model, entries, kept).map((line) => viewOfLine(model, line, system));
  const rank = (v: ReadingsView): number => (v.crossing ? 0 : v.slides ? 1 : 2);
  return views.sort((a, b) => rank(a) - rank(b));
};

function viewOfLine(model: Model, line: ReadingLine, system: UnitSystem): ReadingsView {
  const { points, dimension, limits, changes } = line;
  const show = inOneUnit(dimension, Math.max(...points.map((p) => p.value)), system);
  const { trend, ends, ahead } = courseOf(line);
  const [first] = ahead;
  const meanwhile = changes.flatMap(({ at, part, action }) => {
    const title = findPart(model, part)?.title;
    return title !== undefined && at >= points[0]!.at
      ? { at, words: action === '' ? `${title} mended` : `${title}, ${action}` }
      : [];
  });
  return {
    key: line.key,
    title: questionTitle(model, line.asked),
    unit: show.unit,
    points: points.map(({ at, call, value }) => ({ at, call, value: show.number(value), words: show.words(value) })),
    limits: ends.map(({ value, words, side }) => ({ value: show.number(value), words, side })),
    whose: limits ? `${WHOSE[limits.whose]}${limits.source === undefined ? '' : `: ${limits.source}`}` : '',
    trend: trend?.slides ? drawn(trend, first?.crossing.latest, show.number) : [],
    slides: trend?.slides === true,
    crossing: first && { ...first.crossing, value: show.number(first.value) },
    says: sentence(line, trend, first, meanwhile, show),
    changes: meanwhile,
  };
}

interface InOneUnit {
  readonly unit: string;
  readonly number: (value: number) => number;
  readonly words: (value: number) => string;
  /** How much one is more than another: of temperatures, which begin elsewhere, too. */
  readonly difference: (value: number) => number;
}

/** Every number of a line in the unit of its largest one. */
function inOneUnit(dimension: Dimension, largest: number, system: UnitSystem): InOneUnit {
  const shown = (value: number) => showReading({ kind: 'value', value, dimension }, system, largest);
  const { unit } = shown(largest);
  return {
    unit,
    number: (value) => Number(shown(value).figures),
    words: (value) => `${shown(value).figures} ${unit}`.trim(),
    difference: (value) =>
      dimension === 'temperature'
        ? Number(showReading({ kind: 'value', value, dimension: 'temperature-difference' }, system).figures)
        : Number(shown(value).figures),
  };
}

function drawn(trend: Trend, crossed: number | undefined, number: (value: number) => number): ReadingsView['trend'] {
  const until = Math.min(trend.to + AHEAD, Math.max(crossed ?? 0, trend.to + MILLIS_A_YEAR));
  return Array.from({ length: PIECES + 1 }, (_, i) => {
    const at = trend.from + (i / PIECES) * (until - trend.from);
    const { value, within } = trendAt(trend, at);
    return { at, value: number(value), low: number(value - within), high: number(value + within) };
  });
}

function sentence(
  { points }: ReadingLine,
  trend: Trend | undefined,
  ahead: (LimitEnd & { readonly crossing: Crossing }) | undefined,
  meanwhile: ReadingsView['changes'],
  { unit, difference }: InOneUnit,
): string {
  if (!trend)
    return points.length === 1
      ? 'Read once: nothing is known of its course yet.'
      : `Read on ${points.length} calls: too few, or too near each other, to tell where it goes.`;
  if (!trend.slides) return 'It holds: nothing in these readings says that it goes anywhere.';
  const a = difference(Math.abs(trend.perYear));
  const off = difference(trend.perYearWithin);
  const says = [
    `It ${trend.perYear < 0 ? 'falls' : 'rises'} by ${formatNumber(a, 2)} ± ${formatNumber(off, 2)} ${unit} a year since ${new Date(trend.from).getUTCFullYear()}.`,
  ];
  if (ahead) {
    const { earliest, latest } = ahead.crossing;
    const now = earliest <= trend.to;
    says.push(
      now
        ? `It may be ${ahead.words} already, and will be by ${month(latest)}, nine in ten.`
        : `It will be ${ahead.words} between ${month(earliest)} and ${month(latest)}, nine in ten.`,
    );
  }
  const last = points[points.length - 1]!.at;
  const inVain = meanwhile.filter((c) => c.at > trend.from && c.at < last).at(-1);
  if (inVain) says.push(`It went on after this was done: ${inVain.words}, ${month(inVain.at)}.`);
  return says.join(' ');
}

const MONTH = new Intl.DateTimeFormat('en', { month: 'long', year: 'numeric', timeZone: 'UTC' });
const month = (at: number): string => MONTH.format(new Date(at));
