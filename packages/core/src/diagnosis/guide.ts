import { measureVolts } from '../circuit';
import { NORMAL_SETUP, type Interval, type Trace } from '../sequence';
import { formatQuantity, type UnitSystem } from '../units';
import type { Engine } from './engine';
import type { Hypothesis } from './hypothesis';
import type { Episode, Question } from './observation';
import type { Prediction } from './predict';
import { OUTCOME_WORDS, partWords, predictionWords } from './wording';

/** Everything a technician would want to read about an appliance, in words. */
export interface Guide {
  readonly phases: readonly {
    readonly id: string;
    readonly title: string;
    readonly ask: string;
    readonly unwanted: boolean;
    /** Seconds after the call at which a sound appliance gets here. */
    readonly at: number | undefined;
  }[];
  /** What a meter shows on a sound appliance at every step, in the order of the wiring. */
  readonly points: readonly {
    readonly net: string;
    readonly reach: string;
    readonly black: string;
    readonly line: boolean;
    /** By step; nothing for steps at which nobody reads volts. */
    readonly good: readonly string[];
  }[];
  readonly deadTests: readonly { readonly part: string; readonly limits: string }[];
  readonly gauges: readonly { readonly title: string; readonly how: string; readonly good: string }[];
  readonly faults: readonly FaultGuide[];
  readonly codes: readonly { readonly id: string; readonly title: string }[];
  readonly cautions: readonly string[];
}

export interface FaultGuide {
  readonly id: string;
  readonly words: string;
  readonly repair: string;
  /** Share of all faults before anything is known. */
  readonly share: number;
  /** How it differs from a sound appliance for somebody who only watches and listens. */
  readonly signature: readonly string[];
}

const NORMAL: readonly Episode[] = [{ setup: NORMAL_SETUP, repaired: [] }];

