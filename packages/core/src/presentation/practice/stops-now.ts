import { evidenceFor, type Fact, factWith, type Followed, missingEvidence, type StandingStop } from '../../rules';

/** A stop that stands in an exercise: the order to follow now, and what it ends on. */
export interface StopNow {
  readonly id: string;
  readonly title: string;
  readonly meanwhile: string;
  /** The order that is to be followed now; nothing when all are answered. */
  readonly order:
    | {
        readonly id: string;
        readonly sentence: string;
        readonly words: string | undefined;
        readonly fact: Fact | undefined;
      }
    | undefined;
  readonly evidence: readonly {
    readonly id: string;
    readonly ask: string;
    /** A tick, words or a number to be given; or something that is so, or is not yet. */
    readonly is: 'tick' | 'words' | 'number' | 'so' | 'not-yet';
  }[];
}

/** The stops that stand, the gravest first. */
export const stopsNow = (followed: Followed): StopNow[] =>
  followed.stops.map((standing) => stopNow(standing, followed));

function stopNow({ stop, since, orders }: StandingStop, { c }: Followed): StopNow {
  const next = orders.find(({ answer }) => answer === undefined)?.order;
  const missing = new Set(missingEvidence(stop, since, {}, c));
  return {
    id: stop.id,
    title: stop.title,
    meanwhile: stop.meanwhile,
    order: next && {
      id: next.id,
      sentence: next.sentence,
      words: next.wants && 'words' in next.wants ? next.wants.words : undefined,
      fact: next.wants && 'fact' in next.wants ? factWith(next.wants.fact) : undefined,
    },
    evidence: evidenceFor(stop, c.family).map((line) => {
      const { id, ask, is } = line;
      if (typeof is === 'string') return { id, ask, is };
      if ('unit' in is) return { id, ask, is: 'number' };
      return { id, ask, is: missing.has(line) ? 'not-yet' : 'so' };
    }),
  };
}
