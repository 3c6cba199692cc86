import * as t from '@sinclair/typebox';
import { uuid } from '@zetalysis/core/visit';
import { endpoint } from './endpoint';
import { moment, trimmed } from './fields';

/** The longest log of an exercise, as JSON. */
export const LONGEST_EXERCISE = 200_000;

const code = t.String({
  pattern: '^\\d\\.[0-9a-z]{1,7}\\.[0-9a-z]{1,6}\\.[a-z0-9-]{1,60}$',
  title: 'exercise’s link',
  maxLength: 80,
});
const level = t.Integer({ minimum: 0, maximum: 7 });
const minutes = t.Number({ minimum: 0, maximum: 100_000 });

const worth = t.Object({
  id: uuid,
  code,
  level,
  /** What it was, and whether it was proved. */
  title: trimmed(300),
  mark: t.Integer({ minimum: 0, maximum: 100 }),
  proved: t.Boolean(),
  critical: t.Boolean(),
  minutes,
  planned: minutes,
  /** Parts that were confused with others, by id. */
  confused: t.Array(t.String({ minLength: 1, maxLength: 60 }), { maxItems: 40 }),
  at: moment,
});

const newResult = t.Object({
  ...worth.properties,
  /** What was done, as JSON: the mark is made of it again. */
  moves: t.String({ minLength: 2, maxLength: LONGEST_EXERCISE }),
});

const result = t.Object({ ...worth.properties, person: uuid });

const setExercise = t.Object({ person: uuid, code, words: trimmed(200) });
const signing = t.Object({ person: uuid, level, words: trimmed(200) });

/** The fields of practice that are columns. */
export const practiceFields = { ...newResult.properties, words: setExercise.properties.words };

export type NewResult = t.Static<typeof newResult>;
export type PracticeResult = t.Static<typeof result>;
export type NewSet = t.Static<typeof setExercise>;
export type NewSigning = t.Static<typeof signing>;

const by = { id: uuid, by: t.String(), at: moment };

const standing = t.Object({
  /** In the order in which they ended; of everybody for who teaches, else one’s own. */
  results: t.Array(result),
  signed: t.Array(t.Object({ ...signing.properties, ...by })),
  set: t.Array(t.Object({ ...setExercise.properties, ...by })),
});

export type PracticeStanding = t.Static<typeof standing>;

const one = t.Object({ id: uuid });

export const practice = {
  standing: endpoint({ method: 'GET', path: '/practice', reply: standing }),
  /** Keeps what an exercise was worth. The first time that somebody played it counts: sent again, that one comes back. */
  keep: endpoint({ method: 'POST', path: '/practice/results', body: newResult, reply: result }),
  /** One with what was done in it: one’s own, or anybody’s for who teaches. */
  read: endpoint({ method: 'GET', path: '/practice/results/:id', params: one, reply: newResult }),
  /** Sets somebody an exercise. */
  set: endpoint({ method: 'POST', path: '/practice/set', body: setExercise, reply: standing, status: 201 }),
  /** Signs off a level that somebody has passed. */
  sign: endpoint({ method: 'POST', path: '/practice/signed', body: signing, reply: standing, status: 201 }),
};
