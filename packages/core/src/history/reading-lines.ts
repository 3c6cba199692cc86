import {
  type BenchTest,
  benchTestOf,
  benchTestOfAmps,
  benchTestOfGauge,
  benchTestsOfVolts,
  COMPONENT_TESTS,
  expanded,
  type InstrumentOfABag,
  INSTRUMENTS_OF_A_BAG,
  keptFor,
  type KeptLimit,
  limitsBefore,
  type Measure,
  offBy,
  type Whose,
  type Zones,
} from '../bench';
import { findPart, type Model } from '../profile';
import {
  type AnswerBody,
  kindOf,
  kindOfBody,
  type Observation,
  QUESTION_KINDS,
  questionKey,
  readAnswer,
} from '../question';
import { type Dimension, readingValue } from '../units';
import type { EventBody } from '../visit';
import type { Moment } from './moment';
import type { Point } from './trend';

/** An entry of one of a machine's calls, with its time. */
export interface MachineEntry extends Moment {
  readonly id: string;
  readonly call: string;
  readonly body: EventBody;
}

/** Entries that may hold a reading. */
export const READING_TYPES: readonly EventBody['type'][] = QUESTION_KINDS.filter(
  (k) => 'reading' in k.body.properties,
).map((k) => k.kind as EventBody['type']);

/** Entries that a machine's history is made of: readings, repairs, and what was recommended. */
export const DATED_TYPES: readonly EventBody['type'][] = [
  ...READING_TYPES,
  'repaired',
  'recommended',
  'recommendation-settled',
];

/** One reading among those of its kind. */
interface DatedReading extends Point {
  readonly call: string;
}

/** A part that was mended or changed. */
interface Change extends Moment {
  readonly part: string;
  readonly action: string;
}

/** Every reading of one kind on one machine, in the order of time. SI. */
export interface ReadingLine {
  readonly key: string;
  /** What was asked, as it was answered last. */
  readonly asked: Observation;
  readonly dimension: Dimension;
  readonly points: readonly DatedReading[];
  /** Where it may lie, and whose limits those are; nothing where the Bench has none. */
  readonly limits: { readonly zones: Zones; readonly whose: Whose; readonly source?: string } | undefined;
  /** What was mended of what it is about. */
  readonly changes: readonly Change[];
}

/**
 * The readings of a machine's calls by what was asked, those with the most readings first. Of each call the last reading counts:
 * as it was left. A part that was changed begins anew with what is read of itself.
 */
export function readingLines(
  model: Model,
  entries: readonly MachineEntry[],
  kept: readonly KeptLimit[] = [],
): ReadingLine[] {
  const volts = benchTestsOfVolts(model);
  const found = new Map<string, Map<string, { readonly at: number; readonly read: Observation }>>();
  const changes: Change[] = [];
  for (const { at, call, body } of [...entries].sort((a, b) => a.at - b.at)) {
    if (body.type === 'repaired') {
      const part = findPart(model, body.part);
      if (part) changes.push({ at, part: part.id, action: body.action });
      // What was read of the old part is not what the new one gives.
      if (part && body.old !== true)
        for (const [key, of] of found)
          if ([...of.values()].some((r) => isOfPart(r.read, part.index))) found.delete(key);
      continue;
    }
    const read = observed(model, body);
    if (!read) continue;
    const key = questionKey(model, read);
    const line = found.get(key) ?? new Map<string, { at: number; read: Observation }>();
    found.set(key, line);
    line.delete(call);
    line.set(call, { at, read });
  }
  return [...found]
    .map(([key, readings]): ReadingLine => {
      const all = [...readings];
      const asked = all[all.length - 1]![1].read;
      const bench = benchOf(model, asked, volts);
      const points = all.map(([call, { at, read }]) => ({ call, at, ...valueOf(read, bench) }));
      const limits = bench && limitsOf(bench, kept);
      const about = changes.filter(({ part }) => {
        const found = findPart(model, part)!;
        return kindOf(asked).isRelevantTo(model, found, asked);
      });
      return { key, asked, dimension: dimensionOf(asked), points, limits, changes: about };
    })
    .sort((a, b) => b.points.length - a.points.length || (a.key < b.key ? -1 : 1));
}

/** The entry as a reading with a size, which OL has not; nothing for every other entry. */
function observed(model: Model, body: EventBody): Observation | undefined {
  if (!kindOfBody(body.type)) return undefined;
  const read = readAnswer(model, body as AnswerBody);
  if (read.kind !== 'observation' || !('reading' in read.observation)) return undefined;
  return Number.isFinite(readingValue(read.observation.reading)) ? read.observation : undefined;
}

type Read = Extract<Observation, { reading: unknown }>;

const dimensionOf = (o: Observation): Dimension => (o as Read).reading.dimension;

/** A dead test and amperes are of a part; a gauge and volts are of the machine. */
const isOfPart = (o: Observation, part: number): boolean => 'part' in o && o.part === part;

const measureOf = ({ test, measure }: BenchTest): Measure =>
  COMPONENT_TESTS.find((t) => t.id === test)!.measures.find((m) => m.id === measure)!;

/** What was read, and how far it may be off: as it was judged, or by the usual instrument. */
function valueOf(o: Observation, bench: BenchTest | undefined): Omit<Point, 'at'> {
  const value = Math.abs(readingValue((o as Read).reading));
  if ('u' in o && o.u !== undefined) return { value, u: o.u };
  const ask = bench && measureOf(bench).asks.find((a) => a.id === bench.reads);
  const instrument = (ask?.kind === 'number' ? ask.instrument : undefined) ?? USUAL[dimensionOf(o)];
  return { value, u: instrument === undefined ? 0 : expanded(offBy(INSTRUMENTS_OF_A_BAG[instrument], value)) };
}

/** With what it is read where the Bench has no test of it. */
const USUAL: Partial<Readonly<Record<Dimension, InstrumentOfABag>>> = {
  resistance: 'ohms',
  voltage: 'volts-ac',
  pressure: 'manometer',
  temperature: 'thermometer',
  time: 'stopwatch',
  capacitance: 'capacitance',
};

function benchOf(model: Model, o: Observation, volts: ReturnType<typeof benchTestsOfVolts>): BenchTest | undefined {
  const dead = kindOf(o).deadTest?.(model, o);
  if (dead) return benchTestOf(dead, model.title);
  switch (o.kind) {
    case 'gauge':
      return benchTestOfGauge(model, model.gauges[o.gauge]!.id);
    case 'amps':
      return benchTestOfAmps(model, model.parts[o.part]!);
    case 'volts':
      return volts[`${model.nets[o.red]} ${model.nets[o.black]}`];
    default:
      return undefined;
  }
}

/** The zones in the unit of what is read, also where what is judged is a share of something. */
function limitsOf(bench: BenchTest, kept: readonly KeptLimit[]): ReadingLine['limits'] {
  const measure = measureOf(bench);
  const around = keptFor(kept, bench.test, measure);
  const held = limitsBefore(measure, bench.typed, bench.limits ? { limits: bench.limits, ...around } : around);
  if (!held) return undefined;
  const { zones, whose, source } = held;
  const of = bench.shareOf ?? 1;
  const scaled = ({ from, to }: Zones['good']): Zones['good'] => ({
    ...(from !== undefined && { from: from * of }),
    ...(to !== undefined && { to: to * of }),
  });
  return {
    zones: { ...zones, good: scaled(zones.good), marginal: scaled(zones.marginal) },
    whose,
    ...(source !== undefined && { source }),
  };
}
