import type { Millis } from '../units';
import { measureVolts } from '../circuit';
import type { Engine } from '../diagnosis';
import { type Hypothesis, waysOfFailing } from '../inference';
import type { DeadTest } from '../parts';
import { asUsual, type Prediction, type Question } from '../question';
import { FIRST_EPISODE, type Interval, type Trace } from '../simulation';
import { OUTCOME_WORDS } from './fixed-words';
import { predictionWords } from './question-words';
import { quantityWords, type Reader } from './reader';
import { type RunCurve, runCurves } from './run-curves';
import { partWords } from './say';

/** Everything a technician would want to read about an appliance, in words. */
export interface Guide {
  readonly phases: readonly {
    readonly id: string;
    readonly title: string;
    readonly ask: string;
    readonly unwanted: boolean;
    /** How long after the call a sound appliance gets here. */
    readonly at: Millis | undefined;
  }[];
  /** What a meter shows on a sound appliance at every step, in the order of the wiring. */
  readonly points: readonly {
    readonly net: string;
    readonly reach: string;
    readonly black: string;
    readonly line: boolean;
    /** By step; nothing for steps that a sound appliance never reaches. */
    readonly good: readonly (string | undefined)[];
  }[];
  readonly deadTests: readonly {
    readonly part: string;
    readonly limits: string;
    /** Something that should pass, rather than a value to look up. */
    readonly closedContact: boolean;
  }[];
  readonly gauges: readonly { readonly title: string; readonly how: string; readonly good: string }[];
  readonly faults: readonly FaultGuide[];
  /** How what is measured goes through a run of a sound appliance. */
  readonly curves: readonly RunCurve[];
  readonly codes: readonly { readonly id: string; readonly title: string }[];
  readonly cautions: readonly string[];
}

interface FaultGuide {
  readonly id: string;
  readonly words: string;
  readonly repair: string;
  /** Share of all faults before anything is known. */
  readonly share: number;
  /** The first step that does not come; nothing where every step comes. */
  readonly breaksAt: string | undefined;
  /** What it does then: how a run ends, and what the light shows. */
  readonly then: string;
  /** How it differs from a sound appliance for somebody who only watches and listens. */
  readonly signature: readonly string[];
}

const NORMAL = [FIRST_EPISODE];

/** Writes the guide of an appliance: predictions of the sound one, and what each fault would look like. */
export function guideOf(engine: Engine, reader: Reader): Guide {
  const { model } = engine;
  const sound = (q: Question): string =>
    predictionWords(model, q, engine.traces.predict(engine.healthy.faults, NORMAL, q), reader);
  const healthy = engine.traces.last(engine.healthy.faults, NORMAL).trace;
  const ordered = model.rungs.flatMap((r) => r.items.flatMap((i) => ('net' in i ? [i.net] : [])));
  const points = [...new Set(ordered)].flatMap((net) => model.points.filter((p) => p.net === net));
  return {
    phases: model.phases.map(({ index, id, title, ask, unwanted }) => {
      const first = healthy.cues[index]![0];
      return { id, title, ask, unwanted, at: first && first.from };
    }),
    points: points.map((p) => ({
      net: model.nets[p.net]!,
      reach: p.reach,
      black: model.nets[p.black]!,
      line: p.line,
      good: model.phases.map((phase) => {
        const q = asUsual(model, { red: p.net, black: p.black, phase: phase.index });
        const first = healthy.cues[phase.index]![0];
        return first ? predictionWords(model, q, snapshot(healthy, q, first), reader) : undefined;
      }),
    })),
    deadTests: model.parts.flatMap((part) =>
      part.testOnly
        ? []
        : part.kind.deadTests(part.spec).map((d) => ({
            part: partWords(part.title, d.branch),
            closedContact: d.closedContact === true,
            limits: soundWords(d, reader),
          })),
    ),
    gauges: model.gauges.map((g, i) => ({ title: g.title, how: g.how, good: sound({ kind: 'gauge', gauge: i }) })),
    faults: waysOfFailing(engine.hypotheses.filter((h) => h.kind === 'fault' && h.occurs === 1)).map(
      ({ hypothesis: h, weight }) => ({
        id: h.id,
        words: h.words,
        repair: h.repair,
        share: weight,
        ...sightOf(engine, h),
      }),
    ),
    curves: runCurves(model, healthy, reader),
    codes: model.codes,
    cautions: model.cautions.map((c) => c.text),
  };
}

/** How long after a step has come its reading is taken, milliseconds. */
const SETTLED = 1500;

/** What the meter shows as soon as a step has come and things have settled. */
function snapshot(trace: Trace, q: Extract<Question, { kind: 'volts' }>, step: Interval): Prediction {
  const at = Math.min(step.from + SETTLED, (step.from + step.to) / 2);
  const { circuit } = trace.circuits.find((c) => c.from <= at && at <= c.to)!;
  const read = measureVolts(circuit.solution, q.red, q.black, q.input);
  return read.kind === 'ghost' ? { kind: 'ghost', absent: false } : { kind: 'volts', volts: read.volts, absent: false };
}

/** What somebody would see, hear and read off the status light under a fault, and where it differs from a sound appliance. */
function sightOf(engine: Engine, h: Hypothesis): Pick<FaultGuide, 'breaksAt' | 'then' | 'signature'> {
  const { model } = engine;
  const healthy = engine.traces.last(engine.healthy.faults, NORMAL).trace;
  const { trace } = engine.traces.last(h.faults, NORMAL);
  const words: string[] = [];
  if (trace.outcome !== healthy.outcome) words.push(OUTCOME_WORDS[trace.outcome]);
  const first = model.phases.find(
    (p) => !p.unwanted && healthy.cues[p.index]!.length > 0 && trace.cues[p.index]!.length === 0,
  );
  if (first) words.push(`breaks off before “${first.title}”`);
  for (const p of model.phases)
    if (p.unwanted && trace.cues[p.index]!.length > 0 && healthy.cues[p.index]!.length === 0) words.push(p.title);
  const light = model.codes.length > 0 && trace.code !== healthy.code ? lightWords(trace.code) : undefined;
  if (light !== undefined) words.push(light);
  model.looks.forEach((look, index) => {
    const q: Question = { kind: 'look', look: index };
    const own = engine.traces.predict(h.faults, NORMAL, q);
    const good = engine.traces.predict(engine.healthy.faults, NORMAL, q);
    if (own.kind === 'choice' && good.kind === 'choice' && own.answer !== good.answer && own.answer >= 0)
      words.push(`${look.ask} ${look.answers[own.answer]!.title}`);
  });
  return {
    breaksAt: first?.id,
    then: [OUTCOME_WORDS[trace.outcome], ...(light === undefined ? [] : [light])].join(', '),
    signature: words,
  };
}

const lightWords = (code: string): string =>
  code === 'dark' ? 'status light dark' : code === 'none' ? 'no code' : `code ${code}`;

/** What a sound part shows in a dead test. */
function soundWords({ low, high, dimension = 'resistance' }: DeadTest, reader: Reader): string {
  const words = (value: number): string => quantityWords(value, dimension, reader);
  if (high === Infinity) return `more than ${words(low)}`;
  return low === 0 ? `up to ${words(high)} when closed` : `${words(low)} to ${words(high)}`;
}
