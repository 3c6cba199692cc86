import { findUnit } from '../units';
import { factsOf, type FunctionId } from './functions';
import type { Wanted } from './wanted';

/** One thing that a display showed. */
export interface Display {
  /** By the clock of whoever listens, milliseconds. */
  readonly at: number;
  readonly function: FunctionId;
  /** In its unit; nothing while it looks for its range, and where it shows OL. */
  readonly value: number | undefined;
  readonly unit: string;
  /** Size of its last digit, in its unit. */
  readonly step: number;
  /** OL: more than it can show, or an open circuit. */
  readonly over: boolean;
}

/** Why somebody has to say that a reading is meant. */
export type Doubt = 'nothing' | 'open' | 'ghost' | 'unforeseen';

/** How far one is with a reading. */
export type Heard =
  /** Nothing was heard since it was asked. */
  | { readonly is: 'silent' }
  /** It waits for a change. */
  | { readonly is: 'armed' }
  /** It changes. */
  | { readonly is: 'settling' }
  /** It stands, or wanders between two values, and is taken. */
  | { readonly is: 'stands'; readonly typed: string; readonly unsteady: boolean }
  /** The same, and only a tap takes it. */
  | { readonly is: 'doubtful'; readonly typed: string; readonly unsteady: boolean; readonly why: Doubt }
  /** It is set to what cannot show what is asked. */
  | { readonly is: 'wrong-function'; readonly turnTo: readonly FunctionId[] };

/** Listening to one instrument for one reading. */
export interface Listening {
  readonly wanted: Wanted;
  readonly heard: Heard;
  /** What it showed when it was asked, against which a change counts. */
  readonly before: Display | undefined;
  /** When it changed; nothing while it waits. */
  readonly changedAt: number | undefined;
  /** What it has shown for the last seconds. */
  readonly recent: readonly Display[];
}

/** A value stands when it has kept within a few digits for so long, milliseconds. */
const STANDS_AFTER = 1200;
/** What has not settled so long after it changed is unsteady, milliseconds. */
const UNSTEADY_AFTER = 3000;
/** A display that keeps within so many of its last digits, or within this share of its value, stands. */
const STANDS_DIGITS = 3;
const STANDS_SHARE = 0.005;
/** So much more, and somebody has moved a probe. */
const CHANGE_DIGITS = 8;
const CHANGE_SHARE = 0.03;
/** A reading is foretold when it lies so near to what is expected: appliances differ, and so do meters. */
const FORETOLD_SHARE = 0.2;
const FORETOLD_NOTHINGS = 2;

export const listen = (wanted: Wanted): Listening => ({
  wanted,
  heard: { is: 'silent' },
  before: undefined,
  changedAt: undefined,
  recent: [],
});

/** What was heard so far, with one display more. Displays come in the order of their times. */
export function hear(listening: Listening, shown: Display): Listening {
  const { wanted } = listening;
  if (!wanted.functions.includes(shown.function))
    return {
      ...listening,
      heard: { is: 'wrong-function', turnTo: wanted.functions },
      before: shown,
      changedAt: undefined,
      recent: [shown],
    };
  // Whoever turned the knob means what it shows from then on.
  const turned = listening.heard.is === 'wrong-function';
  const before = listening.before ?? shown;
  const changedAt = listening.changedAt ?? (turned || differs(before, shown) ? shown.at : undefined);
  // While it looks for its range it shows nothing, and what it showed before is over.
  const kept = ranging(shown) ? [] : listening.recent;
  const recent = [...kept.filter((d) => d.at > shown.at - UNSTEADY_AFTER && d.at >= (changedAt ?? 0)), shown];
  const next = { ...listening, before, changedAt, recent };
  if (changedAt === undefined) return { ...next, heard: { is: 'armed' } };
  return { ...next, heard: judged(wanted, recent, changedAt) };
}

/** What is taken when somebody says so: what stands there now, whatever it is; nothing where nothing can be read. */
export function force({ wanted, recent, heard }: Listening): string | undefined {
  if (heard.is === 'stands' || heard.is === 'doubtful') return heard.typed;
  const last = recent[recent.length - 1];
  if (!last || ranging(last) || !wanted.functions.includes(last.function)) return undefined;
  return typedOf([last]);
}

