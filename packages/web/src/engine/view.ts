import {
  closingObstacles,
  draftRecord,
  standingOf,
  type AdviceSnapshot,
  type BreakRecord,
  type CallEvent,
  type CallState,
  snapshot,
} from '@zetalysis/core/call';
import { judgeDeadTest } from '@zetalysis/core/component-test';
import {
  cautionsFor,
  DANGER_WORDS,
  explain,
  instruction,
  observationWords,
  OUTCOME_WORDS,
  predictionWords,
  questionTitle,
  type Assessment,
  type Engine,
  type Question,
  type RankedTest,
  type Role,
} from '@zetalysis/core/diagnosis';
import { findPart, type Model } from '@zetalysis/core/profile';
import type { Setup } from '@zetalysis/core/sequence';
import { formatReading, type Dimension, type UnitSystem } from '@zetalysis/core/units';

/** What the engine has to say about a call at one moment: plain data. */
export interface CallView {
  readonly suspects: readonly SuspectView[];
  /** Share of everything not listed. */
  readonly rest: number;
  readonly standing: 'proved' | 'suspected';
  readonly baffled: boolean;
  readonly surprises: readonly string[];
  readonly beads: readonly BeadView[];
  readonly nets: Readonly<Record<string, NetView>>;
  readonly log: readonly LogLine[];
  readonly setup: Setup;
  readonly danger: string | undefined;
  readonly complaint: string;
  readonly pinnedVersion: string | undefined;
  readonly record: BreakRecord | undefined;
  readonly draft: Omit<BreakRecord, 'advice'>;
  readonly obstacles: readonly string[];
  readonly closed: boolean;
  /** The step at which the ladder is drawn. */
  readonly at: string;
}

interface SuspectView {
  readonly repair: string;
  readonly words: string;
  readonly mend: string;
  readonly probability: number;
  readonly proved: boolean;
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
}

interface NetView {
  readonly state: 'live' | 'dead' | 'unknown';
  /** What a sound appliance shows here at this step. */
  readonly good: string;
  readonly measured: string | undefined;
}

interface LogLine {
  readonly id: string;
  readonly words: string;
  readonly at: string;
  readonly person: string;
  readonly retracted: boolean;
  readonly undoable: boolean;
  readonly problem: string | undefined;
}

export interface TestView {
  readonly id: string;
  readonly title: string;
  readonly instruction: string;
  readonly minutes: number;
  readonly cautions: readonly string[];
  readonly line: boolean;
  readonly good: string;
  readonly why: readonly { readonly answer: string; readonly suspects: string }[];
  readonly settles: boolean;
  readonly answer: AnswerForm;
  /** Events that make the setup of the test, before its answer. */
  readonly setup: Setup | undefined;
}

/** How the answer is given: by typing a reading or by choosing. */
type AnswerForm =
  | { readonly kind: 'reading'; readonly dimension: Dimension; readonly event: ReadingEvent }
  | {
      readonly kind: 'choice';
      readonly type: 'seen' | 'outcome' | 'code' | 'look';
      readonly subject: string;
      readonly options: readonly { id: string; title: string }[];
    };

type ReadingEvent =
  | { readonly type: 'volts'; readonly red: string; readonly black: string; readonly phase?: string }
  | { readonly type: 'ohms'; readonly part: string; readonly branch: string }
  | { readonly type: 'gauge'; readonly gauge: string }
  | { readonly type: 'timing'; readonly phase: string };

export interface ViewOptions {
  readonly units: UnitSystem;
  readonly role: Role;
  /** The step chosen on the cord, or undefined to follow the burn front. */
  readonly phase: string | undefined;
}

const SHOWN = 6;

