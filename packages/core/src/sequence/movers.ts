import type { Electrical, PartView, Spec } from '../parts';
import type { Branch, Model, Part, Scope } from '../profile';
import { CircuitStates, type CircuitState } from './circuit-state';
import type { FaultRef, Setup } from './setup';
import type { Memory, Millis } from './trace';

/** Voltage between two nodes; zero when nothing joins them. */
export function voltsBetween(circuit: CircuitState, a: number, b: number): number {
  const { solution } = circuit;
  if (solution.island[a] !== solution.island[b]) return 0;
  const re = solution.re[a]! - solution.re[b]!;
  const im = solution.im[a]! - solution.im[b]!;
  // Asked at every instant for every coil and contact: the plain root, not the careful one of hypot.
  return Math.sqrt(re * re + im * im);
}

/** The parts of the appliance in motion: their states, what they are electrically, and where they are heading. */
export class Movers {
  readonly states: Int8Array;
  readonly electrical: number[];
  /** Set when the circuit must be solved anew. */
  dirty = true;
  private readonly modeIds: (string | undefined)[];
  private readonly pendingTo: Int8Array;
  private readonly pendingAt: Float64Array;
  private readonly fixed: Int32Array;
  private readonly moving: readonly number[];
  private readonly control: number;
  private readonly outputOfBranch: Int16Array;
  /** What each moving part can see; made once, they read the present circuit. */
  private readonly views: readonly View[];
  /** Age of the appliance when a moving part was last asked; −1 when its answer may change by time alone. */
  private readonly asked: Int32Array;
  circuit!: CircuitState;
  scope!: Scope;

  constructor(
    private readonly circuits: CircuitStates,
    faults: readonly FaultRef[],
    setup: Setup,
    memory: Memory | undefined,
  ) {
    const { model } = circuits;
    this.states = new Int8Array(model.parts.length);
    this.modeIds = model.parts.map(() => undefined);
    for (const fault of faults) this.modeIds[fault.part] = model.parts[fault.part]!.modes[fault.mode]!.id;
    this.pendingTo = new Int8Array(model.parts.length).fill(-1);
    this.pendingAt = new Float64Array(model.parts.length).fill(Infinity);
    this.fixed = fixedBranches(model, setup);
    this.electrical = model.branches.map(() => 0);
    this.moving = model.parts.filter((p) => p.kind.move).map((p) => p.index);
    this.control = model.controller?.part ?? -1;
    this.outputOfBranch = new Int16Array(model.branches.length).fill(-1);
    for (const output of model.controller?.outputs ?? []) this.outputOfBranch[output.branch] = output.index;
    this.views = this.moving.map((index) => new View(this, model.parts[index]!, this.modeIds[index]));
    this.asked = new Int32Array(this.moving.length).fill(-1);
    for (const part of model.parts)
      if (part.kind.starts !== undefined) this.states[part.index] = part.kind.states.indexOf(part.kind.starts);
    if (!memory)
      for (const fault of faults) {
        const { starts } = model.parts[fault.part]!.modes[fault.mode]!;
        if (starts !== undefined) this.states[fault.part] = model.parts[fault.part]!.kind.states.indexOf(starts);
      }
    else
      for (const [part, state] of memory.partStates) this.states[part] = model.parts[part]!.kind.states.indexOf(state);
    for (const part of model.parts) this.refresh(part.index);
  }

  fault(part: number): string | undefined {
    return this.modeIds[part];
  }

  /** Takes over the outputs the program commands. */
  setOutputs(outputs: readonly boolean[]): void {
    for (const branch of this.circuits.model.parts[this.control]?.branches ?? []) {
      const output = this.outputOfBranch[branch.index]!;
      if (output >= 0) this.setBranch(branch.index, outputs[output] ? branch.name : 'idle');
    }
  }

  /** What a branch is electrically at present. */
  electricalOf(branch: Branch): Electrical {
    return this.circuits.electrical(this.electrical[branch.index]!);
  }

  private refresh(part: number): void {
    const { parts } = this.circuits.model;
    const state = part === this.control ? 'idle' : parts[part]!.kind.states[this.states[part]!]!;
    for (const branch of parts[part]!.branches) this.setBranch(branch.index, state);
  }

