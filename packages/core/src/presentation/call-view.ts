import { byTelephone, type Carried, partsToCarry } from '../analysis';
import { type Assessment, type Engine, standingOf } from '../diagnosis';
import { type Hypothesis, predicts, repairOf } from '../inference';
import type { Model } from '../profile';
import { commonNets, gaugeDial, type Prediction, type Question, voltsDial } from '../question';
import type { Role } from '../rules';
import type { Setup } from '../simulation';
import { LIVE_DEAD, type TestingStandard } from '../standards';
import { type Adjusted, type BreakRecord, type CallState, closingObstacles } from '../visit';
import { draftRecord } from './break-record';
import { explain } from './explain';
import { DANGER_WORDS } from './fixed-words';
import { type LogLine, logOf } from './log-view';
import { sayObstacle } from './obstacle-words';
import { observationWords, predictionBriefly, predictionWords } from './question-words';
import { type Reader, readingWords } from './reader';
import { sayRequirement } from './requirement-words';
import { readingBriefly } from './say';
import { repairWords } from './test-view';

/** What the engine has to say about a call at one moment: plain data. */
export interface CallView {
  readonly suspects: readonly SuspectView[];
  /** Share of everything not listed. */
  readonly rest: number;
  readonly standing: 'proved' | 'suspected';
  /** What the proof of the first suspect asks for, what of it is met, and by which entries. */
  readonly checklist: readonly { readonly words: string; readonly met: boolean; readonly by: readonly string[] }[];
  readonly noHypothesisFits: boolean;
  readonly surprises: readonly string[];
  /** What no explanation at all accounts for. */
  readonly fitsNothing: readonly string[];
  readonly adjustments: readonly (Adjusted & { readonly event: string })[];
  readonly cord: CordView;
  readonly ladder: LadderView;
  readonly log: readonly LogLine[];
  readonly setup: Setup;
  readonly danger: string | undefined;
  readonly complaint: string;
  readonly pinnedVersion: string | undefined;
  readonly record: BreakRecord | undefined;
  readonly draft: Omit<BreakRecord, 'advice'>;
  readonly obstacles: readonly string[];
  readonly closed: boolean;
  /** Clocks that were set, with when they end (milliseconds since 1970). */
  readonly timers: readonly { readonly event: string; readonly title: string; readonly ends: number }[];
  /** Nothing was seen or measured yet: the telephone's turn. */
  readonly untouched: boolean;
  readonly carry: readonly Carried[];
  /** The step at which the ladder is drawn. */
  readonly at: string;
  /** The suspect whose world is shown instead of what is known, in words. */
  readonly whatIf: string | undefined;
}

interface SuspectView {
  readonly repair: string;
  /** The part to be repaired first; nothing for healthy and unknown. */
  readonly part: string | undefined;
  readonly words: string;
  readonly repairWords: string;
  readonly probability: number;
  readonly proved: boolean;
  /** Names it when its world is asked for. */
  readonly id: string;
  readonly reasons: readonly { readonly for: boolean; readonly sentence: string }[];
}

export interface BeadView {
  readonly id: string;
  readonly answer: 'yes' | 'no' | 'unclear' | undefined;
  /** The first step that did not come. */
  readonly front: boolean;
  /** Seconds after the call at which a sound appliance gets here. */
  readonly expectedAt: number | undefined;
  readonly measuredAt: string | undefined;
  readonly readings: readonly string[];
  /** Chance, under all that is known, that it comes. */
  readonly likely: number;
  /** In the suspect's world: whether it comes, and whether that is not as on a sound appliance. */
  readonly there: { readonly comes: boolean; readonly differs: boolean } | undefined;
}

/** The sequence as it is drawn. */
export interface CordView {
  readonly beads: readonly BeadView[];
  /** How the newest try ended and what the light shows, as far as it was said since anything was changed. */
  readonly ending: { readonly outcome: string | undefined; readonly code: string | undefined };
}