export function viewOf(engine: Engine, state: CallState, assessment: Assessment, options: ViewOptions): CallView {
  const { model } = engine;
  const standing = standingOf(assessment);
  const beads = beadsOf(engine, state, assessment, options.units);
  const frontBead = beads.find((b) => b.front);
  const at = options.phase ?? frontBead?.id ?? model.phases[0]!.id;
  const shown = assessment.suspects.filter((s) => s.probability >= 0.004).slice(0, SHOWN);
  return {
    suspects: shown.map((s, i) => ({
      repair: s.repair,
      words: s.leading.words,
      mend: mendWords(model, s.repair),
      probability: s.probability,
      proved: i === 0 && standing === 'proved',
      reasons: explain(model, s.leading, engine.healthy, assessment.items, options.units)
        .slice(0, 8)
        .map((r) => ({ for: r.weight > 0, sentence: r.sentence })),
    })),
    rest: Math.max(0, 1 - shown.reduce((sum, s) => sum + s.probability, 0)),
    standing,
    baffled: assessment.baffled,
    surprises: assessment.surprises.map((id) => {
      const item = assessment.items.find((i) => i.item.id === id)!;
      return observationWords(model, item.item.observation, options.units);
    }),
    beads,
    nets: netsOf(engine, state, assessment, at, options.units),
    log: logOf(model, state, options.units),
    setup: state.setup,
    danger: state.danger && DANGER_WORDS[state.danger],
    complaint: state.opened?.complaint ?? '',
    pinnedVersion: state.opened?.profileVersion,
    record: state.record,
    draft: draftRecord(engine, assessment),
    obstacles: closingObstacles(state),
    closed: state.closed,
    at,
  };
}

function mendWords(model: Model, repair: string): string {
  if (repair === 'none') return 'no repair';
  if (repair === 'unknown') return 'test on in general terms';
  const [id, mend] = repair.split(':') as [string, string];
  const part = findPart(model, id)?.title ?? model.plugs.find((p) => p.id === id)?.title ?? id;
  return `${mend} ${part}`;
}

function beadsOf(engine: Engine, state: CallState, assessment: Assessment, units: UnitSystem): BeadView[] {
  const { model } = engine;
  const { evidence, log } = state;
  const healthy = engine.traces.last(engine.healthy, evidence.episodes).trace;
  const live = engine.hypotheses.filter(
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
        readings.push(`${body.red}–${body.black} ${formatReading(body.reading, units)}`);
      if (body.type === 'gauge' && model.gauges.find((g) => g.id === body.gauge)?.phase === phase.index)
        readings.push(`${body.gauge} ${formatReading(body.reading, units)}`);
      if (body.type === 'timing' && body.phase === phase.id) measuredAt = formatReading(body.reading, units);
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
    };
  });
}

/** Where power is, as far as the suspects agree; measured points show their reading. */
function netsOf(
  engine: Engine,
  state: CallState,
  assessment: Assessment,
  at: string,
  units: UnitSystem,
): Record<string, NetView> {
  const { model } = engine;
  const phase = model.phases.findIndex((p) => p.id === at);
  const live = engine.hypotheses.filter(
    (h) => assessment.probabilities[h.index]! > 0.01 && (h.kind === 'fault' || h.kind === 'healthy'),
  );
  const weight = live.reduce((sum, h) => sum + assessment.probabilities[h.index]!, 0) || 1;
  const result: Record<string, NetView> = {};
  // What black probes rest on is common, not live or dead.
  const commons = new Set([model.ground, ...model.points.map((p) => p.black)]);
  for (const point of model.points) commons.delete(point.net);
  for (const rung of model.rungs) {
    const last = rung.items[rung.items.length - 1] as { net: number };
    for (const item of rung.items) {
      if (!('net' in item)) continue;
      const name = model.nets[item.net]!;
      const black = model.points.find((p) => p.net === item.net)?.black ?? last.net;
      if (result[name] || item.net === black || commons.has(item.net)) continue;
      const question: Question = { kind: 'volts', red: item.net, black, phase, input: 'high-impedance' };
      let hot = 0;
      for (const h of live) {
        const p = engine.expect(state.evidence, h, question);
        if ((p.kind === 'volts' && p.volts > 8) || p.kind === 'unsteady')
          hot += assessment.probabilities[h.index]! / weight;
      }
      const good = predictionWords(model, question, engine.expect(state.evidence, engine.healthy, question), units);
      let measured: string | undefined;
      for (const { event, retracted } of state.log) {
        const { body } = event;
        if (!retracted && (body.type === 'setup' || body.type === 'repaired')) measured = undefined;
        if (!retracted && body.type === 'volts' && body.red === name && (body.phase ?? at) === at)
          measured = formatReading(body.reading, units);
      }
      result[name] = { state: hot > 0.95 ? 'live' : hot < 0.05 ? 'dead' : 'unknown', good, measured };
    }
  }
  return result;
}

