import type { PhaseIndex } from '../../profile';
import { ASSUMED } from '../../standards';
import { inSeconds, type Reading, readingValue } from '../../units';
import { bodyOf, name, readingFields } from '../body-fields';
import { coarseNumber, fitNumber, sameNumber } from '../fit';
import { NOTHING_MORE } from '../messages';
import { observed, phaseNamed, problem } from '../named';
import type { Prediction } from '../prediction';
import type { QuestionKind } from '../question-kind';
import { MINUTES } from './choice';
import { caseReadings } from './readings';

/** How long it takes from the call for heat until a step begins, seconds. */
export interface TimingQuestion {
  readonly kind: 'timing';
  readonly phase: PhaseIndex;
}
export interface TimingObservation extends TimingQuestion {
  readonly reading: Reading;
}

const body = bodyOf('timing', { phase: name, ...readingFields });

const ERROR = { floor: ASSUMED.timingFloor, zero: 0 };

export const timing: QuestionKind<TimingQuestion, TimingObservation, typeof body> = {
  kind: 'timing',
  weighs: 'cue',
  body,
  key: (model, q) => `timing ${model.phases[q.phase]!.id}`,
  answers: () => [],
  offers: () => [],
  cost: () => ({ minutes: MINUTES.try, line: false }),
  predict: (_model, { trace }, q) => {
    const first = trace.cues[q.phase]![0];
    return first
      ? { kind: 'number', value: inSeconds(first.from), tolerance: ASSUMED.timingTolerance, absent: false }
      : { kind: 'never' };
  },
  fit: (_model, o, prediction, scale) => fitNumber(readingValue(o.reading), prediction, scale, ERROR, ASSUMED.mistimed),
  numberError: () => ERROR,
  place: (p) => (p.kind === 'number' ? p.value : 3e6),
  sameOutcome: () => (a: Prediction, b: Prediction) => sameNumber(a, b, ERROR),
  coarse: (_model, _q, p) => coarseNumber(p),
  observe: (_model, q, p) =>
    p.kind === 'number' ? { ...q, reading: { kind: 'value', value: p.value, dimension: 'none' } } : undefined,
  report: (_model, { observation }) => observation,
  isRelevantTo: () => false,
  subject: (model, q) => ({ type: 'timing', phase: model.phases[q.phase]!.id }),
  form: (model, q) => ({ kind: 'reading', dimension: 'time', subject: timing.subject(model, q) }),
  read: (model, given) => {
    const phase = phaseNamed(model, given.phase);
    if (typeof phase === 'string') return problem(phase);
    if (given.reading.dimension !== 'time') return problem(`how long it took is a time; "${given.typed}" is not`);
    return observed({ kind: 'timing', phase, reading: given.reading });
  },
  readCase: (fields, value, path) =>
    caseReadings(fields, value, path, '{phase: time}', (phase) => ({
      kind: 'reading',
      dimension: 'time',
      subject: { type: 'timing', phase },
    })),
  asked: (model, q) => ({ message: 'take-time', data: { step: model.phases[q.phase]!.title } }),
  title: (model, q) => ({ message: 'time', data: { step: model.phases[q.phase]!.title } }),
  observed: (model, o) => ({
    message: 'read',
    data: { title: timing.title(model, o), reading: o.reading, dial: {} },
  }),
  expected: (_model, _q, p) =>
    p.kind === 'number'
      ? { message: 'number', data: { value: p.value, dimension: 'time', dial: {} } }
      : { message: 'never', data: NOTHING_MORE },
};