  private setBranch(branch: number, state: string): void {
    const fixed = this.fixed[branch]!;
    const id =
      fixed >= 0
        ? fixed
        : this.circuits.electricalId(branch, state, this.modeIds[this.circuits.model.branches[branch]!.part]);
    if (id === this.electrical[branch]) return;
    this.electrical[branch] = id;
    this.dirty = true;
  }

  /**
   * Lets every part that is due arrive, and asks all where they are heading now; true when one arrived. `age` tells
   * whether anything but time has changed: whom time does not move by itself is not asked again.
   */
  move(now: Millis, circuit: CircuitState, scope: Scope, age: number): boolean {
    let changed = false;
    this.circuit = circuit;
    this.scope = scope;
    for (let m = 0; m < this.moving.length; m++) {
      const index = this.moving[m]!;
      if (this.asked[m] !== age) this.ask(m, now, age);
      if (this.pendingAt[index]! > now) continue;
      this.states[index] = this.pendingTo[index]!;
      this.pendingTo[index] = -1;
      this.pendingAt[index] = Infinity;
      this.refresh(index);
      changed = true;
    }
    return changed;
  }

  /** Asks a moving part where it is heading. */
  private ask(m: number, now: Millis, age: number): void {
    const index = this.moving[m]!;
    const view = this.views[m]!;
    const { kind } = view.part;
    view.timeless = true;
    const move = kind.move!(view);
    this.asked[m] = view.timeless ? age : -1;
    const to = move === undefined ? -1 : kind.states.indexOf(move.to);
    if (move === undefined || to === this.states[index]) {
      this.pendingTo[index] = -1;
      this.pendingAt[index] = Infinity;
      return;
    }
    const at = now + Math.round(move.after);
    if (this.pendingTo[index] !== to || at < this.pendingAt[index]!) {
      this.pendingTo[index] = to;
      this.pendingAt[index] = at;
    }
  }

  next(): Millis {
    let soonest = Infinity;
    for (const index of this.moving) soonest = Math.min(soonest, this.pendingAt[index]!);
    return soonest;
  }

  /** Where the moving parts are, where they are heading and when they arrive, seen from now. */
  outlook(now: Millis, into: number[]): void {
    for (const index of this.moving)
      into.push(this.states[index]!, this.pendingTo[index]!, this.pendingAt[index]! - now);
  }
}

function fixedBranches(model: Model, setup: Setup): Int32Array {
  const fixed = new Int32Array(model.branches.length).fill(-1);
  if (setup.bypassed.length + setup.unplugged.length + setup.actions.length === 0) return fixed;
  for (const part of model.parts)
    if (setup.bypassed.includes(part.id))
      for (const branch of part.branches) fixed[branch.index] = CircuitStates.bypassed;
  const pulled = new Set(setup.unplugged);
  for (const action of model.actions)
    if (setup.actions.includes(action.id)) for (const id of action.unplugs) pulled.add(id);
  for (const plug of model.plugs)
    if (pulled.has(plug.id)) for (const pin of plug.pins) fixed[pin] = CircuitStates.unplugged;
  return fixed;
}

/** What one part can see of the present circuit and appliance. */
class View implements PartView {
  /** Whether everything it looked at since this was set stays as it is while nothing but time changes. */
  timeless = true;

  constructor(
    private readonly movers: Movers,
    readonly part: Part,
    readonly fault: string | undefined,
  ) {}

  get state(): string {
    return this.part.kind.states[this.movers.states[this.part.index]!]!;
  }

  get spec(): Spec {
    return this.part.spec;
  }

  volts(name: string): number {
    const { a, b } = this.branch(name);
    return voltsBetween(this.movers.circuit, a, b);
  }

  amps(name: string): number {
    const electrical = this.movers.electricalOf(this.branch(name));
    if (electrical.type !== 'impedance') return 0;
    // The plain root here too: every fuse asks at every instant.
    return this.volts(name) / Math.sqrt(electrical.r * electrical.r + electrical.x * electrical.x);
  }

  sensed(field: string): number {
    this.timeless = false;
    return this.movers.scope.quantity(this.part.senses.get(field)!);
  }

  holds(field: string): boolean {
    const condition = this.part.conditions.get(field)!;
    if (!condition.timeless) this.timeless = false;
    return condition.evaluate(this.movers.scope) !== 0;
  }

  private branch(name: string): Branch {
    const { branches } = this.part;
    let at = 0;
    while (at < branches.length - 1 && branches[at]!.name !== name) at++;
    return branches[at]!;
  }
}