function judged(wanted: Wanted, recent: readonly Display[], changedAt: number): Heard {
  const now = recent[recent.length - 1]!.at;
  const last = recent.filter((d) => d.at >= now - STANDS_AFTER);
  const stood = recent[0]!.at <= now - STANDS_AFTER && last.length > 2 && last.every((d) => together(last[0]!, d));
  if (stood) return taken(wanted, [last[last.length - 1]!]);
  const shown = recent.filter((d) => !ranging(d));
  if (now - changedAt < UNSTEADY_AFTER || shown.length < 3) return { is: 'settling' };
  return taken(wanted, shown);
}

/** One display that stands, or several that it wandered between. */
function taken(wanted: Wanted, shown: readonly Display[]): Heard {
  const typed = typedOf(shown);
  const unsteady = shown.length > 1;
  const why = doubtOf(wanted, shown);
  return why === undefined ? { is: 'stands', typed, unsteady } : { is: 'doubtful', typed, unsteady, why };
}

function doubtOf({ nothing, ghost, foretold }: Wanted, shown: readonly Display[]): Doubt | undefined {
  if (shown.some((d) => d.over)) return 'open';
  const values = shown.map(inSi);
  const least = Math.min(...values.map(Math.abs));
  if (least <= nothing) return 'nothing';
  if (least <= ghost && shown.some((d) => d.function !== 'v-ac-low')) return 'ghost';
  const [low, high] = [Math.min(...values), Math.max(...values)];
  const near = foretold.some(
    (span) =>
      high >= span.low - Math.max(FORETOLD_SHARE * Math.abs(span.low), FORETOLD_NOTHINGS * nothing) &&
      low <= span.high + Math.max(FORETOLD_SHARE * Math.abs(span.high), FORETOLD_NOTHINGS * nothing),
  );
  return foretold.length > 0 && !near ? 'unforeseen' : undefined;
}

/** What somebody would type of it: `26.1 Vac`, `15-18 Vac`, `OL`. The sign of volts says only which probe is where. */
function typedOf(shown: readonly Display[]): string {
  const read = shown.filter((d) => d.value !== undefined);
  if (read.length < shown.length || read.length === 0) return 'OL';
  const finest = read.reduce((a, b) => (factor(b.unit) < factor(a.unit) ? b : a));
  const { dimension, typed = finest.unit } = factsOf(finest.function);
  const numbers = read
    .map((d) => (d.value! * factor(d.unit)) / factor(finest.unit))
    .map((value) => (dimension === 'voltage' ? Math.abs(value) : value))
    .sort((a, b) => a - b)
    .map((value) => value.toFixed(decimals(finest.step)));
  const [low, high] = [numbers[0]!, numbers[numbers.length - 1]!];
  return `${low === high ? low : `${low} to ${high}`} ${typed}`;
}

const factor = (unit: string): number => findUnit(unit)?.factor ?? 1;

const decimals = (step: number): number => Math.max(0, Math.round(-Math.log10(step)));

const ranging = ({ value, over }: Display): boolean => value === undefined && !over;

/** What a display shows, SI. */
const inSi = ({ unit, value = 0 }: Display): number => value * factor(unit) + (findUnit(unit)?.offset ?? 0);

/** Whether somebody moved something between two displays. */
const differs = (a: Display, b: Display): boolean => apart(a, b, CHANGE_DIGITS, CHANGE_SHARE);

/** Whether two displays show the same but for the flicker of the last digits. */
const together = (a: Display, b: Display): boolean => !apart(a, b, STANDS_DIGITS, STANDS_SHARE);

function apart(a: Display, b: Display, digits: number, share: number): boolean {
  if (a.over !== b.over || a.function !== b.function || ranging(a) !== ranging(b)) return true;
  if (a.value === undefined || b.value === undefined) return false;
  if (a.unit !== b.unit) return true;
  const within = Math.max(digits * Math.max(a.step, b.step), share * Math.max(Math.abs(a.value), Math.abs(b.value)));
  return Math.abs(a.value - b.value) > within * (1 + 1e-9);
}
