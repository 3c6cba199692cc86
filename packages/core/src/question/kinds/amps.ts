import * as t from '@sinclair/typebox';
import type { Branch, Model, Part, PhaseIndex } from '../../profile';
import { AS_IT_STANDS } from '../../profile';
import { ASSUMED } from '../../standards';
import { type Reading, readingValue } from '../../units';
import { answered, type AnswerForm } from '../answer-form';
import { bodyOf, branchName, judgedFields, name, oneOf, readingFields } from '../body-fields';
import { coarseNumber, fitNumber, type NumberError, sameNumber } from '../fit';
import { NOTHING_MORE } from '../messages';
import { momentFields } from '../moment';
import { observed, problem, stepNamed } from '../named';
import { lasting, readable } from '../observed-stretch';
import type { Prediction } from '../prediction';
import type { Cost, Offer, QuestionKind } from '../question-kind';
import { INSTRUMENTS } from '../simulated-hand';
import { ampsIn } from '../standing-amps';
import { caseReading } from './readings';
import { namedPassage, type Passage } from './passage';

/** Amperes through a part while a phase lasts, by a clamp round one of its wires. */
export interface AmpsQuestion extends Passage {
  readonly kind: 'amps';
  /** -1 for the state in which the appliance ends up. */
  readonly phase: PhaseIndex;
}
export interface AmpsObservation extends AmpsQuestion {
  /** What went through the wire, whatever the clamp showed. */
  readonly reading: Reading;
  /** How often the wire went through the jaw. */
  readonly turns: number;
}

/** What a clamp can: the common one sees alternating current only. */
const CLAMPS = ['ac', 'dc'] as const;
/** Wire is looped through the jaw this often at most. */
const MOST_TURNS = 50;

const body = bodyOf('amps', {
  part: name,
  branch: t.Optional(branchName),
  phase: t.Optional(name),
  turns: t.Optional(t.Integer({ minimum: 1, maximum: MOST_TURNS })),
  clamp: t.Optional(oneOf(CLAMPS)),
  ...readingFields,
  ...judgedFields,
  ...momentFields,
});
type AmpsBody = t.Static<typeof body>;

const DIMENSION = 'current';
/** Minutes of a clamp round a wire that is in reach. */
const CLAMP_MINUTES = 1.5;

const formOf = (part: string, branch: string | undefined, phase: string | undefined): AnswerForm => ({
  kind: 'reading',
  dimension: DIMENSION,
  subject: {
    type: 'amps',
    part,
    ...(branch === undefined ? {} : { branch }),
    ...(phase === undefined ? {} : { phase }),
  },
});

/** A tenfold loop shows ten times the current: what the display cannot tell is a tenth. */
const errorOf = (turns: number): NumberError => ({ floor: ASSUMED.clampFloor / turns, zero: 0 });

const branchOf = (model: Model, q: Passage): Branch => model.parts[q.part]!.branches.find((b) => b.name === q.branch)!;

