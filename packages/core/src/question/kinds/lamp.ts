import * as t from '@sinclair/typebox';
import { AS_IT_STANDS, type Model, type NetIndex, type PhaseIndex } from '../../profile';
import { ASSUMED } from '../../standards';
import { answered, type AnswerForm } from '../answer-form';
import { bodyOf, name, oneOf } from '../body-fields';
import { momentFields } from '../moment';
import { observed, probesNamed, problem, stepNamed } from '../named';
import type { Prediction } from '../prediction';
import type { QuestionKind } from '../question-kind';
import { probesReach } from '../relevance';
import { voltsRangeOf } from '../volts-range';
import { readYesNo } from './choice';
import { nameOf, volts, type VoltsQuestion } from './volts';

/** Whether a test lamp lights between two points. It loads the circuit, so it shows no ghosts; it tells no volts. */
export interface LampQuestion {
  readonly kind: 'lamp';
  readonly red: NetIndex;
  readonly black: NetIndex;
  /** -1 for the state in which the appliance ends up. */
  readonly phase: PhaseIndex;
}
export interface LampObservation extends LampQuestion {
  readonly lights: boolean;
}

const ANSWERS = ['yes', 'no'] as const;
const body = bodyOf('lamp', {
  red: name,
  black: name,
  phase: t.Optional(name),
  lights: oneOf(ANSWERS),
  ...momentFields,
});

/** From the first share of its rated volts on a lamp surely lights, below the second it is dark; common practice, no source. */
const [LIGHTS, DARK] = [0.7, 0.3];

const formOf = (red: string, black: string, phase: string | undefined): AnswerForm => ({
  kind: 'choice',
  field: 'lights',
  options: ANSWERS.map((id) => ({ id, says: { message: 'lights', data: { lights: id === 'yes' } } })),
  subject: { type: 'lamp', red, black, ...(phase === undefined ? {} : { phase }) },
});

/** The same two points with a meter that loads as a lamp does. */
const asVolts = ({ red, black, phase }: LampQuestion): VoltsQuestion => ({
  kind: 'volts',
  red,
  black,
  phase,
  input: 'low-impedance',
});

/** Chance that a lamp made for these wires lights. */
function chanceOfLight(model: Model, q: LampQuestion, p: Prediction): number | undefined {
  if (p.kind === 'ghost') return 0;
  if (p.kind === 'unsteady') return 0.5;
  if (p.kind !== 'volts') return undefined;
  const rated = Math.max(...[q.red, q.black].filter((n) => n !== model.ground).map((n) => model.ratedVolts[n]!));
  const at = (value: number): number => Math.min(1, Math.max(0, (value / rated - DARK) / (LIGHTS - DARK)));
  return p.shorter ? (1 - p.shorter.share) * at(p.volts) + p.shorter.share * at(p.shorter.value) : at(p.volts);
}

export const lamp: QuestionKind<LampQuestion, LampObservation, typeof body> = {
  kind: 'lamp',
  weighs: 'look',
  body,
  key: (model, q) => `lamp ${volts.key(model, asVolts(q))}`,
  answers: () => [],
  // Volts tell more in the same time: it is kept when somebody has only that, and never proposed.
  offers: () => [],
  cost: (model, q) => volts.cost(model, asVolts(q)),
  cautions: (model, q) => volts.cautions!(model, asVolts(q)),
  predict: (model, lived, q) => volts.predict(model, lived, asVolts(q)),
  fit: (model, o, prediction) => {
    const chance = chanceOfLight(model, o, prediction);
    const fit = chance === undefined ? 0 : o.lights ? chance : 1 - chance;
    return { fit, base: 0.5, blunder: ASSUMED.misreadVolts };
  },
  place: volts.place,
  sameOutcome: (model, q) => (a, b) => chanceOfLight(model, q, a) === chanceOfLight(model, q, b),
  coarse: (model, q, p) => `${(chanceOfLight(model, q, p) ?? 0) >= 0.5}`,
  observe: (model, q, p) => {
    const chance = chanceOfLight(model, q, p);
    return chance === undefined ? undefined : { ...q, lights: chance >= 0.5 };
  },
  report: (model, { observation, truth }, { random }) => {
    const chance = chanceOfLight(model, observation, truth);
    return chance === undefined ? observation : { ...observation, lights: random.next() < chance };
  },
  isRelevantTo: (model, part, q) => probesReach(model, part, asVolts(q)),
  subject: (model, q) => lamp.form(model, q).subject,
  form: (model, q) =>
    formOf(model.nets[q.red]!, model.nets[q.black]!, q.phase === AS_IT_STANDS ? undefined : model.phases[q.phase]!.id),
  read: (model, given) => {
    const at = probesNamed(model, given);
    if (typeof at === 'string') return problem(at);
    const phase = stepNamed(model, given.phase);
    if (typeof phase === 'string') return problem(phase);
    if (voltsRangeOf(model, at).top < LEAST_VOLTS)
      return problem('no lamp lights on millivolts: read them with a meter');
    return observed({ kind: 'lamp', ...at, phase, lights: given.lights === 'yes' });
  },
  readLine: (names, words, step) => {
    const said = words.map((w) => w.toLowerCase());
    if (!said.includes('lamp')) return undefined;
    const nets = words.filter((w) => names.nets.some((n) => n.toLowerCase() === w.toLowerCase()));
    const [red, black = names.blacks[red ?? '']] = nets.map((w) =>
      names.nets.find((n) => n.toLowerCase() === w.toLowerCase())!,
    );
    if (red === undefined || black === undefined)
      return { ok: false, message: 'Name the two points the lamp was put to: lamp lit R C' };
    const lit = said.some((w) => LIT.has(w));
    const dark = said.some((w) => UNLIT.has(w));
    if (lit === dark)
      return { ok: false, message: `Did it light? lamp lit ${red} ${black}, or lamp dark ${red} ${black}` };
    return answered(formOf(red, black, step), dark ? 'no' : 'yes');
  },
  readCase: (fields, value, path) => {
    const map = fields.map(value, path, '{red, black, lights, phase}');
    fields.only(map, path, ['red', 'black', 'lights', 'phase']);
    const phase = map['phase'] === undefined ? {} : { phase: fields.text(map, 'phase', path) };
    const lights = readYesNo(fields, map['lights'] ?? null, [...path, 'lights']);
    const [red, black] = [fields.text(map, 'red', path), fields.text(map, 'black', path)];
    return lights === 'unclear' ? [] : [{ type: 'lamp', red, black, ...phase, lights }];
  },
  asked: (model, q) => {
    const asked = volts.asked(model, asVolts(q));
    if (asked.message !== 'measure-volts') return asked;
    const { red, black, step } = asked.data;
    return { message: 'put-a-lamp', data: { red, black, step } };
  },
  title: (model, q) => ({ message: 'lamp', data: titled(model, q) }),
  observed: (model, o) => ({ message: 'lamp-lights', data: { ...titled(model, o), lights: o.lights } }),
  expected: (model, q, p) => ({ message: 'lights', data: { lights: (chanceOfLight(model, q, p) ?? 0) >= 0.5 } }),
};

/** Below so many volts of its range no lamp is made. */
const LEAST_VOLTS = 5;

const LIT: ReadonlySet<string> = new Set(['lit', 'lights', 'bright', 'on']);
const UNLIT: ReadonlySet<string> = new Set(['dark', 'off', 'out', 'unlit']);

const titled = (model: Model, q: LampQuestion) => ({
  red: nameOf(model, q.red),
  black: nameOf(model, q.black),
  step: q.phase === AS_IT_STANDS ? undefined : model.phases[q.phase]!.title,
});
