import type * as t from '@sinclair/typebox';
import type { Model, NetIndex } from '../../profile';
import { ASSUMED } from '../../standards';
import type { Reading } from '../../units';
import { answered, type AnswerForm } from '../answer-form';
import { bodyOf, name, readingFields } from '../body-fields';
import { ohmsBetween } from '../dead-circuit';
import { coarseOhms, fitOhms, ohmsRead, reportOhms, sameOhms } from '../fit-ohms';
import { NOTHING_MORE } from '../messages';
import { observed, probesNamed, problem } from '../named';
import type { QuestionKind } from '../question-kind';
import { probesReach } from '../relevance';
import { caseReading } from './readings';
import { nameOf, placeOf } from './volts';

/** Ohms between two points as the appliance is wired, the power off: a terminal to ground, a branch with and without its plug. */
export interface BetweenQuestion {
  readonly kind: 'between';
  readonly red: NetIndex;
  readonly black: NetIndex;
}
export interface BetweenObservation extends BetweenQuestion {
  readonly reading: Reading;
}

const body = bodyOf('between', { red: name, black: name, ...readingFields });
const DIMENSION = 'resistance';
const MINUTES = 1.5;

const formOf = (red: string, black: string): AnswerForm => ({
  kind: 'reading',
  dimension: DIMENSION,
  subject: { type: 'between', red, black },
});

export const between: QuestionKind<BetweenQuestion, BetweenObservation, typeof body> = {
  kind: 'between',
  weighs: 'reading',
  body,
  key: (model, q) => `between ${model.nets[q.red]} ${model.nets[q.black]}`,
  answers: () => [],
  // What is isolated tells more surely: it is kept where somebody goes that way, and never proposed.
  offers: () => [],
  cost: () => ({ minutes: MINUTES, line: false }),
  cautions: () => ({ applies: ['ohms'] }),
  predict: (model, { trace }, q) => {
    const last = trace.segments[trace.segments.length - 1]!;
    return {
      kind: 'ohms',
      ohms: ohmsBetween(model, last.circuit, q.red, q.black),
      tolerance: ASSUMED.asWiredTolerance,
    };
  },
  fit: (_model, o, prediction) => ({ ...fitOhms(o.reading, prediction), blunder: ASSUMED.misreadOhms }),
  place: (p) => (p.kind === 'ohms' ? Math.min(p.ohms, 1e12) : 3e6),
  sameOutcome: () => sameOhms,
  coarse: (_model, _q, p) => coarseOhms(p),
  observe: (_model, q, p) => (p.kind === 'ohms' ? { ...q, reading: ohmsRead(p.ohms) } : undefined),
  report: (_model, { observation, truth }, { random }) => ({
    ...observation,
    reading: reportOhms(observation.reading, truth, random),
  }),
  isRelevantTo: (model, part, q) =>
    probesReach(model, part, { ...q, kind: 'volts', phase: 0 as never, input: 'high-impedance' }),
  subject: (model, q) => between.form(model, q).subject,
  form: (model, q) => formOf(model.nets[q.red]!, model.nets[q.black]!),
  read: (model, given) => {
    const at = probesNamed(model, given);
    if (typeof at === 'string') return problem(at);
    if (given.reading.dimension !== DIMENSION) return problem(`a dead test is in ohms; "${given.typed}" is not`);
    return observed({ kind: 'between', ...at, reading: given.reading });
  },
  readLine: ({ nets, blacks }, words) => {
    const netOf = (w: string) => nets.find((n) => n === w) ?? nets.find((n) => n.toLowerCase() === w.toLowerCase());
    const from = words.findIndex((_, i) => i > 0 && words.slice(i).every((x) => netOf(x) !== undefined));
    if (from < 0 || words.length - from > 2 || !OHMS.test(words.slice(0, from).join(' '))) return undefined;
    const [red, black = blacks[red!]] = words.slice(from).map((w) => netOf(w)!);
    const value = words.slice(0, from).join(' ');
    if (black === undefined) return { ok: false, message: `Ohms to where? Add it: ${value} ${red} C` };
    if (black === red) return { ok: false, message: 'Both probes are on the same point.' };
    return answered(formOf(red!, black), value);
  },
  readCase: (fields, value, path) => {
    const map = fields.map(value, path, '{red, black, value}');
    fields.only(map, path, ['red', 'black', 'value']);
    const form = formOf(fields.text(map, 'red', path), fields.text(map, 'black', path));
    return [caseReading<t.Static<typeof body>>(fields, map['value'], [...path, 'value'], form)];
  },
  asked: (model, q) => ({
    message: 'measure-between',
    data: { red: placeOf(model, q.red), black: placeOf(model, q.black) },
  }),
  title: (model, q) => ({ message: 'between', data: titled(model, q) }),
  observed: (model, o) => ({
    message: 'read',
    data: { title: between.title(model, o), reading: o.reading, dial: {} },
  }),
  expected: (_model, _q, p) =>
    p.kind === 'ohms'
      ? { message: 'ohms', data: { ohms: p.ohms, atTimes: undefined } }
      : { message: 'never', data: NOTHING_MORE },
};

const OHMS = /(ohms?|Ω|^ol|\dk|\dM)\s*$/i;

const titled = (model: Model, q: BetweenQuestion) => ({ red: nameOf(model, q.red), black: nameOf(model, q.black) });
