import type { Complaint, JointFound } from '../question';
import type { NeededPart } from '../visit';
import type { Outcome } from '../simulation';

export const OUTCOME_WORDS: Readonly<Record<Outcome, string>> = {
  dead: 'Nothing happens at all',
  stuck: 'Stops at a step and waits',
  'starts-over': 'Stops and starts over, again and again',
  'locks-out': 'Gives up: locked out',
  cycles: 'Heats, stops, heats again',
  runs: 'Runs normally',
};

/** What a customer says on the telephone. */
export const COMPLAINT_WORDS: Readonly<Record<Complaint, string>> = {
  nothing: 'It does nothing at all',
  tries: 'It tries, and gives no heat',
  short: 'It heats a little, then stops',
  poor: 'It runs, and something is not as it should be',
  'fine-now': 'It stopped once, and works now',
  'after-reset': 'It runs after a reset, and goes off again',
};

/** How a plug or a wire was found. */
export const JOINT_WORDS: Readonly<Record<JointFound, string>> = {
  'in-order': 'in order, by eye and tug',
  off: 'off, or broken',
  loose: 'loose, burnt or green',
  chafed: 'chafed through',
};

/** A part that is needed: what, from where, expected when. */
export const neededWords = ({ what, from, expected }: Pick<NeededPart, 'what' | 'from' | 'expected'>): string =>
  [what, from === '' ? '' : `from ${from}`, expected === '' ? '' : `expected ${expected}`]
    .filter((w) => w !== '')
    .join(', ');

/** The number of a part that was fitted, and how long it is under warranty; begins with a comma, or is empty. */
export const fittedWords = ({ number, warranty }: { readonly number?: string; readonly warranty?: string }): string =>
  `${number === undefined ? '' : `, number ${number}`}${warranty === undefined ? '' : `, under warranty until ${warranty}`}`;
