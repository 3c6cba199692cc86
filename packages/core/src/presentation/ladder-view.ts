import type { Drawing } from './drawing';
import type { Assessment, Engine } from '../diagnosis';
import { type Hypothesis, predicts, repairOf } from '../inference';
import { AS_IT_STANDS, findPhase, type Model, type NetIndex } from '../profile';
import { asUsual, commonNets, type Prediction, type Question, voltsDial } from '../question';
import { LIVE_DEAD } from '../standards';
import type { CallState } from '../visit';
import { predictionBriefly, predictionWords } from './question-words';
import type { Reader } from './reader';
import { inBrief, readingBriefly } from './say';

/** The circuit as it is drawn. */
export interface LadderView {
  readonly nets: Readonly<Record<string, NetView>>;
  /** Shares of suspected parts, per cent; nothing in another world than the real one. */
  readonly suspected: Readonly<Record<string, number>>;
  /** Parts that are gone round, and pins of plugs that are apart. */
  readonly bypassed: readonly string[];
  readonly apart: readonly string[];
  /** Points whose lead is lifted on purpose, and parts that are out. */
  readonly lifted: readonly string[];
}

interface NetView {
  readonly state: 'live' | 'dead' | 'unknown';
  /** What a sound appliance shows here at this step. */
  readonly good: string;
  /** What it shows under the likeliest suspect that shows anything else. */
  readonly bad: { readonly shows: string; readonly suspect: string } | undefined;
  /** The same in few characters, to stand beside a reading. */
  readonly sound: string;
  /** In few characters, to stand beside the point. */
  readonly measured: string | undefined;
  /** In the suspect's world: what it would show, and whether that is not as on a sound appliance. */
  readonly there: { readonly shows: string; readonly briefly: string; readonly differs: boolean } | undefined;
}

/** The circuit as it stands at a step; in another world than the real one when a suspect is supposed. */
export function ladderView(
  engine: Engine,
  state: CallState,
  assessment: Assessment,
  at: string,
  reader: Reader,
  world: Hypothesis | undefined,
): LadderView {
  return {
    nets: netsOf(engine, state, assessment, at, reader, world),
    suspected: world ? {} : suspectedOf(engine, assessment),
    bypassed: state.setup.bypassed,
    apart: engine.model.plugs
      .filter(({ id }) => state.setup.unplugged.includes(id))
      .flatMap(({ pins }) => pins.map((pin) => engine.model.parts[engine.model.branches[pin]!.part]!.id)),
    lifted: state.log.flatMap(({ event: { id, body } }) =>
      body.type === 'temporary' && body.of !== undefined && state.followed.c.temporary.has(id) ? [body.of] : [],
    ),
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

/** So many suspects are looked at for what a point shows if it is bad. */
const LOOKED_AT = 4;

function firstOther(
  engine: Engine,
  state: CallState,
  { suspects }: Assessment,
  question: Extract<Question, { kind: 'volts' }>,
  good: string,
  reader: Reader,
): NetView['bad'] {
  for (const { leading } of suspects.slice(0, LOOKED_AT)) {
    if (leading.kind !== 'fault' || !predicts(leading)) continue;
    const there = netIn(engine.model, question, engine, state, leading, good, reader);
    if (there?.differs) return { shows: there.shows, suspect: inBrief(leading.words) };
  }
  return undefined;
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
  const phase = (at === undefined ? undefined : findPhase(model, at))?.index ?? AS_IT_STANDS;
  const share = (h: Hypothesis): number => (world ? (h === world ? 1 : 0) : assessment.probabilities[h.index]!);
  const live = assessment.hypotheses.filter((h) => share(h) > 0.01 && predicts(h));
  const weight = live.reduce((sum, h) => sum + share(h), 0) || 1;
  const result: Record<string, NetView> = {};
  // What black probes rest on is common, not live or dead.
  const commons = commonNets(model);
  for (const rung of model.rungs) {
    const last = rung.items[rung.items.length - 1] as { net: NetIndex };
    for (const item of rung.items) {
      if (!('net' in item)) continue;
      const name = model.nets[item.net]!;
      const black = model.points.find((p) => p.net === item.net)?.black ?? last.net;
      if (result[name] || item.net === black || commons.has(item.net)) continue;
      const question = asUsual(model, { red: item.net, black, phase });
      let hot = 0;
      for (const h of live) {
        const p = engine.expect(state.evidence, h, question);
        const most = p.kind === 'volts' ? Math.max(p.volts, p.shorter?.value ?? 0) : 0;
        if (most > LIVE_DEAD.drawnLive * model.ratedVolts[item.net]! || p.kind === 'unsteady') hot += share(h) / weight;
      }
      const healthy = engine.expect(state.evidence, engine.healthy, question);
      const good = predictionWords(model, question, healthy, reader);
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
        bad: firstOther(engine, state, assessment, question, good, reader),
        sound: predictionBriefly(model, question, healthy, reader),
        measured: world ? undefined : measured,
        there: world && netIn(model, question, engine, state, world, good, reader),
      };
    }
  }
  return result;
}

/** The circuit without anything known of it. */
export const bareLadder = ({ words }: Drawing): LadderView => ({
  nets: Object.fromEntries(
    words.nets.map((net) => [
      net,
      { state: 'unknown', good: '', bad: undefined, sound: '', measured: undefined, there: undefined },
    ]),
  ),
  suspected: {},
  bypassed: [],
  apart: [],
  lifted: [],
});
