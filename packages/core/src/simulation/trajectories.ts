import type { Expression, Model } from '../profile';
import type { CircuitState, CircuitStates } from './circuit-state';
import { askedBy, Listeners } from './dependency-index';
import type { Felt } from './drive-state';
import { faultKey, type FaultRef, type Setup, setupKey } from './setup';
import { Simulator } from './simulator';
import { Arrangement, type Stand } from './switch-configurations';
import type { Memory, Trace } from './trace';
import { type Course, traceOf } from './trajectory';

/** A moment of a course at which the circuit is sensed; what is felt decides how it goes on. */
interface Crossing {
  readonly stand: Stand;
  readonly ways: Map<Felt, Crossing | Course>;
}

/** All courses that begin alike. */
interface Beginning {
  readonly arrangement: Arrangement;
  first: Crossing | undefined;
}

/**
 * Runs of one appliance under many faults. Most faults reach its movements only through the circuit, by what the appliance
 * feels of it: as long as two of them let it feel the same it goes the same way, and that way is simulated once. Each fault
 * still has its own circuit at every crossing, solved for itself.
 */
export class Courses {
  private readonly beginnings = new Map<string, Beginning>();
  private readonly arrangements = new Map<string, Arrangement>();
  /** By part, then by mode: whether the fault is heard without the circuit. */
  private readonly heard: readonly (readonly boolean[])[];
  private readonly listeners: Listeners;
  /** How many runs were simulated; the others went a way that was known. */
  simulated = 0;

  constructor(readonly circuits: CircuitStates) {
    this.heard = heardFaults(circuits.model);
    this.listeners = new Listeners(circuits.model);
  }

  /**
   * Runs one try for heat: from a settled state without a call, the call comes at t = 0 and the appliance is watched until
   * nothing more happens, a state repeats (then it cycles for ever), it locks out, or the profile's watch ends.
   * Deterministic; integer milliseconds.
   */
  run(faults: readonly FaultRef[], setup: Setup, memory?: Memory): Trace {
    const { model, matters } = this.circuits;
    const heard = faults.filter((f) => this.heard[f.part]![f.mode]);
    const beginning = this.beginning(heard, setup, memory);
    const broken = faultKey(faults);
    const known = follow(beginning, faults, broken);
    if (known) return known;
    this.simulated++;
    const circuits: CircuitState[] = [];
    let at: Crossing | undefined;
    let felt: Felt | undefined;
    const course = new Simulator(model, matters, this.listeners, heard, setup, memory, (branchStates) => {
      at = crossing(beginning, at, felt, branchStates);
      const sensed = beginning.arrangement.sense(at.stand, faults, broken);
      circuits.push(sensed.circuit);
      return (felt = sensed.felt);
    }).run();
    at!.ways.set(felt!, course);
    return traceOf(course, circuits);
  }

  private beginning(heard: readonly FaultRef[], setup: Setup, memory: Memory | undefined): Beginning {
    const set = setupKey(setup);
    const key = [
      set,
      faultKey(heard),
      ...(memory ? ['after', ...[...memory.partStates, ...memory.quantities].map(([of, is]) => `${of}:${is}`)] : []),
    ].join('|');
    let beginning = this.beginnings.get(key);
    if (!beginning)
      this.beginnings.set(key, (beginning = { arrangement: this.arrangement(set, setup), first: undefined }));
    return beginning;
  }

  private arrangement(key: string, setup: Setup): Arrangement {
    let arrangement = this.arrangements.get(key);
    if (!arrangement) this.arrangements.set(key, (arrangement = new Arrangement(this.circuits, setup)));
    return arrangement;
  }
}

/** The trace under these faults, if somebody has gone that way before. */
function follow({ first, arrangement }: Beginning, faults: readonly FaultRef[], broken: string): Trace | undefined {
  const circuits: CircuitState[] = [];
  let at = first;
  while (at) {
    const { circuit, felt } = arrangement.sense(at.stand, faults, broken);
    circuits.push(circuit);
    const next = at.ways.get(felt);
    if (next && 'segments' in next) return traceOf(next, circuits);
    at = next;
  }
  return undefined;
}

/** Where a simulation is now: `before` is the crossing it comes from, and what it felt there. */
function crossing(
  beginning: Beginning,
  before: Crossing | undefined,
  felt: Felt | undefined,
  branchStates: Uint8Array,
): Crossing {
  const known = before ? (before.ways.get(felt!) as Crossing | undefined) : beginning.first;
  if (known) return known;
  const found: Crossing = { stand: beginning.arrangement.stand(branchStates), ways: new Map() };
  if (before) before.ways.set(felt!, found);
  else beginning.first = found;
  return found;
}

/** The faults that an expression asks about, that a part heeds when it moves, or that decide the state it is found in. */
function heardFaults(model: Model): boolean[][] {
  const heard = model.parts.map(({ kind, modes }) =>
    modes.map(({ id, starts }) => starts !== undefined || kind.heeds?.includes(id) === true),
  );
  for (const expression of running(model)) for (const { part, mode } of expression.faults) heard[part]![mode] = true;
  return heard;
}

/** Every expression that is asked while the appliance runs. */
function* running({ parts, quantities, controller, phases }: Model): Iterable<Expression> {
  for (const part of parts) yield* part.conditions.values();
  for (const { rules } of quantities) for (const { when } of rules) if (when) yield when;
  for (const region of controller?.regions ?? []) yield* askedBy(region);
  for (const { cue, window } of phases) yield* [cue, window];
}
