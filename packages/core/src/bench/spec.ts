import type { Dimension, Reading } from '../units';
import type { LIMITS } from './limits';
import type { InstrumentOfABag } from './uncertainty';
import type { Uncertain, Zones } from './zones';

/** How a test is set up: what is on or off, what the meter is on, where the probes go. */
export type SetUp = 'dead' | 'live' | 'across' | 'clamp' | 'gauge' | 'by-eye';

/** What it does where nobody answered it: nothing is judged; every variant has to agree; something is assumed; nothing. */
export type Need = 'must' | 'agree' | 'assumed' | 'maybe';

interface AskBase {
  readonly id: string;
  readonly title: string;
  readonly need: Need;
  /** Asked only where these were answered so. */
  readonly when?: Answered;
}

/** A number, as an instrument or a plate shows it. */
export interface NumberAsk extends AskBase {
  readonly kind: 'number';
  readonly dimension: Dimension;
  /** The unit that is meant where none is typed. */
  readonly unit: string;
  readonly example: string;
  /** What it is read with; a plate and a setting are read with nothing. */
  readonly instrument?: InstrumentOfABag;
}

export interface ChoiceAsk extends AskBase {
  readonly kind: 'choice';
  readonly options: readonly { readonly id: string; readonly title: string }[];
}

export type Ask = NumberAsk | ChoiceAsk;

/** Choices by the id of what was asked: one of several, or one. */
export type Answered = Readonly<Record<string, string | readonly string[]>>;

/** What is good or bad as soon as it is seen, without a number; the first that fits decides. */
export interface Row {
  readonly when: Answered;
  readonly verdict: Verdict;
  readonly because: string;
  /** What it speaks of, where that is not the part itself. */
  readonly about?: string;
  /** Somebody may be hurt: said whatever else was not answered yet. */
  readonly atOnce?: true;
}

/** `repeat` says nothing of the part, and is no evidence. */
export type Verdict = 'good' | 'marginal' | 'bad' | 'repeat';

/** Which limits hold: those of the profile, or shares of a book value that was typed. */
export type Zoning = { readonly when?: Answered; readonly own?: number } & (
  | { readonly limit: keyof typeof LIMITS }
  | {
      readonly book: string;
      readonly good: number;
      readonly marginal: number;
      /** Share below the book value that is still marginal, where it is another. */
      readonly below?: number;
    }
);

/** What was answered, read. */
export interface Given {
  readonly choice: (id: string) => string | undefined;
  /** A number in SI, nothing where none was typed; the middle of one that was unsteady, infinite for an open line. */
  readonly number: (id: string) => number | undefined;
  readonly reading: (id: string) => Reading | undefined;
  /** The bare number that was typed without its unit; nothing where the unit stands behind it. */
  readonly bare: (id: string) => number | undefined;
  /** Half-width of what its instrument may be off there. */
  readonly off: (id: string) => number;
  /** The instrument's reading with how far it may be off. */
  readonly measured: (id: string) => Uncertain;
  /** The same of another range of the meter than the one that was asked for, at a value. */
  readonly offWith: (instrument: InstrumentOfABag, value: number) => number;
  /** What of an instrument's reading stays in the difference or ratio of two: its digits, and what a contact adds. */
  readonly scatter: (id: string) => number;
  /** Ohms of the leads. */
  readonly leads: Uncertain;
  /** How warm a winding is, K, as well as it is known. */
  readonly warmth: Uncertain;
  /** Altitude, m. */
  readonly altitude: Uncertain;
}

/** What is judged: a corrected value, or what two things together say. */
export type Worked =
  | {
      readonly x: Uncertain;
      /** Zones that follow from what was typed. */
      readonly zones?: Zones;
      /** Conditions that were assumed; where they decide, it is to be repeated. */
      readonly assumed?: readonly string[];
      /** Whatever else was worked out on the way. */
      readonly notes?: readonly string[];
      /** What it says at most. */
      readonly atMost?: { readonly verdict: 'marginal'; readonly because: string };
    }
  | { readonly verdict: Verdict; readonly because: string; readonly about?: string; readonly x?: Uncertain };

/** One thing that is read on a part, and how it is judged. */
export interface Measure {
  readonly id: string;
  readonly title: string;
  readonly setUp: SetUp;
  /** What is done, beside what every test of its set-up needs. */
  readonly how: string;
  /** Where the probes, the hose or the jaw go, for the drawing. */
  readonly probes?: Probes;
  /** What is read may wander: from where to where is asked for. */
  readonly wanders?: true;
  /** Line voltage is there. */
  readonly line?: true;
  /** On an open wire a high-impedance meter shows what couples in: of which reading, from where to where, V. */
  readonly ghosts?: { readonly of: string; readonly from: number; readonly to: number; readonly when?: Answered };
  readonly asks: readonly Ask[];
  readonly rows?: readonly Row[];
  readonly work?: (given: Given) => Worked | undefined;
  /** What the corrected value measures. */
  readonly dimension?: Dimension;
  readonly zones?: readonly Zoning[];
  /** An open line here: what it says. */
  readonly open?: { readonly verdict: Verdict; readonly because: string };
  /** What a verdict speaks of. */
  readonly about: string;
  readonly proves: string;
  readonly provesNot?: string;
}

export interface Probes {
  readonly red: string;
  readonly black?: string;
  /** What lies between them. */
  readonly across: string;
}

/** What several verdicts on one part say together. */
export interface Together {
  readonly when: Readonly<Record<string, Verdict>>;
  readonly says: string;
}

/** A component test: what it asks of one part, in one or several readings. */
export interface ComponentTest {
  readonly id: string;
  readonly number: number;
  readonly title: string;
  readonly question: string;
  readonly cautions: readonly string[];
  readonly measures: readonly Measure[];
  readonly together?: readonly Together[];
}

/** Whether choices are as asked for. */
export const isAnswered = (answered: Answered | undefined, choice: Given['choice']): boolean =>
  Object.entries(answered ?? {}).every(([id, wanted]) => {
    const said = choice(id);
    return said !== undefined && (typeof wanted === 'string' ? wanted === said : wanted.includes(said));
  });