/** Writes the guide of an appliance: predictions of the sound one, and what each fault would look like. */
export function guideOf(engine: Engine, units: UnitSystem): Guide {
  const { model } = engine;
  const sound = (q: Question): string =>
    predictionWords(model, q, engine.traces.predict(engine.healthy.faults, NORMAL, q), units);
  const healthy = engine.traces.last(engine.healthy.faults, NORMAL).trace;
  const ohms = (value: number): string => formatQuantity(value, 'resistance', units);
  const ordered = model.rungs.flatMap((r) => r.items.flatMap((i) => ('net' in i ? [i.net] : [])));
  const points = [...new Set(ordered)].flatMap((net) => model.points.filter((p) => p.net === net));
  return {
    phases: model.phases.map(({ index, id, title, ask, unwanted }) => {
      const first = healthy.cues[index]![0];
      return { id, title, ask, unwanted, at: first && first.from / 1000 };
    }),
    points: points.map((p) => ({
      net: model.nets[p.net]!,
      reach: p.reach,
      black: model.nets[p.black]!,
      line: p.line,
      good: model.phases.map((phase) => {
        const q: Question = { kind: 'volts', red: p.net, black: p.black, phase: phase.index, input: 'high-impedance' };
        const first = healthy.cues[phase.index]![0];
        return first ? predictionWords(model, q, snapshot(healthy, q, first), units) : '–';
      }),
    })),
    deadTests: model.parts.flatMap((part) =>
      part.testOnly
        ? []
        : part.kind.deadTests(part.spec).map((d) => ({
            part: partWords(part, d.branch),
            limits:
              d.high === Infinity
                ? `more than ${ohms(d.low)}`
                : d.low === 0
                  ? `up to ${ohms(d.high)} when closed`
                  : `${ohms(d.low)} to ${ohms(d.high)}`,
          })),
    ),
    gauges: model.gauges.map((g, i) => ({ title: g.title, how: g.how, good: sound({ kind: 'gauge', gauge: i }) })),
    faults: engine.hypotheses
      .filter((h) => h.kind === 'fault' && h.occurs === 1)
      .map((h) => ({
        id: h.id,
        words: h.words,
        repair: h.repair,
        share: h.prior,
        signature: signatureWords(engine, h),
      }))
      .sort((a, b) => b.share - a.share),
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

/** What somebody would see, hear and read off the status light under a fault, where it differs from a sound appliance. */
function signatureWords(engine: Engine, h: Hypothesis): string[] {
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
  if (model.codes.length > 0 && trace.code !== healthy.code)
    words.push(trace.code === 'dark' ? 'status light dark' : trace.code === 'none' ? 'no code' : `code ${trace.code}`);
  model.looks.forEach((look, index) => {
    const q: Question = { kind: 'look', look: index };
    const own = engine.traces.predict(h.faults, NORMAL, q);
    const good = engine.traces.predict(engine.healthy.faults, NORMAL, q);
    if (own.kind === 'choice' && good.kind === 'choice' && own.answer !== good.answer && own.answer >= 0)
      words.push(`${look.ask} ${look.answers[own.answer]!.title}`);
  });
  return words;
}

/** One thing looked for: a voltage at a point, or none there. */
export interface Sought {
  readonly net: string;
  /** Volts; 0 for nothing. */
  readonly volts: number;
}

/** Where what is sought can be: a step, and the faults under which it is there (none for a sound appliance). */
export interface Found {
  readonly phase: string;
  readonly sound: boolean;
  readonly faults: readonly { readonly words: string; readonly share: number }[];
}

/** Reads "26 V on TH, nothing on SP": every clause names a point and what stands there. */
export function parseSought(text: string): Sought[] | undefined {
  const clauses = text
    .split(/,|;|\band\b|\bbut\b/i)
    .map((c) => c.trim())
    .filter((c) => c !== '');
  const sought = clauses.map((clause): Sought | undefined => {
    const dead = /^(?:nothing|no volts|dead|none|zero)\s+(?:on|at)\s+([\w-]+)$/i.exec(clause);
    if (dead) return { net: dead[1]!, volts: 0 };
    const live = /^([\d.]+)\s*(m?)v(?:\s*(?:ac|dc))?\s+(?:on|at)\s+([\w-]+)$/i.exec(clause);
    if (live) return { net: live[3]!, volts: Number(live[1]) * (live[2] === '' ? 1 : 0.001) };
    return undefined;
  });
  return sought.length > 0 && sought.every((s) => s !== undefined) ? sought : undefined;
}

/** Share by which a voltage may differ from what is sought; below this share of the rated volts a wire is dead. */
const NEAR = 0.12;
const DEAD = 0.06;

/** The steps at which an appliance, sound or with one fault, shows all that is sought; nothing when it lacks the points. */
export function findReadings(engine: Engine, sought: readonly Sought[]): Found[] {
  const { model } = engine;
  const points = sought.map((s) => {
    const net = model.nets.findIndex((n) => n.toLowerCase() === s.net.toLowerCase());
    return { net, volts: s.volts, black: model.points.find((p) => p.net === net)?.black };
  });
  if (points.some((p) => p.net < 0 || p.black === undefined)) return [];
  const hypotheses = engine.hypotheses.filter((h) => h.kind === 'healthy' || (h.kind === 'fault' && h.occurs === 1));
  return model.phases
    .filter((p) => p.probe)
    .map((phase) => {
      const shows = hypotheses.filter((h) =>
        points.every(({ net, black, volts }) => {
          const q: Question = { kind: 'volts', red: net, black: black!, phase: phase.index, input: 'high-impedance' };
          const p = engine.traces.predict(h.faults, NORMAL, q);
          if ('absent' in p && p.absent) return false;
          const read = p.kind === 'volts' ? p.volts : p.kind === 'ghost' ? 0 : undefined;
          if (read === undefined) return false;
          const rated = model.ratedVolts[net]!;
          return volts === 0 ? read < DEAD * rated : Math.abs(read - volts) <= NEAR * Math.max(volts, read);
        }),
      );
      return {
        phase: phase.title,
        sound: shows.some((h) => h.kind === 'healthy'),
        faults: shows
          .filter((h) => h.kind === 'fault')
          .sort((a, b) => b.prior - a.prior)
          .map((h) => ({ words: h.words, share: h.prior })),
      };
    })
    .filter((f) => f.sound || f.faults.length > 0);
}
