import { decimals, type Display, factor, inSi, ranging } from './display';
import { factsOf, type FunctionId } from './functions';
import type { Wanted } from './wanted';

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
/** So many displays in a row that may be of a probe in the air, and it was in the air. */
const HUNG = 3;
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
  const changedAt = since(listening, before, shown, turned);
  // While it looks for its range it shows nothing, and what it showed before is over.
  const kept = ranging(shown) ? [] : listening.recent;
  const recent = [...kept.filter((d) => d.at > shown.at - UNSTEADY_AFTER && d.at >= (changedAt ?? 0)), shown];
  const next = { ...listening, before, changedAt, recent };
  if (changedAt === undefined) return { ...next, heard: { is: 'armed' } };
  return { ...next, heard: judged(wanted, recent, changedAt) };
}

/** Since when it shows something new; nothing while it does not, or while a probe only hangs otherwise than before. */
function since(
  { wanted, changedAt, recent }: Listening,
  before: Display,
  shown: Display,
  turned: boolean,
): number | undefined {
  const hung = (d: Display): boolean => unsure(wanted, d) !== undefined;
  if (changedAt === undefined)
    return turned || (differs(before, shown) && !(hung(before) && hung(shown))) ? shown.at : undefined;
  // What hung and now touches begins anew: what was shown on the way is not part of it.
  const last = recent.slice(-HUNG);
  return last.length === HUNG && last.every(hung) && !hung(shown) && !ranging(shown) ? shown.at : changedAt;
}

/**
 * What is taken when somebody says so: what stands there now, whatever it is, and what speaks against it; nothing where nothing
 * can be read.
 */
export function force({
  wanted,
  recent,
  heard,
}: Listening): { readonly typed: string; readonly why?: Doubt } | undefined {
  if (heard.is === 'stands' || heard.is === 'doubtful') return heard;
  const last = recent[recent.length - 1];
  if (!last || ranging(last) || !wanted.functions.includes(last.function)) return undefined;
  const why = doubtOf(wanted, [last]);
  return { typed: typedOf([last]), ...(why !== undefined && { why }) };
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

function doubtOf(wanted: Wanted, shown: readonly Display[]): Doubt | undefined {
  const least = shown.reduce((a, b) => (Math.abs(inSi(b)) < Math.abs(inSi(a)) ? b : a));
  const why = unsure(wanted, shown.find((d) => d.over) ?? least);
  if (why !== undefined) return why;
  const { foretold, nothing } = wanted;
  const values = shown.map(inSi).map(Math.abs);
  const [low, high] = [Math.min(...values), Math.max(...values)];
  const off = (end: number): number => Math.max(FORETOLD_SHARE * Math.abs(end), FORETOLD_NOTHINGS * nothing);
  const near = foretold.some((span) => high >= span.low - off(span.low) && low <= span.high + off(span.high));
  return foretold.length > 0 && !near ? 'unforeseen' : undefined;
}

/** Why a display may be of a probe that touches nothing; nothing where it cannot be. */
function unsure({ nothing, ghost }: Wanted, shown: Display): Doubt | undefined {
  if (shown.over) return 'open';
  if (ranging(shown)) return undefined;
  const size = Math.abs(inSi(shown));
  if (size <= nothing) return 'nothing';
  return size <= ghost && shown.function !== 'v-ac-low' ? 'ghost' : undefined;
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