function logOf(model: Model, state: CallState, units: UnitSystem): LogLine[] {
  return state.log.map(({ event, retracted, problem }) => ({
    id: event.id,
    words: bodyWords(model, event, units),
    at: event.at,
    person: event.person,
    retracted,
    undoable:
      !retracted && event.body.type !== 'opened' && event.body.type !== 'retracted' && event.body.type !== 'closed',
    problem,
  }));
}

function bodyWords(model: Model, { body }: CallEvent, units: UnitSystem): string {
  const title = (id: string): string => findPart(model, id)?.title ?? id;
  const phase = (id: string | undefined): string => {
    const found = model.phases.find((p) => p.id === id);
    return found ? `, ${found.title.toLowerCase()}` : '';
  };
  switch (body.type) {
    case 'opened':
      return `Call opened: ${body.complaint}`;
    case 'setup': {
      const changes = [
        body.power ? '' : 'power off',
        body.gas ? '' : 'gas shut',
        body.call ? '' : 'no call for heat',
        ...body.unplugged.map((p) => `${model.plugs.find((x) => x.id === p)?.title ?? p} unplugged`),
        ...body.bypassed.map((p) => `${title(p)} bypassed`),
      ].filter((c) => c !== '');
      return changes.length === 0 ? 'Everything back as it was' : `Set: ${changes.join(', ')}`;
    }
    case 'seen':
      return `${model.phases.find((p) => p.id === body.phase)?.title ?? body.phase}${body.try === undefined ? '' : ` (try ${body.try})`}: ${body.answer === 'unclear' ? 'can’t tell' : body.answer}`;
    case 'outcome':
      return OUTCOME_WORDS[body.outcome];
    case 'code':
      return `Status light: ${body.code}`;
    case 'volts':
      return `${body.red}–${body.black}: ${formatReading(body.reading, units)}${phase(body.phase)}`;
    case 'ohms': {
      const part = findPart(model, body.part);
      const dead = part?.kind.deadTests(part.spec).find((d) => d.branch === (body.branch ?? ''));
      const verdict = dead ? ` ${judgeDeadTest(dead, body.reading).words}` : '';
      return `${title(body.part)}: ${formatReading(body.reading, units)}, isolated.${verdict}`;
    }
    case 'gauge':
      return `${model.gauges.find((g) => g.id === body.gauge)?.title ?? body.gauge}: ${formatReading(body.reading, units)}`;
    case 'timing':
      return `Time to ${model.phases.find((p) => p.id === body.phase)?.title ?? body.phase}: ${formatReading(body.reading, units)}`;
    case 'look': {
      const look = model.looks.find((l) => l.id === body.look);
      return `${look?.ask ?? body.look} ${look?.answers.find((a) => a.id === body.answer)?.title ?? body.answer}`;
    }
    case 'declined':
      return `${body.why === 'cannot' ? 'Cannot' : 'Will not'} do: ${body.test}`;
    case 'repaired':
      return `Repaired: ${title(body.part)}${body.action === '' ? '' : `, ${body.action}`}`;
    case 'danger':
      return `Danger: ${body.danger}`;
    case 'danger-over':
      return `Danger over: ${body.words}`;
    case 'note':
      return body.text;
    case 'retracted':
      return 'Taken back';
    case 'break-recorded':
      return `Break recorded: ${title(body.part)}, ${body.failure} (${body.standing})`;
    case 'closed':
      return `Call closed${body.words === '' ? '' : `: ${body.words}`}`;
  }
}

