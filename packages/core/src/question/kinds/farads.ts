import type * as t from '@sinclair/typebox';
import { deadTestsIn } from '../../parts';
import type { PartIndex } from '../../profile';
import { findPart, unknownName } from '../../profile';
import { failureModeOf, specUnder } from '../../simulation';
import { ASSUMED } from '../../standards';
import { type Reading, readingValue } from '../../units';
import { answered, type AnswerForm } from '../answer-form';
import { bodyOf, judgedFields, name, readingFields } from '../body-fields';
import { coarseNumber, fitNumber, sameNumber } from '../fit';
import { NOTHING_MORE } from '../messages';
import { observed, problem } from '../named';
import type { Prediction } from '../prediction';
import type { QuestionKind } from '../question-kind';
import { INSTRUMENTS } from '../simulated-hand';
import { caseReading } from './readings';

/** Microfarads of a capacitor: power off, discharged, one side off. */
export interface FaradsQuestion {
  readonly kind: 'farads';
  readonly part: PartIndex;
}
export interface FaradsObservation extends FaradsQuestion {
  readonly reading: Reading;
}

const DIMENSION = 'capacitance';
const body = bodyOf('farads', { part: name, ...readingFields, ...judgedFields });
const ERROR = { floor: ASSUMED.capacitanceFloor, zero: 0 };

const formOf = (part: string): AnswerForm => ({
  kind: 'reading',
  dimension: DIMENSION,
  subject: { type: 'farads', part },
});

export const farads: QuestionKind<FaradsQuestion, FaradsObservation, typeof body> = {
  kind: 'farads',
  weighs: 'reading',
  body,
  key: (model, q) => `farads ${model.parts[q.part]!.id}`,
  answers: () => [],
  offers: (model) =>
    model.parts.flatMap((part) =>
      deadTestsIn(part, DIMENSION).map(() => ({
        question: { kind: 'farads', part: part.index } as const,
        minutes: part.minutes,
        line: false,
        walk: 'dead' as const,
      })),
    ),
  cost: (model, q) => ({ minutes: model.parts[q.part]!.minutes, line: false }),
  deadTest: (model, q) => deadTestsIn(model.parts[q.part]!, DIMENSION)[0],
  preparation: (model, q) => `isolated ${model.parts[q.part]!.id}`,
  cautions: (model, q) => ({ applies: ['ohms'], own: model.parts[q.part]!.caution }),
  predict: (model, { faults }, q) => {
    const part = model.parts[q.part]!;
    const mode = failureModeOf(part, faults);
    const spec = specUnder(part, mode);
    // What is open holds no charge.
    const holds = part.kind.electrical(spec, part.kind.states[0]!, mode?.id, '', 'ac').type !== 'open';
    return {
      kind: 'number',
      value: holds ? (spec[FIELD] as number) : 0,
      tolerance: part.kind.fields[FIELD]?.tolerance ?? 0,
      absent: false,
    };
  },
  fit: (_model, o, prediction, scale) =>
    fitNumber(readingValue(o.reading), prediction, scale, ERROR, ASSUMED.misreadGauge),
  numberError: () => ERROR,
  place: (p) => (p.kind === 'number' ? p.value : 3e6),
  sameOutcome: () => (a: Prediction, b: Prediction) => sameNumber(a, b, ERROR),
  coarse: (_model, _q, p) => coarseNumber(p),
  observe: (_model, q, p) =>
    p.kind === 'number' ? { ...q, reading: { kind: 'value', value: p.value, dimension: DIMENSION } } : undefined,
  report: (_model, { observation }, { random }) => {
    const { reading } = observation;
    if (reading.kind !== 'value') return observation;
    return {
      ...observation,
      reading: { ...reading, value: reading.value * (1 + INSTRUMENTS.gaugeShare * random.normal()) },
    };
  },
  isRelevantTo: (_model, part, q) => part.index === q.part,
  subject: (model, q) => formOf(model.parts[q.part]!.id).subject,
  form: (model, q) => formOf(model.parts[q.part]!.id),
  read: (model, given) => {
    const part = findPart(model, given.part);
    const capacitors = model.parts.filter((p) => deadTestsIn(p, DIMENSION).length > 0);
    if (!part || !capacitors.includes(part))
      return problem(
        unknownName(
          'capacitor',
          given.part,
          capacitors.map((p) => p.id),
        ),
      );
    if (given.reading.dimension !== DIMENSION) return problem(`a capacitor is in microfarads; "${given.typed}" is not`);
    return observed({ kind: 'farads', part: part.index, reading: given.reading });
  },
  readLine: ({ capacitors }, words) => {
    const said = words.map((w) => w.toLowerCase());
    const part = said.find((w) => capacitors.includes(w));
    if (part === undefined) return undefined;
    return answered(formOf(part), words.filter((_, i) => said[i] !== part).join(' '));
  },
  readCase: (fields, value, path) => {
    const map = fields.map(value, path, '{part, value}');
    fields.only(map, path, ['part', 'value']);
    return [
      caseReading<t.Static<typeof body>>(
        fields,
        map['value'],
        [...path, 'value'],
        formOf(fields.text(map, 'part', path)),
      ),
    ];
  },
  asked: (model, q) => ({ message: 'measure-dead', data: subjectOf(model.parts[q.part]!.title) }),
  title: (model, q) => ({ message: 'dead', data: subjectOf(model.parts[q.part]!.title) }),
  observed: (model, o) => ({
    message: 'read',
    data: { title: farads.title(model, o), reading: o.reading, dial: DIAL },
  }),
  expected: (_model, _q, p) =>
    p.kind === 'number'
      ? { message: 'number', data: { value: p.value, dimension: DIMENSION, dial: DIAL } }
      : { message: 'never', data: NOTHING_MORE },
};

/** The field of its specification that is measured. */
const FIELD = 'farads';
/** It is shown in microfarads, whatever it is. */
const DIAL = { scale: 5e-6 };

const subjectOf = (part: string) => ({ part, branch: '', dimension: DIMENSION }) as const;
