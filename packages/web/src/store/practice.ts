import type { NewResult } from '@zetalysis/contract';
import type { KeptStand, Played } from '@zetalysis/core/practice';
import { v7 } from 'uuid';

/** An exercise that somebody has begun and not ended, or ended. */
export interface KeptExercise extends KeptStand {
  readonly code: string;
}

/** An exercise that was ended, with what it was worth. */
export interface EndedExercise extends Played {
  readonly code: string;
  readonly title: string;
  readonly at: string;
  readonly id: string;
}

/** One of this device: what was done in it is kept until the server has it. */
interface KeptEnded extends EndedExercise {
  readonly moves?: string;
  /** Why the server does not take it. */
  readonly refused?: string;
}

interface Kept {
  readonly played: readonly KeptEnded[];
  readonly open: readonly KeptExercise[];
}

/** Logs of so many exercises are kept; of older ones only what they were worth. */
const LOGS = 12;
const EMPTY: Kept = { played: [], open: [] };

const keyOf = (person: string): string => `zetalysis.practice.${person}`;

/** What somebody has practised on this device. */
export function practised(person: string): Kept {
  try {
    return { ...EMPTY, ...(JSON.parse(localStorage.getItem(keyOf(person)) ?? '{}') as Partial<Kept>) };
  } catch {
    return EMPTY;
  }
}

const keep = (person: string, kept: Kept): boolean => {
  try {
    localStorage.setItem(keyOf(person), JSON.stringify(kept));
    return true;
  } catch {
    return false;
  }
};

/** Keeps how far an exercise is; false where this browser has no room for it. */
export function keepExercise(person: string, exercise: KeptExercise): boolean {
  const { played, open } = practised(person);
  return keep(person, { played, open: [exercise, ...open.filter((e) => e.code !== exercise.code)].slice(0, LOGS) });
}

/** Keeps what an exercise was worth, to be sent; the first time counts, so that nobody plays one again for its mark. */
export function keepEnded(person: string, ended: Omit<EndedExercise, 'id'>): void {
  const { played, open } = practised(person);
  if (played.some((e) => e.code === ended.code)) return;
  const moves = JSON.stringify(open.find((e) => e.code === ended.code)?.moves ?? []);
  keep(person, { played: [...played, { ...ended, id: v7(), moves }], open });
}

/** What the server does not have yet, as it is sent. */
export const unsentResults = (person: string): (NewResult & { readonly refused?: string })[] =>
  practised(person).played.flatMap(({ moves, ...worth }) =>
    moves === undefined ? [] : [{ ...worth, confused: [...worth.confused], moves }],
  );

/** The server has it, or says why it does not take it. */
export function settleResult(person: string, id: string, refused?: string): void {
  const { played, open } = practised(person);
  keep(person, {
    open,
    played: played.map((e) => {
      if (e.id !== id) return e;
      if (refused !== undefined) return { ...e, refused };
      const { moves: _sent, ...rest } = e;
      return rest;
    }),
  });
}

/** Begins an exercise anew. */
export function forgetExercise(person: string, code: string): void {
  const { played, open } = practised(person);
  keep(person, { played, open: open.filter((e) => e.code !== code) });
}