/** The circuit as it is drawn. */
export interface LadderView {
  readonly nets: Readonly<Record<string, NetView>>;
  /** Shares of suspected parts, per cent; nothing in another world than the real one. */
  readonly suspected: Readonly<Record<string, number>>;
}

interface NetView {
  readonly state: 'live' | 'dead' | 'unknown';
  /** What a sound appliance shows here at this step. */
  readonly good: string;
  /** In few characters, to stand beside the point. */
  readonly measured: string | undefined;
  /** In the suspect's world: what it would show, and whether that is not as on a sound appliance. */
  readonly there: { readonly shows: string; readonly briefly: string; readonly differs: boolean } | undefined;
}

export interface ViewOptions extends Reader {
  readonly role: Role;
  readonly standard: TestingStandard;
  /** The step chosen on the cord, or undefined to follow the burn front. */
  readonly phase: string | undefined;
  /** Show everything as it would be under this hypothesis; `healthy` for a sound appliance. */
  readonly whatIf?: string | undefined;
}

const SHOWN = 6;

/** The nets of a voltage reading, by number; −1 for one that this version of the profile does not have. */
const pair = (model: Model, { red, black }: { readonly red: string; readonly black: string }) => ({
  red: model.nets.indexOf(red),
  black: model.nets.indexOf(black),
});

export function viewOf(engine: Engine, state: CallState, assessment: Assessment, options: ViewOptions): CallView {
  const { model } = engine;
  const standing = standingOf(assessment);
  const world = assessment.hypotheses.find((h) => h.id === options.whatIf);
  const beads = beadsOf(engine, state, assessment, options, world);
  const frontBead = beads.find((b) => b.front);
  const at = options.phase ?? frontBead?.id ?? model.phases[0]!.id;
  const shown = assessment.suspects.filter((s) => s.probability >= 0.004).slice(0, SHOWN);
  const words = (id: string): string => {
    const item = assessment.items.find((i) => i.item.id === id)!;
    return observationWords(model, item.item.observation, options);
  };
  return {
    suspects: shown.map((s, i) => ({
      repair: s.repair,
      part: s.leading.faults[0] && model.parts[s.leading.faults[0].part]!.id,
      words: s.leading.words,
      repairWords: repairWords(model, s.repair),
      probability: s.probability,
      proved: i === 0 && standing === 'proved',
      id: s.leading.id,
      reasons: explain(model, s.leading, engine.healthy, assessment.items, options)
        .slice(0, 8)
        .map((r) => ({ for: r.weight > 0, sentence: r.sentence })),
    })),
    rest: Math.max(0, 1 - shown.reduce((sum, s) => sum + s.probability, 0)),
    standing,
    checklist: (assessment.proof?.requirements ?? []).map((r) => ({
      words: sayRequirement(r),
      met: r.met,
      by: r.by.map(words),
    })),
    noHypothesisFits: assessment.noHypothesisFits,
    surprises: assessment.surprises.map(words),
    fitsNothing: assessment.fitsNothing.map(words),
    adjustments: [...state.adjustments].map(([event, body]) => ({ ...body, event })),
    cord: { beads, ending: endingOf(state) },
    ladder: {
      nets: netsOf(engine, state, assessment, at, options, world),
      suspected: world ? {} : suspectedOf(engine, assessment),
    },
    log: logOf(model, state, assessment, options),
    setup: state.setup,
    danger: state.danger && DANGER_WORDS[state.danger],
    complaint: state.opened?.complaint ?? '',
    pinnedVersion: state.opened?.profileVersion,
    record: state.record,
    draft: draftRecord(engine, assessment),
    obstacles: closingObstacles(model, state).map(sayObstacle),
    closed: state.closed,
    timers: state.log.flatMap(({ event: { id, at: from, body }, retracted }) =>
      body.type === 'timer' && !retracted
        ? [{ event: id, title: body.title, ends: Date.parse(from) + body.seconds * 1000 }]
        : [],
    ),
    untouched: state.evidence.items.every((i) => byTelephone(model, i.observation)),
    carry: partsToCarry(engine, assessment),
    at,
    whatIf: world?.words,
  };
}

