import type { Expression, Model } from '../profile';
import type { CircuitState, CircuitStates } from './circuit-state';
import { askedBy, DependencyIndex } from './dependency-index';
import type { DriveState } from './drive-state';
import { faultKey, type FaultRef, type Setup, setupKey } from './setup';
import { Simulator } from './simulator';
import { CircuitSetup, type SwitchConfiguration } from './switch-configurations';
import type { Memory, Trace } from './trace';
import { traceOf, type Trajectory } from './trajectory';

/** A moment of a trajectory at which the circuit is sensed; how it drives decides how it goes on. */
interface Crossing {
  readonly configuration: SwitchConfiguration;
  readonly ways: Map<DriveState, Crossing | Trajectory>;
}

/** All trajectories that begin alike. */
interface Beginning {
  readonly circuitSetup: CircuitSetup;
  first: Crossing | undefined;
}

/**
 * Runs of one appliance under many faults. Most faults reach its movements only through the circuit, by how that drives it:
 * as long as two of them drive it the same it goes the same way, and that way is simulated once. Each fault
 * still has its own circuit at every crossing, solved for itself.
 */
export class Trajectories {
  private readonly beginnings = new Map<string, Beginning>();
  private readonly circuitSetups = new Map<string, CircuitSetup>();
  /** By part, then by mode: whether the fault is nonElectrical without the circuit. */
  private readonly nonElectrical: readonly (readonly boolean[])[];
  private readonly dependencies: DependencyIndex;
  /** How many runs were simulated; the others went a way that was known. */
  simulated = 0;

  constructor(readonly circuits: CircuitStates) {
    this.nonElectrical = nonElectricalFaultsOf(circuits.model);
    this.dependencies = new DependencyIndex(circuits.model);
  }

  /**
   * Runs one try for heat: from a settled state without a call, the call comes at t = 0 and the appliance is watched until
   * nothing more happens, a state repeats (then it cycles for ever), it locks out, or the profile's watch ends.
   * Deterministic; integer milliseconds.
   */
  run(faults: readonly FaultRef[], setup: Setup, memory?: Memory): Trace {
    const { model, matters } = this.circuits;
    const nonElectrical = faults.filter((f) => this.nonElectrical[f.part]![f.mode]);
    const beginning = this.beginning(nonElectrical, setup, memory);
    const broken = faultKey(faults);
    const known = follow(beginning, faults, broken);
    if (known) return known;
    this.simulated++;
    const circuits: CircuitState[] = [];
    let at: Crossing | undefined;
    let drive: DriveState | undefined;
    const trajectory = new Simulator(
      model,
      matters,
      this.dependencies,
      nonElectrical,
      setup,
      memory,
      (branchStates) => {
        at = crossing(beginning, at, drive, branchStates);
        const sensed = beginning.circuitSetup.sense(at.configuration, faults, broken);
        circuits.push(sensed.circuit);
        return (drive = sensed.drive);
      },
    ).run();
    at!.ways.set(drive!, trajectory);
    return traceOf(trajectory, circuits);
  }

  private beginning(nonElectrical: readonly FaultRef[], setup: Setup, memory: Memory | undefined): Beginning {
    const set = setupKey(setup);
    const key = [
      set,
      faultKey(nonElectrical),
      ...(memory ? ['after', ...[...memory.partStates, ...memory.quantities].map(([of, is]) => `${of}:${is}`)] : []),
    ].join('|');
    let beginning = this.beginnings.get(key);
    if (!beginning)
      this.beginnings.set(key, (beginning = { circuitSetup: this.circuitSetup(set, setup), first: undefined }));
    return beginning;
  }

  private circuitSetup(key: string, setup: Setup): CircuitSetup {
    let circuitSetup = this.circuitSetups.get(key);
    if (!circuitSetup) this.circuitSetups.set(key, (circuitSetup = new CircuitSetup(this.circuits, setup)));
    return circuitSetup;
  }
}

/** The trace under these faults, if somebody has gone that way before. */
function follow(
  { first, circuitSetup: circuitSetup }: Beginning,
  faults: readonly FaultRef[],
  broken: string,
): Trace | undefined {
  const circuits: CircuitState[] = [];
  let at = first;
  while (at) {
    const { circuit, drive } = circuitSetup.sense(at.configuration, faults, broken);
    circuits.push(circuit);
    const next = at.ways.get(drive);
    if (next && 'segments' in next) return traceOf(next, circuits);
    at = next;
  }
  return undefined;
}

/** Where a simulation is now: `before` is the crossing it comes from, and what drove it there. */
function crossing(
  beginning: Beginning,
  before: Crossing | undefined,
  drive: DriveState | undefined,
  branchStates: Uint8Array,
): Crossing {
  const known = before ? (before.ways.get(drive!) as Crossing | undefined) : beginning.first;
  if (known) return known;
  const found: Crossing = { configuration: beginning.circuitSetup.configuration(branchStates), ways: new Map() };
  if (before) before.ways.set(drive!, found);
  else beginning.first = found;
  return found;
}

/** The faults that an expression asks about, that change how a part moves, or that decide the state it is found in. */
function nonElectricalFaultsOf(model: Model): boolean[][] {
  const nonElectrical = model.parts.map(({ kind, modes }) =>
    modes.map(({ id, starts }) => starts !== undefined || kind.nonElectricalFaults?.includes(id) === true),
  );
  for (const expression of running(model))
    for (const { part, mode } of expression.faults) {
      const { modes } = model.parts[part]!;
      for (let m = 0; m < modes.length; m++) if (modes[m]!.id === modes[mode]!.id) nonElectrical[part]![m] = true;
    }
  return nonElectrical;
}

/** Every expression that is asked while the appliance runs. */
function* running({ parts, quantities, controller, phases }: Model): Iterable<Expression> {
  for (const part of parts) yield* part.conditions.values();
  for (const { rules } of quantities) for (const { when } of rules) if (when) yield when;
  for (const region of controller?.regions ?? []) yield* askedBy(region);
  for (const { cue, window } of phases) yield* [cue, window];
}
