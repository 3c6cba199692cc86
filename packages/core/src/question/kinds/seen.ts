import * as t from '@sinclair/typebox';
import type { Model, PhaseIndex } from '../../profile';
import type { Interval, Lived } from '../../simulation';
import { ASSUMED } from '../../standards';
import { bodyOf, meansFields, name, oneOf } from '../body-fields';
import { fitChoice } from '../fit';
import { NOTHING_MORE } from '../messages';
import { momentFields } from '../moment';
import { observed, phaseNamed, problem } from '../named';
import type { QuestionKind } from '../question-kind';
import { CHOICE, MINUTES, readYesNo } from './choice';

/** Whether a step was seen, heard or smelled; of one try for ignition, or of any. */
export interface SeenQuestion {
  readonly kind: 'seen';
  readonly phase: PhaseIndex;
  readonly attempt?: number;
}
export interface SeenObservation extends SeenQuestion {
  readonly answer: boolean;
}

const ANSWERS = ['yes', 'no', 'unclear'] as const;

const body = bodyOf('seen', {
  phase: name,
  answer: oneOf(ANSWERS),
  try: t.Optional(t.Integer({ minimum: 1, maximum: 20 })),
  means: meansFields.means,
  ...momentFields,
});

export const seen: QuestionKind<SeenQuestion, SeenObservation, typeof body> = {
  ...CHOICE,
  kind: 'seen',
  weighs: 'cue',
  body,
  key: (model, q) => `seen ${model.phases[q.phase]!.id}${q.attempt === undefined ? '' : `#${q.attempt}`}`,
  answers: () => ['no', 'yes'],
  offers: (model) =>
    model.phases.map((phase) => ({
      question: { kind: 'seen', phase: phase.index },
      minutes: MINUTES.cue,
      line: false,
      walk: 'try',
    })),
  cost: () => ({ minutes: MINUTES.try, line: false }),
  cautions: (model, q) => ({ applies: inTrial(model, q.phase) ? ['trial'] : [] }),
  byTelephone: () => true,
  predict: (model, lived, q) => ({ kind: 'choice', answer: comes(model, lived, q) ? 1 : 0, of: 2 }),
  fit: (_model, o, prediction) => fitChoice(prediction, o.answer ? 1 : 0, 2, ASSUMED.misseen),
  observe: (_model, q, p) => (p.kind === 'choice' ? { ...q, answer: p.answer === 1 } : undefined),
  report: (_model, { observation }, { wrong }) =>
    wrong ? { ...observation, answer: !observation.answer } : observation,
  isRelevantTo: () => false,
  saidSo: (o) => `seen ${o.phase} ${o.answer}`,
  subject: (model, q) => ({
    type: 'seen',
    phase: model.phases[q.phase]!.id,
    ...(q.attempt === undefined ? {} : { try: q.attempt }),
  }),
  form: (model, q) => ({
    kind: 'choice',
    field: 'answer',
    options: [
      { id: 'yes', says: { message: 'yes-or-no', data: { yes: true } } },
      { id: 'no', says: { message: 'yes-or-no', data: { yes: false } } },
      { id: 'unclear', says: { message: 'cannot-tell', data: NOTHING_MORE } },
    ],
    subject: seen.subject(model, q),
  }),
  read: (model, { phase: id, answer, try: attempt }) => {
    const phase = phaseNamed(model, id);
    if (typeof phase === 'string') return problem(phase);
    if (answer === 'unclear') return { kind: 'nothing' };
    return observed({ kind: 'seen', phase, answer: answer === 'yes', ...(attempt === undefined ? {} : { attempt }) });
  },
  readCase: (fields, value, path) => {
    const map = fields.map(value, path, '{phase: yes | no | unclear}');
    const attempt = map['try'];
    return Object.entries(map)
      .filter(([phase]) => phase !== 'try')
      .map(([phase, answer]) => ({
        type: 'seen',
        phase,
        answer: readYesNo(fields, answer, [...path, phase]),
        ...(typeof attempt === 'number' ? { try: attempt } : {}),
      }));
  },
  asked: (model, q) => ({ message: 'ask', data: { words: model.phases[q.phase]!.ask } }),
  title: (model, q) => ({ message: 'titled', data: { words: model.phases[q.phase]!.title } }),
  observed: (model, o) => ({
    message: 'seen',
    data: { step: model.phases[o.phase]!.title, attempt: o.attempt, answer: o.answer },
  }),
  expected: (_model, _q, p) => ({ message: 'yes-or-no', data: { yes: p.kind === 'choice' && p.answer === 1 } }),
};

/** Whether a step is the trial for ignition or comes after it. */
export function inTrial(model: Model, phase: PhaseIndex): boolean {
  const trial = model.phases.findIndex((p) => p.trial);
  return trial >= 0 && phase >= trial;
}

function comes(model: Model, { trace }: Lived, { phase, attempt }: SeenQuestion): boolean {
  const cues = trace.cues[phase]!;
  return attempt === undefined ? cues.length > 0 : inAttempt(model, trace.windows, cues, attempt);
}

/** Whether a cue falls into the n-th try for ignition (1 = first): from the end of the try before to its own end. */
function inAttempt(
  model: Model,
  windows: readonly (readonly Interval[])[],
  cues: readonly Interval[],
  attempt: number,
): boolean {
  const trial = model.phases.find((p) => p.trial);
  const tries = trial ? windows[trial.index]! : [];
  const own = tries[attempt - 1];
  if (!own) return false;
  const from = tries[attempt - 2]?.to ?? 0;
  return cues.some((c) => c.to > from && c.from < own.to + 1);
}
