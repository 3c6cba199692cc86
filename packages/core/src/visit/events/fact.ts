import * as t from '@sinclair/typebox';
import { bodyOf, name } from '../../question';
import { factProblem } from '../../rules';
import type { EventKind } from './event-kind';

const body = bodyOf('fact', { fact: name, value: t.Union([name, t.Number()]) });

/** Something that is so, as the rules ask for it: a smell, a reading of CO, where the water stands. */
export const fact: EventKind<typeof body> = { body, problem: (_model, given) => factProblem(given.fact, given.value) };
