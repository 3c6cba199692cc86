import { unknownName } from '../../profile';
import { ASSUMED } from '../../standards';
import { bodyOf, oneOf } from '../body-fields';
import { complainsOf, type Complaint, COMPLAINT_IDS } from '../complaint';
import { fitChoice } from '../fit';
import { NOTHING_MORE } from '../messages';
import { momentFields } from '../moment';
import { observed } from '../named';
import type { QuestionKind } from '../question-kind';
import { CHOICE } from './choice';

/** The customer's complaint, of the kinds that can be told apart: asked and answered are the same. */
export interface ToldQuestion {
  readonly kind: 'told';
  readonly complaint: Complaint;
}

const body = bodyOf('told', { complaint: oneOf(COMPLAINT_IDS), ...momentFields });

export const told: QuestionKind<ToldQuestion, ToldQuestion, typeof body> = {
  ...CHOICE,
  kind: 'told',
  weighs: 'cue',
  body,
  key: () => 'told',
  answers: () => ['no', 'yes'],
  offers: () => [],
  cost: () => ({ minutes: 0, line: false }),
  byTelephone: () => true,
  predict: (model, lived, q) => ({ kind: 'choice', answer: complainsOf(model, lived, q.complaint) ? 1 : 0, of: 2 }),
  fit: (_model, _o, prediction) => fitChoice(prediction, 1, 2, ASSUMED.mistold),
  observe: (_model, q) => q,
  report: (_model, { observation }) => observation,
  isRelevantTo: () => false,
  subject: () => ({ type: 'told' }),
  form: () => ({
    kind: 'choice',
    field: 'complaint',
    options: COMPLAINT_IDS.map((id) => ({ id, says: { message: 'would-say', data: { complaint: id } } })),
    subject: { type: 'told' },
  }),
  read: (_model, { complaint }) => observed({ kind: 'told', complaint }),
  readCase: (fields, value, path) => {
    const complaint = COMPLAINT_IDS.find((c) => c === value);
    if (complaint !== undefined) return [{ type: 'told', complaint }];
    fields.file.problem(path, unknownName('complaint', String(value), COMPLAINT_IDS));
    return [];
  },
  asked: () => ({ message: 'ask-customer', data: NOTHING_MORE }),
  title: () => ({ message: 'complaint', data: NOTHING_MORE }),
  observed: (_model, o) => ({ message: 'customer-says', data: { complaint: o.complaint } }),
  expected: (_model, _q, p) => ({ message: 'yes-or-no', data: { yes: p.kind === 'choice' && p.answer === 1 } }),
};
