import { progressOf, readExerciseCode } from '@zetalysis/core/practice';
import { can } from '@zetalysis/core/rules';
import type { NewResult, NewSet, NewSigning, PracticeResult, PracticeStanding } from '@zetalysis/contract';
import { Problem } from '../../http/problem';
import { authorityOf } from '../session/authority';
import type { Person } from '../session/model';
import { personWith } from '../session/repository';
import { addSet, addSigning, keptResult, resultsAt, resultWith, standingOf, worthOf } from './repository';

/** One’s own exercises; those of everybody for who teaches. */
export const practiceOf = (person: Person): Promise<PracticeStanding> =>
  standingOf(teaches(person) ? undefined : person.id);

/** Keeps what an exercise was worth. Throws a Problem where it cannot be read, or is somebody else’s. */
export async function keep(person: Person, given: NewResult): Promise<PracticeResult> {
  readCode(given.code);
  if (!isList(given.moves))
    throw new Problem(400, 'Not understood', 'The moves of an exercise are a list. Open it again, and send it again.');
  const kept = await keptResult(person.id, given);
  if (!kept) throw new Problem(409, 'Somebody else’s', 'This number belongs to an exercise of somebody else.');
  return worthOf(kept);
}

/** One result with what was done. Throws a Problem where there is none, or it is not theirs to see. */
export async function resultOf(person: Person, id: string): Promise<NewResult> {
  const found = await resultWith(id);
  if (!found || (found.personId !== person.id && !teaches(person)))
    throw new Problem(404, 'No such exercise', 'Nobody whose exercises you may see has ended one with this number.');
  const { person: _whose, ...worth } = worthOf(found);
  return { ...worth, moves: found.moves };
}

/** Sets somebody an exercise. Throws a Problem. */
export async function setFor(person: Person, given: NewSet): Promise<PracticeStanding> {
  await mayTeach(person, given.person);
  readCode(given.code);
  await addSet(person.id, given);
  return practiceOf(person);
}

/** Signs off a level that somebody has passed. It unlocks nothing: grants are given for themselves. Throws a Problem. */
export async function sign(person: Person, given: NewSigning): Promise<PracticeStanding> {
  await mayTeach(person, given.person);
  const played = (await resultsAt(given.person, given.level)).map(worthOf);
  const { passed, missing } = progressOf(played)[given.level]!;
  if (!passed) throw new Problem(409, 'Not passed yet', `Level ${given.level} still wants: ${missing.join('; ')}.`);
  await addSigning(person.id, given);
  return practiceOf(person);
}

const teaches = (person: Person): boolean => can(authorityOf(person), 'teach') === '+';

async function mayTeach(person: Person, of: string): Promise<void> {
  if (!teaches(person))
    throw new Problem(403, 'Not yours to teach', 'A lead sets exercises and signs off levels. Ask one of them.');
  const learner = await personWith(of);
  if (!learner || learner.disabled) throw new Problem(404, 'No such person', 'Nobody works here under this number.');
}

function readCode(code: string): void {
  const exercise = readExerciseCode(code);
  if ('problem' in exercise) throw new Problem(400, 'No exercise', exercise.problem);
}

function isList(text: string): boolean {
  try {
    return Array.isArray(JSON.parse(text));
  } catch {
    return false;
  }
}