/** From this share on a part is marked as suspected. */
const MARKED = 0.05;

/** The shares of suspected parts, per cent, by part. */
function suspectedOf({ model }: Engine, { suspects }: Assessment): Record<string, number> {
  const shares = new Map<string, number>();
  for (const { repair, probability } of suspects) {
    const { part } = repairOf(repair);
    if (part !== undefined) shares.set(part, (shares.get(part) ?? 0) + probability);
  }
  const known = new Set(model.parts.map((p) => p.id));
  return Object.fromEntries(
    [...shares]
      .filter(([part, share]) => known.has(part) && share >= MARKED)
      .map(([part, share]) => [part, Math.min(99, Math.round(share * 100))]),
  );
}

function endingOf({ log }: CallState): CordView['ending'] {
  let ending: { outcome: string | undefined; code: string | undefined } = { outcome: undefined, code: undefined };
  for (const { event, retracted, problem } of log) {
    const { body } = event;
    if (retracted || problem !== undefined) continue;
    if (body.type === 'setup' || body.type === 'repaired') ending = { outcome: undefined, code: undefined };
    if (body.type === 'outcome') ending = { ...ending, outcome: body.outcome };
    if (body.type === 'code') ending = { ...ending, code: body.code };
  }
  return ending;
}

function beadsOf(
  engine: Engine,
  state: CallState,
  assessment: Assessment,
  reader: Reader,
  world: Hypothesis | undefined,
): BeadView[] {
  const { model } = engine;
  const { evidence, log } = state;
  // When a step would come if one began now: what a sound appliance did in the tries before (steam was up) is not asked.
  const healthy = engine.traces.last(engine.healthy.faults, evidence.episodes.slice(-1)).trace;
  const live = assessment.hypotheses.filter(
    (h) => assessment.probabilities[h.index]! > 0.01 && (h.kind === 'fault' || h.kind === 'healthy'),
  );
  const weight = live.reduce((sum, h) => sum + assessment.probabilities[h.index]!, 0);
  let front = true;
  return model.phases.map((phase) => {
    let answer: BeadView['answer'];
    // After a change of setup the cord keeps what was seen before, until something is seen anew.
    let stale = false;
    const readings: string[] = [];
    let measuredAt: string | undefined;
    for (const { event, retracted, problem } of log) {
      const { body } = event;
      if (retracted || problem !== undefined) continue;
      if (body.type === 'setup' || body.type === 'repaired') stale = true;
      if (body.type === 'seen' && stale) {
        answer = undefined;
        stale = false;
      }
      if (body.type === 'seen' && body.phase === phase.id) answer = body.answer;
      if (body.type === 'volts' && body.phase === phase.id)
        readings.push(
          `${body.red}–${body.black} ${readingWords(body.reading, voltsDial(model, pair(model, body)), reader)}`,
        );
      if (body.type === 'gauge') {
        const gauge = model.gauges.findIndex((g) => g.id === body.gauge);
        if (model.gauges[gauge]?.phase === phase.index)
          readings.push(`${body.gauge} ${readingWords(body.reading, gaugeDial(model, gauge), reader)}`);
      }
      if (body.type === 'timing' && body.phase === phase.id) measuredAt = readingWords(body.reading, {}, reader);
    }
    const isFront = front && answer === 'no' && !phase.unwanted;
    if (isFront) front = false;
    const first = healthy.cues[phase.index]![0];
    const comes = live.reduce((sum, h) => {
      const p = engine.expect(evidence, h, { kind: 'seen', phase: phase.index });
      return sum + (p.kind === 'choice' && p.answer === 1 ? assessment.probabilities[h.index]! : 0);
    }, 0);
    return {
      id: phase.id,
      answer,
      front: isFront,
      expectedAt: first && first.from / 1000,
      measuredAt,
      readings,
      likely: weight > 0 ? comes / weight : 0,
      there: world && beadIn(engine, state, world, phase.index),
    };
  });
}

