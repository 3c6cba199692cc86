import { unknownName } from '../../profile';
import { bodyOf, name } from '../../question';
import { telephoneQuestion } from '../../rules';
import type { EventKind } from './event-kind';

const body = bodyOf('by-telephone', { asked: name, answer: name });

/** What somebody said on the telephone that no model weighs: the newest answer to each question stands. */
export const byTelephone: EventKind<typeof body> = {
  body,
  problem: (_model, { asked, answer }) => {
    const question = telephoneQuestion(asked);
    if (!question) return `nobody asks "${asked}" by telephone`;
    const known = question.answers.map(({ id }) => id);
    return known.includes(answer) ? undefined : unknownName('answer', answer, known);
  },
  apply: (draft, { asked, answer }) => {
    draft.telephone.set(asked, answer);
  },
};
