import type { Hypothesis } from '../inference';
import type { Build } from '../profile';

/** What an exercise is about. */
export const EXERCISE_KINDS = ['single', 'cause', 'nothing', 'fitful', 'bad-part', 'refer', 'two'] as const;
export type ExerciseKind = (typeof EXERCISE_KINDS)[number];

/** Somebody stands in front of an appliance in which something may be hidden: the same for everybody who has its link. */
export interface Exercise {
  readonly level: number;
  readonly seed: number;
  /** Id of the appliance’s profile. */
  readonly profile: string;
  readonly kind: ExerciseKind;
  /** Place of what is hidden among the hypotheses of the profile; that of the sound appliance where nothing is. */
  readonly hidden: Hypothesis['index'];
}

/** An exercise with everything that follows from it and the profile. */
export interface DrawnExercise extends Exercise {
  readonly build: Build;
  /** What is hidden; nothing where it is sound. */
  readonly truth: Hypothesis | undefined;
  /** What else is hidden, behind the first. */
  readonly second: Hypothesis | undefined;
  /** What the customer says. */
  readonly complaint: string;
  /** Whose work it is, where it is not the technician’s. */
  readonly whose: string | undefined;
}

/** Everything that is hidden in it, what shows first before the rest. */
export const truthsOf = ({ truth, second }: Pick<DrawnExercise, 'truth' | 'second'>): readonly Hypothesis[] =>
  [truth, second].flatMap((t) => t ?? []);

/** A number that a seed makes of nothing else, so that a link does not tell at a glance what is hidden. */
const veil = (seed: number): number => ((Math.imul(seed ^ 0x9e3779b9, 0x85ebca6b) >>> 8) & 0xffff) >>> 0;

/** The exercise as part of an address. */
export const exerciseCode = ({ level, seed, profile, kind, hidden }: Exercise): string =>
  [level, seed.toString(36), ((hidden * 8 + EXERCISE_KINDS.indexOf(kind)) ^ veil(seed)).toString(36), profile].join(
    '.',
  );

/** Reads what `exerciseCode` wrote; in words why it cannot be read. */
export function readExerciseCode(code: string): Exercise | { readonly problem: string } {
  const [, level, seed, pin, profile] = /^(\d)\.([0-9a-z]{1,7})\.([0-9a-z]{1,6})\.([a-z0-9-]{1,60})$/.exec(code) ?? [];
  if (level === undefined || seed === undefined || pin === undefined || profile === undefined)
    return { problem: 'This is no exercise’s link. Begin one in Practice, or ask for the link once more.' };
  const from = parseInt(seed, 36);
  const told = parseInt(pin, 36) ^ veil(from);
  const kind = EXERCISE_KINDS[told & 7];
  if (!kind || told < 0) return { problem: 'A sign of this link is wrong. Ask for it once more.' };
  return { level: Number(level), seed: from, profile, kind, hidden: (told >> 3) as Hypothesis['index'] };
}
