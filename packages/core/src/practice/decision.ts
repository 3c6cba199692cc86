import type { Hypothesis } from '../inference';
import type { Model } from '../profile';
import type { Move } from './move';

type Parts = Model['parts'];

/** Entries that answer a question with an instrument or a look. */
export const TESTS: ReadonlySet<string> = new Set([
  'volts',
  'ohms',
  'amps',
  'farads',
  'gauge',
  'look',
  'lamp',
  'continuity',
  'between',
  'joint',
  'timing',
]);

/** A part that was fitted or mended, and the move with which it was. */
interface Fitted {
  readonly at: number;
  readonly part: string;
}

/** What was fitted or mended, in its order; a guess that was put back counts as fitted. */
export const fittedIn = (moves: readonly Move[]): readonly Fitted[] =>
  moves.flatMap(({ body }, at) => (body.type === 'repaired' && body.old !== true ? [{ at, part: body.part }] : []));

/** Parts that failed, and what holds them, by id. */
export const failedParts = ({ faults }: Pick<Hypothesis, 'faults'>, parts: Parts): ReadonlySet<string> =>
  new Set(faults.flatMap(({ part }) => [parts[part]!.id, parts[parts[part]!.assembly]!.id]));

/** Whether a part belongs to the repair of what is hidden: it failed, or it opened because of the cause. */
export function mends(truths: readonly Hypothesis[], parts: Parts): (part: string) => boolean {
  const belongs = new Set(
    truths.flatMap((truth) => [
      ...failedParts(truth, parts),
      ...(truth.cause !== undefined && truth.breaks !== undefined ? [parts[truth.breaks]!.id] : []),
    ]),
  );
  return (part) => belongs.has(part);
}

/** The move with which somebody decided on each fault that is hidden; one of them where nothing is. */
export const decisionsIn = (moves: readonly Move[], truths: readonly Hypothesis[], parts: Parts): readonly number[] =>
  truths.length === 0
    ? [decisionIn(moves, () => false)]
    : truths.map((truth) => decisionIn(moves, mends([truth], parts)));

/**
 * The move with which somebody decided, for the right part where they came to it: they named the break before they fitted it, or fitted
 * it without a word, or ended.
 */
function decisionIn(moves: readonly Move[], belongs: (part: string) => boolean): number {
  const fitted = fittedIn(moves);
  const first = fitted.find(({ part }) => belongs(part)) ?? fitted[0];
  const closed = moves.findIndex(({ body }) => body.type === 'closed');
  const end = first?.at ?? (closed < 0 ? moves.length : closed);
  const named = moves.findLastIndex(({ body }, i) => i < end && body.type === 'break-recorded');
  const since = fitted.findLast(({ at }) => at < end)?.at ?? -1;
  return named > since ? named : end;
}

/** Minutes of work until a move: watching the first try costs everybody the same and is not counted. */
export function minutesTo(moves: readonly Move[], decided: number): number {
  const began = moves.findIndex(({ body }) => body.type === 'outcome' || TESTS.has(body.type));
  const from = began < 0 || began > decided ? 0 : moves[began]!.at;
  return (moves[Math.min(decided, moves.length - 1)]!.at - from) / 60_000;
}

/** Tests that were made until a move. */
export const testsUntil = (moves: readonly Move[], decided: number): number =>
  moves.slice(0, decided).filter(({ body }) => TESTS.has(body.type)).length;
