import type { Stand } from '../../practice';
import { asksOf, ENDING_LIST, type EndingId, openLines, requirementsOf } from '../../rules';

/** A line of the proof that is open: what is to be done, and what has to come out. */
interface ProofLineNow {
  readonly id: string;
  readonly words: string;
  readonly limit: string;
}

/** Ways to end an exercise now, with what each lacks. */
export interface EndingsNow {
  readonly endings: readonly {
    readonly id: EndingId;
    readonly title: string;
    readonly lacks: readonly string[];
    readonly asks: readonly { readonly id: string; readonly ask: string }[];
  }[];
  readonly lines: readonly ProofLineNow[];
  readonly safeties: readonly { readonly id: string; readonly title: string }[];
}

/** How an exercise can end now. */
export function endingsNow(stand: Stand): EndingsNow {
  const { followed } = stand.state;
  const { c } = followed;
  const { parts } = stand.laid.engine.model;
  return {
    endings: ENDING_LIST.filter(({ id }) => id !== 'mistake' && id !== 'waiting').map((ending) => ({
      id: ending.id,
      title: ending.title,
      lacks: requirementsOf(ending, followed).flatMap(({ met, words }) => (met ? [] : [words])),
      asks: asksOf(ending, followed),
    })),
    lines: openLines(followed).map(({ id, do: what, limit }) => ({ id, words: what, limit })),
    safeties: [...c.causes]
      .filter(([, { mended }]) => !mended)
      .map(([id]) => ({ id, title: parts.find((p) => p.id === id)?.title ?? id })),
  };
}