export const amps: QuestionKind<AmpsQuestion, AmpsObservation, typeof body> = {
  kind: 'amps',
  weighs: 'reading',
  body,
  key: (model, q) => {
    const { id } = model.parts[q.part]!;
    const phase = q.phase === AS_IT_STANDS ? 'end' : model.phases[q.phase]!.id;
    return `amps ${id}${q.branch === '' ? '' : `.${q.branch}`} ${phase}`;
  },
  answers: () => [],
  offers,
  cost: (model, q) => costOf(model, branchOf(model, q)),
  predict: (model, { trace }, q) => {
    const part = model.parts[q.part]!;
    const branch = branchOf(model, q);
    const window = q.phase === AS_IT_STANDS ? undefined : readable(trace.windows[q.phase]!);
    const value = ampsIn(model, trace, branch, window ?? lasting(trace));
    return {
      kind: 'number',
      value,
      tolerance: toleranceOf(part),
      absent: q.phase !== AS_IT_STANDS && window === undefined,
    };
  },
  fit: (_model, o, prediction, scale) =>
    fitNumber(Math.abs(readingValue(o.reading)), prediction, scale, errorOf(o.turns), ASSUMED.misreadGauge),
  numberError: () => errorOf(1),
  place: (p) => (p.kind === 'number' ? p.value : 3e6),
  sameOutcome: () => (a: Prediction, b: Prediction) => sameNumber(a, b, errorOf(1)),
  coarse: (_model, _q, p) => coarseNumber(p),
  observe: (_model, q, p) =>
    p.kind === 'number'
      ? { ...q, turns: 1, reading: { kind: 'value', value: p.value, dimension: DIMENSION } }
      : undefined,
  report: (_model, { observation }, { random }) => {
    const { reading } = observation;
    if (reading.kind !== 'value') return observation;
    const value = reading.value * (1 + INSTRUMENTS.gaugeShare * random.normal()) + INSTRUMENTS.amps * random.normal();
    return { ...observation, reading: { ...reading, value: Math.max(0, value) } };
  },
  isRelevantTo: (_model, part, q) => part.index === q.part,
  subject: (model, q) => amps.form(model, q).subject,
  form: (model, q) =>
    formOf(
      model.parts[q.part]!.id,
      q.branch === '' ? undefined : q.branch,
      q.phase === AS_IT_STANDS ? undefined : model.phases[q.phase]!.id,
    ),
  read: (model, given) => {
    const at = namedPassage(model, given);
    if (typeof at === 'string') return problem(at);
    const phase = stepNamed(model, given.phase);
    if (typeof phase === 'string') return problem(phase);
    if (given.reading.dimension !== DIMENSION) return problem(`a clamp reads amperes; "${given.typed}" is not`);
    // It reads 0 there whatever flows: nothing is learnt, and nothing may be condemned by it.
    if (branchOf(model, at).frequency === 'dc' && given.clamp !== 'dc') return { kind: 'nothing' };
    const turns = given.turns ?? 1;
    return observed({ kind: 'amps', ...at, phase, turns, reading: perTurn(given.reading, turns) });
  },
  readLine: ({ parts, clamped }, words, step) => {
    const said = words.map((w) => w.toLowerCase());
    const part = said.find((w) => clamped.includes(w));
    if (part === undefined || !said.some((w) => AMPERES.test(w))) return undefined;
    const passages = parts[part]!;
    const branch = passages.length > 1 ? said.find((w) => w !== part && passages.includes(w)) : undefined;
    if (passages.length > 1 && branch === undefined)
      return {
        ok: false,
        message: `Round which wire: ${passages.join(', ')}? Add it: ${words.join(' ')} ${passages[0]}`,
      };
    const turns = said.map((w) => TURNS.exec(w)?.[1]).find((n) => n !== undefined);
    const clamp = said.includes('dc') ? 'dc' : said.includes('ac') ? 'ac' : undefined;
    const rest = words.filter(
      (_, i) => said[i] !== part && said[i] !== branch && !TURNS.test(said[i]!) && !['ac', 'dc'].includes(said[i]!),
    );
    const read = answered<AmpsBody>(formOf(part, branch, step), rest.join(' '));
    if (!read.ok) return read;
    if (turns !== undefined && (Number(turns) < 1 || Number(turns) > MOST_TURNS))
      return { ok: false, message: `The wire goes through the jaw once to ${MOST_TURNS} times: 4.2A x10 ${part}` };
    return {
      ok: true,
      value: {
        ...read.value,
        ...(turns !== undefined && { turns: Number(turns) }),
        ...(clamp !== undefined && { clamp }),
      },
    };
  },
  readCase: (fields, value, path) => {
    const map = fields.map(value, path, '{part, value, phase}');
    fields.only(map, path, ['part', 'branch', 'value', 'phase', 'turns', 'clamp']);
    const named = (field: string): string | undefined =>
      map[field] === undefined ? undefined : fields.text(map, field, path);
    const form = formOf(fields.text(map, 'part', path), named('branch'), named('phase'));
    return [
      {
        ...caseReading<AmpsBody>(fields, map['value'], [...path, 'value'], form),
        ...(map['turns'] !== undefined && { turns: fields.number(map, 'turns', path, 1) }),
        ...(map['clamp'] !== undefined && { clamp: fields.choice(map, 'clamp', path, CLAMPS) }),
      },
    ];
  },
  asked: (model, q) => ({
    message: 'measure-amps',
    data: { ...titled(model, q), direct: branchOf(model, q).frequency === 'dc' },
  }),
  title: (model, q) => ({ message: 'amps', data: titled(model, q) }),
  observed: (model, o) => ({ message: 'read', data: { title: amps.title(model, o), reading: o.reading, dial: {} } }),
  expected: (_model, _q, p) =>
    p.kind === 'number'
      ? { message: 'number', data: { value: p.value, dimension: DIMENSION, dial: {} } }
      : { message: 'never', data: NOTHING_MORE },
};

const AMPERES = /^[<>~]?[\d.,–-]*\s*m?(a|amp|amps|ampere|amperes)$/;
const TURNS = /^[x×](\d+)$/;

const titled = (model: Model, q: AmpsQuestion) => ({
  part: model.parts[q.part]!.title,
  branch: q.branch,
  step: q.phase === AS_IT_STANDS ? undefined : model.phases[q.phase]!.title,
});

/** Sound ones differ by what their ohms do, and by what feeds them. */
const toleranceOf = (part: Part): number =>
  Math.hypot(ASSUMED.clampedWithin, ...Object.values(part.kind.fields).map((f) => f.tolerance ?? 0));

/** The jaw stays outside the insulation, but the hand is where line voltage is. */
const costOf = (model: Model, { a, b }: Branch): Cost => ({
  minutes: CLAMP_MINUTES,
  line: model.levels[a] === 'line' || model.levels[b] === 'line',
});

/** What went through the wire when it was looped through the jaw several times. */
export function perTurn(reading: Reading, turns: number): Reading {
  if (reading.kind === 'open') return reading;
  return reading.kind === 'value'
    ? { ...reading, value: reading.value / turns }
    : { ...reading, low: reading.low / turns, high: reading.high / turns };
}

/** Parts that are judged by what they draw, at the steps that show them act; on alternating current, where any clamp sees it. */
function offers(model: Model): Offer<AmpsQuestion>[] {
  return model.parts.flatMap((part) => {
    const [branch] = part.branches;
    if (!part.kind.clamped || branch?.frequency !== 'ac') return [];
    const shown = model.phases.filter((p) => p.probe && !p.unwanted && p.cue.parts.includes(part.index));
    return shown.map(({ index }) => ({
      question: { kind: 'amps', part: part.index, branch: branch.name, phase: index } as const,
      ...costOf(model, branch),
      walk: 'gauges' as const,
    }));
  });
}
