import { unknownName } from '../../profile';
import { type Outcome, OUTCOMES } from '../../simulation';
import { ASSUMED } from '../../standards';
import { bodyOf, oneOf } from '../body-fields';
import { fitChoice } from '../fit';
import { NOTHING_MORE } from '../messages';
import { momentFields } from '../moment';
import { observed } from '../named';
import type { QuestionKind } from '../question-kind';
import { another } from '../simulated-hand';
import { CHOICE, MINUTES } from './choice';

/** How a try for heat ends. */
export interface OutcomeQuestion {
  readonly kind: 'outcome';
}
export interface OutcomeObservation extends OutcomeQuestion {
  readonly outcome: Outcome;
}

const body = bodyOf('outcome', { outcome: oneOf(OUTCOMES), ...momentFields });

export const outcome: QuestionKind<OutcomeQuestion, OutcomeObservation, typeof body> = {
  ...CHOICE,
  kind: 'outcome',
  weighs: 'cue',
  endsTry: true,
  body,
  key: () => 'outcome',
  answers: () => OUTCOMES,
  offers: () => [{ question: { kind: 'outcome' }, minutes: 0.5, line: false, walk: 'try' }],
  cost: () => ({ minutes: MINUTES.try, line: false }),
  predict: (_model, { trace }) => ({
    kind: 'choice',
    answer: OUTCOMES.indexOf(trace.outcome),
    of: OUTCOMES.length,
  }),
  fit: (_model, o, prediction) =>
    fitChoice(prediction, OUTCOMES.indexOf(o.outcome), OUTCOMES.length, ASSUMED.misjudgedOutcome),
  observe: (_model, _q, p) => (p.kind === 'choice' ? { kind: 'outcome', outcome: OUTCOMES[p.answer]! } : undefined),
  report: (_model, { observation }, { wrong, random }) =>
    wrong
      ? {
          kind: 'outcome',
          outcome: OUTCOMES[another(OUTCOMES.indexOf(observation.outcome), OUTCOMES.length, random)]!,
        }
      : observation,
  isRelevantTo: () => false,
  saidSo: (o) => o.outcome,
  subject: () => ({ type: 'outcome' }),
  form: () => ({
    kind: 'choice',
    field: 'outcome',
    options: OUTCOMES.map((id) => ({ id, says: { message: 'ends', data: { outcome: id } } })),
    subject: { type: 'outcome' },
  }),
  read: (_model, { outcome: id }) => observed({ kind: 'outcome', outcome: id }),
  readCase: (fields, value, path) => {
    const id = String(value);
    if (!(OUTCOMES as readonly string[]).includes(id)) fields.file.problem(path, unknownName('outcome', id, OUTCOMES));
    return [{ type: 'outcome', outcome: id as Outcome }];
  },
  asked: () => ({ message: 'watch-a-try', data: NOTHING_MORE }),
  title: () => ({ message: 'ending', data: NOTHING_MORE }),
  observed: (_model, o) => ({ message: 'ended', data: { outcome: o.outcome } }),
  expected: (_model, _q, p) =>
    p.kind === 'choice' && p.answer >= 0
      ? { message: 'ends', data: { outcome: OUTCOMES[p.answer]! } }
      : { message: 'no-answer', data: NOTHING_MORE },
};
