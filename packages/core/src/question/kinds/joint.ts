import { unknownName } from '../../profile';
import { failureModeOf } from '../../simulation';
import { answered, type AnswerForm } from '../answer-form';
import { bodyOf, name, oneOf } from '../body-fields';
import type { Fit } from '../fit';
import { NOTHING_MORE } from '../messages';
import { jointsOf } from '../joints';
import { indexOf, observed, problem } from '../named';
import type { Prediction } from '../prediction';
import type { QuestionKind } from '../question-kind';
import { CHOICE } from './choice';

/** How a plug, a wire or a bond was found by eye and by a tug: one that is off or chafed condemns itself. */
export interface JointQuestion {
  readonly kind: 'joint';
  readonly joint: number;
}
export interface JointObservation extends JointQuestion {
  readonly found: number;
}

const FOUND = ['in-order', 'off', 'loose', 'chafed'] as const;
const [IN_ORDER, OFF, LOOSE, CHAFED] = [0, 1, 2, 3];

const body = bodyOf('joint', { joint: name, found: oneOf(FOUND) });

/** Of those that are broken, loose or chafed so many are seen or felt by who looks and tugs; common practice, no source. */
const NOTICED = 0.7;
/** Share of sound ones at which something is found all the same: off is off. */
const FALSE = 0.001;
/** Share of appliances with some other trouble at which each of these is found. */
const COMMON = 0.02;

const formOf = (joint: string): AnswerForm => ({
  kind: 'choice',
  field: 'found',
  options: FOUND.map((id) => ({ id, says: { message: 'joint-is', data: { found: id } } })),
  subject: { type: 'joint', joint },
});

export const joint: QuestionKind<JointQuestion, JointObservation, typeof body> = {
  ...CHOICE,
  kind: 'joint',
  weighs: 'look',
  body,
  key: (model, q) => `joint ${jointsOf(model)[q.joint]!.id}`,
  answers: () => FOUND,
  // Who sees it, notes it. It is not proposed: a joint that looks sound may be open inside its insulation.
  offers: () => [],
  cost: () => ({ minutes: MINUTES, line: false }),
  predict: (model, { faults }, q) => {
    for (const index of jointsOf(model)[q.joint]!.parts) {
      const mode = failureModeOf(model.parts[index]!, faults);
      if (!mode) continue;
      return foundOf(mode.shorts ? CHAFED : mode.inSeries || mode.id === 'poor' ? LOOSE : OFF);
    }
    return foundOf(IN_ORDER);
  },
  fit: (_model, o, prediction): Fit => {
    const is = prediction.kind === 'choice' ? prediction.answer : -1;
    const fit =
      is === IN_ORDER
        ? o.found === IN_ORDER
          ? 1 - FALSE
          : FALSE / 3
        : o.found === is
          ? NOTICED
          : o.found === IN_ORDER
            ? 1 - NOTICED - 2 * FALSE
            : FALSE;
    return { fit, base: o.found === IN_ORDER ? 1 - 3 * COMMON : COMMON, blunder: 0 };
  },
  observe: (_model, q, p) => (p.kind === 'choice' ? { ...q, found: p.answer } : undefined),
  report: (_model, { observation }, { random }) =>
    observation.found !== IN_ORDER && random.next() > NOTICED ? { ...observation, found: IN_ORDER } : observation,
  isRelevantTo: (model, part, q) => jointsOf(model)[q.joint]!.parts.includes(part.index),
  subject: (model, q) => formOf(jointsOf(model)[q.joint]!.id).subject,
  form: (model, q) => formOf(jointsOf(model)[q.joint]!.id),
  read: (model, given) => {
    const index = indexOf(jointsOf(model), given.joint, 'plug or wire');
    return typeof index === 'string'
      ? problem(index)
      : observed({ kind: 'joint', joint: index, found: FOUND.indexOf(given.found) });
  },
  readLine: ({ joints }, words) => {
    const said = words.map((w) => w.toLowerCase());
    const at = said.findIndex((w) => FOUND.some((f) => f === w));
    if (at < 0) return undefined;
    const id = joints.find((j) => said.some((w) => w === j.toLowerCase()));
    if (id === undefined)
      return {
        ok: false,
        message: unknownName('plug or wire', words.filter((_, i) => i !== at).join(' '), joints),
      };
    return answered(formOf(id), said[at]!);
  },
  readCase: (fields, value, path) =>
    Object.entries(fields.map(value, path, '{plug or wire: in-order | off | loose | chafed}')).map(([id]) => ({
      type: 'joint',
      joint: id,
      found: fields.choice(fields.map(value, path, ''), id, path, FOUND),
    })),
  asked: (model, q) => ({ message: 'look-at-joint', data: { joint: jointsOf(model)[q.joint]!.title } }),
  title: (model, q) => ({ message: 'titled', data: { words: jointsOf(model)[q.joint]!.title } }),
  observed: (model, o) => ({
    message: 'joint-found',
    data: { joint: jointsOf(model)[o.joint]!.title, found: FOUND[o.found]! },
  }),
  expected: (_model, _q, p) =>
    p.kind === 'choice'
      ? { message: 'joint-is', data: { found: FOUND[p.answer]! } }
      : { message: 'no-answer', data: NOTHING_MORE },
};

/** Minutes of a look and a tug. */
const MINUTES = 0.7;

const foundOf = (answer: number): Prediction => ({ kind: 'choice', answer, of: 0 });
