import type { Engine } from '../diagnosis';
import type { Model, Part } from '../profile';
import { FIRST_EPISODE, type FaultRef, NORMAL_SETUP, type Outcome, quantityAt, type Trace } from '../simulation';
import { safetyOf } from '../rules';
import type { Dimension, Millis } from '../units';

/** A safety that a jumper goes round, with the fault still there. */
export interface JumperLeft {
  readonly part: string;
  readonly title: string;
  /** Since the call for heat: it would have opened, nought where it does not close at all; nothing where this fault does not come to that. */
  readonly at: Millis | undefined;
  /** It has failed itself: it stays open with nothing to open it. */
  readonly itself: boolean;
  /** What it senses, SI: where it opens, and what comes with the jumper in; nothing where that is no more, or it opens at too little. */
  readonly sensed: { readonly dimension: Dimension; readonly opensAt: number; readonly comes: number } | undefined;
  /** How a try ends with the jumper in. */
  readonly then: Outcome;
}

/** A try after one more press on the reset. */
export interface ResetAgain {
  readonly outcome: Outcome;
  /** Since the call for heat: it stops again. */
  readonly at: Millis | undefined;
  /** What somebody would smell meanwhile. */
  readonly smelled: Millis;
}

/**
 * What would come of a jumper that is left across the safety that stopped it, and across those that were gone round on the call. What opens
 * in a sound run too is no stop, and what opens once it has given up stopped nothing.
 */
export function jumpersLeft(engine: Engine, faults: readonly FaultRef[], gone: ReadonlySet<string>): JumperLeft[] {
  const { model } = engine;
  const lived = engine.traces.last(faults, [FIRST_EPISODE]);
  const ran = lived.before ?? lived.trace;
  const sound = engine.traces.last([], [FIRST_EPISODE]).trace;
  const opened = (part: Part): Millis | undefined =>
    guards(part) && opensAt(sound, part) === undefined ? opensAt(ran, part) : undefined;
  const first = Math.min(ran.lockedOutAt ?? Infinity, ...model.parts.flatMap((p) => opened(p) ?? []));
  return model.parts.flatMap((part): JumperLeft[] => {
    const itself = guards(part) && faults.some((f) => f.part === part.index);
    const opens = opened(part) === first;
    const stays = guards(part) && !itself && staysOpen(ran, part) && !staysOpen(sound, part);
    const asked = gone.has(part.id);
    if (!opens && !stays && !itself && !asked) return [];
    const { trace } = engine.traces.last(faults, [
      { ...FIRST_EPISODE, setup: { ...NORMAL_SETUP, bypassed: [part.id] } },
    ]);
    // Nobody is tempted by a jumper that changes nothing.
    if (!opens && !asked && trace.outcome === ran.outcome) return [];
    const at = opens ? first : stays ? 0 : undefined;
    return [
      { part: part.id, title: part.title, at, itself, sensed: sensedBy(model, part, trace), then: trace.outcome },
    ];
  });
}

/** What would come of the reset once more, with the fault still there; nothing where nothing gives up and nothing has a reset. */
export function resetAgain(engine: Engine, faults: readonly FaultRef[]): ResetAgain | undefined {
  const { model } = engine;
  const lived = engine.traces.last(faults, [FIRST_EPISODE]);
  const tripped = model.parts.filter(
    (p) => p.spec['manual-reset'] === true && opensAt(lived.before ?? lived.trace, p) !== undefined,
  );
  const action = model.actions.find(({ resets }) => resets.some((r) => tripped.some((p) => p.index === r)));
  if (action === undefined && lived.trace.lockedOutAt === undefined) return undefined;
  const off = { ...FIRST_EPISODE, setup: { ...NORMAL_SETUP, power: false } };
  const pressed = { ...FIRST_EPISODE, setup: { ...NORMAL_SETUP, actions: action ? [action.id] : [] } };
  // What a control gave up is taken back by its power; a button by its action.
  const { trace } = engine.traces.last(faults, action ? [FIRST_EPISODE, pressed] : [FIRST_EPISODE, off, FIRST_EPISODE]);
  return { outcome: trace.outcome, at: stopsAt(model, trace), smelled: smelledIn(model, trace) };
}

/** When a fault shows by itself: something opens, it gives up, or it comes no further; nothing where it runs as it should. */
export function showsAfter(engine: Engine, faults: readonly FaultRef[]): Millis | undefined {
  const { trace } = engine.traces.last(faults, [FIRST_EPISODE]);
  return trace.outcome === 'runs' ? undefined : (stopsAt(engine.model, trace) ?? trace.end);
}

const stopsAt = ({ parts }: Model, trace: Trace): Millis | undefined =>
  [trace.lockedOutAt, ...parts.filter((p) => p.safety !== undefined).map((p) => opensAt(trace, p))]
    .filter((at) => at !== undefined)
    .sort((a, b) => a - b)[0];

/** A switch that stops the burner when it should; calls for heat and doors are none. */
const guards = ({ safety, kind }: Part): boolean =>
  safety !== undefined && safetyOf(safety).rings !== 'only' && kind.states?.[OPEN] === 'open';

/** Open is the first state of every switch. */
const OPEN = 0;

/** When a switch opens that was closed before. */
function opensAt({ segments }: Trace, { index, kind }: Part): Millis | undefined {
  if (kind.states?.[OPEN] !== 'open') return undefined;
  let closed = false;
  for (const { from, partStates } of segments) {
    if (closed && partStates[index] === OPEN) return from;
    closed ||= partStates[index] !== OPEN;
  }
  return undefined;
}

/** A switch that never closes. */
const staysOpen = ({ segments }: Trace, { index }: Part): boolean =>
  segments.every(({ partStates }) => partStates[index] === OPEN);

/** Where what a switch senses comes to in a run, beside where it opens; nothing where it opens at too little, or does not come to that. */
function sensedBy({ quantities }: Model, { spec }: Part, trace: Trace): JumperLeft['sensed'] {
  const index = quantities.findIndex((q) => q.id === spec['senses']);
  const opens = spec['opens-at'];
  const closes = spec['closes-at'];
  if (index < 0 || typeof opens !== 'number' || typeof closes !== 'number' || opens <= closes) return undefined;
  const { dimension } = quantities[index]!;
  const moments = trace.ramps[index]!.flatMap(({ from, start, over }) => [from, start, start + over]);
  const comes = Math.max(...[...moments, trace.end].map((at) => quantityAt(trace, index, at)));
  return dimension === 'none' || comes < opens ? undefined : { dimension, opensAt: opens, comes };
}

/** How long something would be smelled in a run. */
const smelledIn = ({ phases }: Model, { cues }: Trace): Millis =>
  phases
    .filter(({ sense }) => sense === 'smell')
    .flatMap(({ index }) => cues[index]!)
    .reduce((sum, { from, to }) => sum + to - from, 0);
