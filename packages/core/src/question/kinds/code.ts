import { type Model, unknownName } from '../../profile';
import { ASSUMED } from '../../standards';
import { bodyOf, name } from '../body-fields';
import { fitChoice } from '../fit';
import { codeShown, NOTHING_MORE } from '../messages';
import { momentFields } from '../moment';
import { observed, problem } from '../named';
import type { QuestionKind } from '../question-kind';
import { another } from '../simulated-hand';
import { CHOICE, MINUTES } from './choice';

/** What the status light shows: a code of the profile, `none` while it shows no fault, `dark` without power. */
export interface CodeQuestion {
  readonly kind: 'code';
}
export interface CodeObservation extends CodeQuestion {
  readonly code: string;
}

const body = bodyOf('code', { code: name, ...momentFields });

/** Every code there is, and what the light shows without one. */
export const codesOf = (model: Model): string[] => [...model.codes.map((c) => c.id), 'none', 'dark'];

export const code: QuestionKind<CodeQuestion, CodeObservation, typeof body> = {
  ...CHOICE,
  kind: 'code',
  weighs: 'cue',
  endsTry: true,
  body,
  key: () => 'code',
  answers: codesOf,
  offers: ({ codes }) =>
    codes.length > 0 ? [{ question: { kind: 'code' }, minutes: 0.4, line: false, walk: 'try' }] : [],
  cost: () => ({ minutes: MINUTES.try, line: false }),
  byTelephone: () => true,
  predict: (model, { trace }) => {
    const codes = codesOf(model);
    return { kind: 'choice', answer: codes.indexOf(trace.code), of: codes.length };
  },
  fit: (model, o, prediction) => {
    const codes = codesOf(model);
    return fitChoice(prediction, codes.indexOf(o.code), codes.length, ASSUMED.miscountedCode);
  },
  observe: (model, _q, p) => (p.kind === 'choice' ? { kind: 'code', code: codesOf(model)[p.answer]! } : undefined),
  report: (model, { observation }, { wrong, random }) => {
    const codes = codesOf(model);
    return wrong
      ? { kind: 'code', code: codes[another(codes.indexOf(observation.code), codes.length, random)]! }
      : observation;
  },
  isRelevantTo: () => false,
  saidSo: (o) => `code ${o.code}`,
  subject: () => ({ type: 'code' }),
  form: (model) => ({
    kind: 'choice',
    field: 'code',
    options: codesOf(model).map((id) => ({ id, says: { message: 'shows-code', data: codeShown(model, id) } })),
    subject: { type: 'code' },
  }),
  read: (model, { code: id }) => {
    const known = codesOf(model);
    if (!known.includes(id)) return problem(unknownName('code', id, known));
    return observed({ kind: 'code', code: id });
  },
  readCase: (_fields, value) => [{ type: 'code', code: String(value) }],
  asked: () => ({ message: 'read-the-light', data: NOTHING_MORE }),
  title: () => ({ message: 'light', data: NOTHING_MORE }),
  observed: (model, o) => ({ message: 'light-shows', data: codeShown(model, o.code) }),
  expected: (model, _q, p) => {
    const id = p.kind === 'choice' ? codesOf(model)[p.answer] : undefined;
    return id === undefined
      ? { message: 'no-answer', data: NOTHING_MORE }
      : { message: 'shows-code', data: codeShown(model, id) };
  },
};
