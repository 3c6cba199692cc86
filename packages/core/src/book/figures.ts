import { CAME_BACK_FOR, type CameBackFor } from './came-back';
import { type Stage, STAGES } from './case-facts';

/** So many groups of what was said of the first suspect. */
export const SAID_GROUPS = 7;

/** What a figure of the advice counts: each has its calls. */
export type AdviceFigure =
  | `${Stage}-wrong`
  | 'watched'
  | 'fitted'
  | 'unproved'
  | 'in-vain'
  | 'cannot'
  | 'will-not'
  | 'more-tests'
  | 'back'
  | `back-${CameBackFor}`
  | `said-${number}`;

export const ADVICE_FIGURES: readonly AdviceFigure[] = [
  ...STAGES.map((stage) => `${stage}-wrong` as const),
  'watched',
  'fitted',
  'unproved',
  'in-vain',
  'cannot',
  'will-not',
  'more-tests',
  'back',
  ...CAME_BACK_FOR.map((why) => `back-${why}` as const),
  ...Array.from({ length: SAID_GROUPS }, (_, group) => `said-${group}` as const),
];
