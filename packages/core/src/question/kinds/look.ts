import { type Look, type Model, type Scope, unknownName } from '../../profile';
import { firstSeverity, type Lived, quantityAt, type Segment, type Trace, voltsBetween } from '../../simulation';
import { ASSUMED } from '../../standards';
import { bodyOf, meansFields, name } from '../body-fields';
import { fitChoice } from '../fit';
import { NOTHING_MORE } from '../messages';
import { momentFields } from '../moment';
import { indexOf, observed, problem } from '../named';
import type { Prediction } from '../prediction';
import type { QuestionKind } from '../question-kind';
import { looksAt } from '../relevance';
import { another } from '../simulated-hand';
import { CHOICE } from './choice';

/** Something looked at by itself: a filter, a nest, a gauge glass. */
export interface LookQuestion {
  readonly kind: 'look';
  readonly look: number;
}
export interface LookObservation extends LookQuestion {
  readonly answer: number;
}

const body = bodyOf('look', { look: name, answer: name, ...meansFields, ...momentFields });

export const look: QuestionKind<LookQuestion, LookObservation, typeof body> = {
  ...CHOICE,
  kind: 'look',
  weighs: 'look',
  clears: true,
  body,
  key: (model, q) => `look ${model.looks[q.look]!.id}`,
  answers: (model, q) => model.looks[q.look]!.answers.map((a) => a.id),
  offers: (model) =>
    model.looks.flatMap(({ minutes, before, proposed }, index) =>
      proposed
        ? [
            {
              question: { kind: 'look', look: index },
              minutes,
              line: false,
              walk: before ? 'outside' : 'looks',
            } as const,
          ]
        : [],
    ),
  cost: (model, q) => ({ minutes: model.looks[q.look]!.minutes, line: false }),
  byTelephone: (model, q) => model.looks[q.look]!.before,
  predict: (model, lived, q) => {
    const { answers } = model.looks[q.look]!;
    const scope = endScope(model, lived);
    return { kind: 'choice', answer: answers.findIndex((a) => a.when.evaluate(scope) !== 0), of: answers.length };
  },
  fit: (model, o, prediction, _scale, sound) => {
    const asked = model.looks[o.look]!;
    return fitChoice(prediction, o.answer, asked.answers.length, lookError(asked, prediction, sound));
  },
  observe: (_model, q, p) => (p.kind === 'choice' && p.answer >= 0 ? { ...q, answer: p.answer } : undefined),
  report: (model, { observation, truth, sound }, { random, carelessness }) => {
    const asked = model.looks[observation.look]!;
    const errs = lookError(asked, truth, sound()) * carelessness;
    return random.next() < errs
      ? { ...observation, answer: another(observation.answer, asked.answers.length, random) }
      : observation;
  },
  isRelevantTo: (model, part, q) => looksAt(model, part, q.look),
  subject: (model, q) => ({ type: 'look', look: model.looks[q.look]!.id }),
  form: (model, q) => ({
    kind: 'choice',
    field: 'answer',
    options: model.looks[q.look]!.answers.map(({ id, title }) => ({
      id,
      says: { message: 'shows', data: { title } },
    })),
    subject: look.subject(model, q),
  }),
  read: (model, given) => {
    const index = indexOf(model.looks, given.look, 'question');
    if (typeof index === 'string') return problem(index);
    const answer = indexOf(model.looks[index]!.answers, given.answer, 'answer');
    return typeof answer === 'string' ? problem(answer) : observed({ kind: 'look', look: index, answer });
  },
  readLine: ({ looks }, words) => {
    const said = words.map((w) => w.toLowerCase());
    const id = said.find((w) => Object.hasOwn(looks, w));
    if (id === undefined) return undefined;
    const asked = looks[id]!;
    const answer = said.filter((w) => w !== id).join(' ');
    if (!asked.answers.includes(answer))
      return { ok: false, message: unknownName(`answer to “${asked.ask}”`, answer, asked.answers) };
    return { ok: true, value: { type: 'look', look: id, answer } };
  },
  readCase: (fields, value, path) =>
    Object.entries(fields.map(value, path, '{question: answer}')).map(([id, answer]) => ({
      type: 'look',
      look: id,
      answer: answer === true ? 'yes' : answer === false ? 'no' : String(answer),
    })),
  asked: (model, q) => ({ message: 'ask', data: { words: model.looks[q.look]!.ask } }),
  title: (model, q) => ({ message: 'titled', data: { words: model.looks[q.look]!.ask } }),
  observed: (model, o) => {
    const { ask, answers } = model.looks[o.look]!;
    return { message: 'looked', data: { ask, answer: answers[o.answer]!.title } };
  },
  expected: (model, q, p) => {
    const answer = p.kind === 'choice' ? model.looks[q.look]!.answers[p.answer] : undefined;
    return answer ? { message: 'shows', data: { title: answer.title } } : { message: 'no-answer', data: NOTHING_MORE };
  },
};

/** How often a look is wrong, by what there is to see; `sound` is what a sound appliance would show. */
function lookError(asked: Look, truth: Prediction, sound: Prediction | undefined): number {
  const nothingWrong = truth.kind === 'choice' && sound?.kind === 'choice' && truth.answer === sound.answer;
  // What is wrong is overlooked far more often than something wrong is seen that is not there.
  return (1 - asked.tells) * (nothingWrong ? ASSUMED.falseAlarm : 1);
}

const lastSegment = ({ segments }: Trace): Segment => segments[segments.length - 1]!;

/** The appliance as it stands at the end of a trace, for questions that are looked at. */
function endScope(model: Model, { trace, faults }: Lived): Scope {
  const last = lastSegment(trace);
  return {
    partIs: (part, state) => last.partStates[part] === state,
    outputOn: (port) => last.outputs[port] ?? false,
    input: () => false,
    quantity: (index) => quantityAt(trace, index, trace.end),
    env: () => true,
    fault: (part, mode) => faults.some((f) => f.part === part && firstSeverity(model.parts[part]!, f.mode) === mode),
    regionIs: (region, state) => last.regionStates[region] === state,
    sinceEntry: () => 0,
    counter: () => 0,
    compared: (comparison) => model.comparisons[comparison]!((a, b) => voltsBetween(last.circuit.solution, a, b)),
    alive: () => last.alive,
  };
}