/** Whether a step comes in a suspect's world, beside a sound appliance. */
function beadIn(engine: Engine, state: CallState, world: Hypothesis, phase: number): BeadView['there'] {
  const comes = (h: Hypothesis): boolean => {
    const p = engine.expect(state.evidence, h, { kind: 'seen', phase });
    return p.kind === 'choice' && p.answer === 1;
  };
  return { comes: comes(world), differs: comes(world) !== comes(engine.healthy) };
}

function netIn(
  model: Model,
  question: Extract<Question, { kind: 'volts' }>,
  engine: Engine,
  state: CallState,
  world: Hypothesis,
  good: string,
  reader: Reader,
): NetView['there'] {
  const own = engine.expect(state.evidence, world, question);
  const sound = engine.expect(state.evidence, engine.healthy, question);
  const shows = predictionWords(model, question, own, reader);
  const briefly = predictionBriefly(model, question, own, reader);
  const volts = (p: Prediction): number | undefined =>
    p.kind === 'volts' && !p.shorter ? p.volts : p.kind === 'ghost' ? 0 : undefined;
  const [a, b] = [volts(own), volts(sound)];
  // A few per cent are load, not a difference anybody would mark.
  const least = 0.05 * model.ratedVolts[question.red]!;
  const near = a !== undefined && b !== undefined && Math.abs(a - b) < 0.05 * Math.max(a, b, least);
  return { shows, briefly, differs: shows !== good && !near };
}

/** Where power is, as far as the suspects agree; measured points show their reading. */
function netsOf(
  engine: Engine,
  state: CallState,
  assessment: Assessment,
  at: string,
  reader: Reader,
  world: Hypothesis | undefined,
): Record<string, NetView> {
  const { model } = engine;
  const phase = model.phases.findIndex((p) => p.id === at);
  const share = (h: Hypothesis): number => (world ? (h === world ? 1 : 0) : assessment.probabilities[h.index]!);
  const live = assessment.hypotheses.filter((h) => share(h) > 0.01 && predicts(h));
  const weight = live.reduce((sum, h) => sum + share(h), 0) || 1;
  const result: Record<string, NetView> = {};
  // What black probes rest on is common, not live or dead.
  const commons = commonNets(model);
  for (const rung of model.rungs) {
    const last = rung.items[rung.items.length - 1] as { net: number };
    for (const item of rung.items) {
      if (!('net' in item)) continue;
      const name = model.nets[item.net]!;
      const black = model.points.find((p) => p.net === item.net)?.black ?? last.net;
      if (result[name] || item.net === black || commons.has(item.net)) continue;
      const question: Extract<Question, { kind: 'volts' }> = {
        kind: 'volts',
        red: item.net,
        black,
        phase,
        input: 'high-impedance',
      };
      let hot = 0;
      for (const h of live) {
        const p = engine.expect(state.evidence, h, question);
        const most = p.kind === 'volts' ? Math.max(p.volts, p.shorter?.value ?? 0) : 0;
        if (most > LIVE_DEAD.drawnLive * model.ratedVolts[item.net]! || p.kind === 'unsteady') hot += share(h) / weight;
      }
      const good = predictionWords(model, question, engine.expect(state.evidence, engine.healthy, question), reader);
      let measured: string | undefined;
      for (const { event, retracted } of state.log) {
        const { body } = event;
        if (!retracted && (body.type === 'setup' || body.type === 'repaired')) measured = undefined;
        if (!retracted && body.type === 'volts' && body.red === name && (body.phase ?? at) === at)
          measured = readingBriefly(body.reading, voltsDial(model, question), reader);
      }
      // With nothing that explains what was found, nothing is known of the wires either.
      const known = live.length > 0 && (world !== undefined || assessment.suspects[0]!.leading.kind !== 'unknown');
      result[name] = {
        state: !known ? 'unknown' : hot > 0.95 ? 'live' : hot < 0.05 ? 'dead' : 'unknown',
        good,
        measured: world ? undefined : measured,
        there: world && netIn(model, question, engine, state, world, good, reader),
      };
    }
  }
  return result;
}
