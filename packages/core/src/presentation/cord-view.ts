import type { Millis } from '../units';
import type { Assessment, Engine } from '../diagnosis';
import type { Hypothesis } from '../inference';
import { asIndex, type Model, type NetIndex, type PhaseIndex } from '../profile';
import { gaugeDial, voltsDial } from '../question';
import { NORMAL_SETUP } from '../simulation';
import { type CallState, type SetUp, setupEntry } from '../visit';
import { type Reader, readingWords } from './reader';
export interface BeadView {
  readonly id: string;
  readonly answer: 'yes' | 'no' | 'unclear' | undefined;
  /** It was said before something was changed: it may be otherwise now. */
  readonly stale: boolean;
  /** The first step that did not come. */
  readonly front: boolean;
  /** It had not come when somebody looked, and may still come: how long after the call that was. */
  readonly notYet: Millis | undefined;
  /** Seconds after the call at which a sound appliance gets here. */
  readonly expectedAt: Millis | undefined;
  readonly measuredAt: string | undefined;
  readonly readings: readonly string[];
  /** Chance, under all that is known, that it comes. */
  readonly likely: number;
  /** In the suspect's world: whether it comes, how long after the call, and whether that is not as on a sound appliance. */
  readonly there: { readonly comes: boolean; readonly at: Millis | undefined; readonly differs: boolean } | undefined;
}

/** The sequence as it is drawn. */
export interface CordView {
  readonly beads: readonly BeadView[];
  /** How the newest try ended and what the light shows, as far as it was said since anything was changed. */
  readonly ending: { readonly outcome: string | undefined; readonly code: string | undefined };
}

/** The nets of a voltage reading, by number; −1 for one that this version of the profile does not have. */
const pair = (model: Model, { red, black }: { readonly red: string; readonly black: string }) => ({
  red: asIndex<NetIndex>(model.nets.indexOf(red)),
  black: asIndex<NetIndex>(model.nets.indexOf(black)),
});

export function cordView(
  engine: Engine,
  state: CallState,
  assessment: Assessment,
  reader: Reader,
  world: Hypothesis | undefined,
): CordView {
  return { beads: beadsOf(engine, state, assessment, reader, world), ending: endingOf(state) };
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

/** The beads of the sequence: what was said of each step, and what is to be expected of it. */
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
  const waiting = engine.waiting(evidence, assessment);
  let front = true;
  return model.phases.map((phase) => {
    const { answer, stale, measuredAt, readings } = saidOf(model, log, phase, reader);
    const notYet = waiting.get(`seen ${phase.id}`)?.item.observation.after;
    const isFront = front && answer === 'no' && !phase.unwanted && notYet === undefined;
    if (isFront || notYet !== undefined) front = false;
    const first = healthy.cues[phase.index]![0];
    const comes = live.reduce((sum, h) => {
      const p = engine.expect(evidence, h, { kind: 'seen', phase: phase.index });
      return sum + (p.kind === 'choice' && p.answer === 1 ? assessment.probabilities[h.index]! : 0);
    }, 0);
    return {
      id: phase.id,
      answer,
      stale,
      front: isFront,
      notYet,
      expectedAt: first && first.from,
      measuredAt,
      readings,
      likely: weight > 0 ? comes / weight : 0,
      there: world && beadIn(engine, state, world, phase.index),
    };
  });
}

/** Whether a step comes in a suspect's world, beside a sound appliance. */
function beadIn(engine: Engine, state: CallState, world: Hypothesis, phase: PhaseIndex): BeadView['there'] {
  const comes = (h: Hypothesis): boolean => {
    const p = engine.expect(state.evidence, h, { kind: 'seen', phase });
    return p.kind === 'choice' && p.answer === 1;
  };
  const { trace } = engine.traces.last(world.faults, state.evidence.episodes.slice(-1));
  return {
    comes: comes(world),
    at: trace.cues[phase]![0]?.from,
    differs: comes(world) !== comes(engine.healthy),
  };
}

/** What the log says of a step; after a change of setup the cord keeps what was seen before, until something is seen anew. */
function saidOf(
  model: Model,
  log: CallState['log'],
  phase: Model['phases'][number],
  reader: Reader,
): Pick<BeadView, 'answer' | 'stale' | 'measuredAt' | 'readings'> {
  let answer: BeadView['answer'];
  let stale = false;
  let before: SetUp | undefined;
  const readings: string[] = [];
  let measuredAt: string | undefined;
  for (const { event, retracted, problem } of log) {
    const { body } = event;
    if (retracted || problem !== undefined) continue;
    if (body.type === 'repaired' || (body.type === 'setup' && changes(body, before))) stale = true;
    if (body.type === 'setup') before = body;
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
  return { answer, stale: stale && answer !== undefined, measuredAt, readings };
}

/** Whether a setup lets another run come than the one before it: the power switched off for a dead test does not. */
function changes(to: SetUp, before: SetUp | undefined): boolean {
  const key = ({ gas, call, unplugged, bypassed, actions = [] }: SetUp): string =>
    JSON.stringify([gas, call, [...unplugged].sort(), [...bypassed].sort(), [...actions].sort()]);
  return key(to) !== (before ? key(before) : key(setupEntry(NORMAL_SETUP)));
}