/** The next test and two others. */
export function testsView(
  engine: Engine,
  state: CallState,
  assessment: Assessment,
  ranked: readonly RankedTest[],
  units: UnitSystem,
): TestView[] {
  const { model } = engine;
  return ranked.slice(0, 3).map(({ test, minutes, outcomes, settles }) => {
    const q = test.question;
    const present = state.setup;
    const setup = test.intervention
      ? 'unplug' in test.intervention
        ? { ...present, unplugged: [...present.unplugged, test.intervention.unplug] }
        : { ...present, bypassed: [...present.bypassed, test.intervention.bypass] }
      : undefined;
    const healthy = setup
      ? engine.traces.predict(
          engine.healthy,
          [...state.evidence.episodes, { setup, repaired: state.evidence.episodes.at(-1)!.repaired }],
          q,
        )
      : engine.expect(state.evidence, engine.healthy, q);
    return {
      id: test.id,
      title: questionTitle(model, q),
      instruction: instruction(model, test),
      minutes,
      cautions: cautionsFor(model, test),
      line: test.line,
      good: predictionWords(model, q, healthy, units),
      why: outcomes
        .filter((o) => o.expectedBy.length > 0)
        .map((o) => {
          const names = [...new Set(o.expectedBy.map((i) => mendWords(model, engine.hypotheses[i]!.repair)))];
          const share = o.expectedBy.reduce((sum, i) => sum + assessment.probabilities[i]!, 0);
          return {
            share,
            answer: predictionWords(model, q, o.prediction, units),
            suspects: `${names.slice(0, 2).join(', ')}${names.length > 2 ? ` and ${names.length - 2} more` : ''} (${Math.round(share * 100)} %)`,
          };
        })
        .sort((a, b) => b.share - a.share)
        .slice(0, 3)
        .map(({ answer, suspects }) => ({ answer, suspects })),
      settles: settles > 0,
      answer: answerForm(model, q),
      setup,
    };
  });
}

function answerForm(model: Model, q: Question): AnswerForm {
  switch (q.kind) {
    case 'seen':
      return {
        kind: 'choice',
        type: 'seen',
        subject: model.phases[q.phase]!.id,
        options: [
          { id: 'yes', title: 'Yes' },
          { id: 'no', title: 'No' },
          { id: 'unclear', title: 'Can’t tell' },
        ],
      };
    case 'outcome':
      return {
        kind: 'choice',
        type: 'outcome',
        subject: '',
        options: Object.entries(OUTCOME_WORDS).map(([id, title]) => ({ id, title })),
      };
    case 'code':
      return {
        kind: 'choice',
        type: 'code',
        subject: '',
        options: [
          ...model.codes.map((c) => ({ id: c.id, title: `${c.id}: ${c.title}` })),
          { id: 'none', title: 'No fault code' },
          { id: 'dark', title: 'Light is dark' },
        ],
      };
    case 'look': {
      const look = model.looks[q.look]!;
      return {
        kind: 'choice',
        type: 'look',
        subject: look.id,
        options: look.answers.map(({ id, title }) => ({ id, title })),
      };
    }
    case 'volts':
      return {
        kind: 'reading',
        dimension: 'voltage',
        event: {
          type: 'volts',
          red: model.nets[q.red]!,
          black: model.nets[q.black]!,
          ...(q.phase < 0 ? {} : { phase: model.phases[q.phase]!.id }),
        },
      };
    case 'ohms':
      return {
        kind: 'reading',
        dimension: 'resistance',
        event: { type: 'ohms', part: model.parts[q.part]!.id, branch: q.branch },
      };
    case 'gauge': {
      const gauge = model.gauges[q.gauge]!;
      return {
        kind: 'reading',
        dimension: model.quantities[gauge.quantity]!.dimension,
        event: { type: 'gauge', gauge: gauge.id },
      };
    }
    case 'timing':
      return { kind: 'reading', dimension: 'time', event: { type: 'timing', phase: model.phases[q.phase]!.id } };
  }
}

export function adviceOf(engine: Engine, assessment: Assessment, ranked: readonly RankedTest[]): AdviceSnapshot {
  return snapshot(engine, assessment, ranked);
}
