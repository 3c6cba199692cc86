import * as t from '@sinclair/typebox';
import { bodyOf, name, oneOf } from '../../question';
import { lineProblem, proofLineWith } from '../../rules';
import { words } from '../fields';
import type { EventKind } from './event-kind';

const body = bodyOf('proof-line', {
  line: name,
  answer: oneOf(['done', 'does-not-apply'] as const),
  value: t.Optional(t.Number()),
  /** The fuel and the limits that the plate names, where the line’s limits hang on them. */
  fuel: t.Optional(oneOf(['natural', 'propane'] as const)),
  plate: t.Optional(t.Object({ least: t.Optional(t.Number()), most: t.Optional(t.Number()) })),
  words: t.Optional(words),
});

/** One line of the proof of a repair. */
export const proofLine: EventKind<typeof body> = {
  body,
  problem: (_model, { line, answer, value, fuel, plate }) => {
    const known = proofLineWith(line);
    if (!known) return `there is no line ${line} in any proof`;
    return answer === 'done' ? lineProblem(known, { value, plate }, fuel) : undefined;
  },
};
