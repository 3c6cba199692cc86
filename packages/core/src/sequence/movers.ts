import type { PartView } from '../parts';
import type { Branch, Model, Part, Scope } from '../profile';
import { CircuitStates, type CircuitState } from './circuit-state';
import type { FaultRef, Setup } from './setup';
import type { Memory, Millis } from './trace';

/** Voltage between two nodes; zero when nothing joins them. */
export function voltsBetween(circuit: CircuitState, a: number, b: number): number {
  const { solution } = circuit;
  if (solution.island[a] !== solution.island[b]) return 0;
  return Math.hypot(solution.re[a]! - solution.re[b]!, solution.im[a]! - solution.im[b]!);
}

/** The parts of the appliance in motion: their states, what they are electrically, and where they are heading. */
export class Movers {
  readonly states: Int8Array;
  readonly electrical: Uint16Array;
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
  private readonly views: (PartView | undefined)[];
  private circuit!: CircuitState;
  private scope!: Scope;

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
    this.electrical = new Uint16Array(model.branches.length);
    this.moving = model.parts.filter((p) => p.kind.move).map((p) => p.index);
    this.control = model.controller?.part ?? -1;
    this.outputOfBranch = new Int16Array(model.branches.length).fill(-1);
    for (const output of model.controller?.outputs ?? []) this.outputOfBranch[output.branch] = output.index;
    this.views = model.parts.map((p) => (p.kind.move ? this.viewOf(p) : undefined));
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

  private viewOf(part: Part): PartView {
    const states = this.states;
    const branchOf = (name: string): Branch => part.branches.find((b) => b.name === name)!;
    const volts = (name: string): number => {
      const b = branchOf(name);
      return voltsBetween(this.circuit, b.a, b.b);
    };
    return {
      get state() {
        return part.kind.states[states[part.index]!]!;
      },
      spec: part.spec,
      fault: this.modeIds[part.index],
      volts,
      amps: (name) => {
        const electrical = this.circuits.electrical(this.electrical[branchOf(name).index]!);
        return electrical.type === 'impedance' ? volts(name) / Math.hypot(electrical.r, electrical.x) : 0;
      },
      sensed: (field) => this.scope.quantity(part.senses.get(field)!),
      holds: (field) => part.conditions.get(field)!.evaluate(this.scope) !== 0,
    };
  }

  /** Takes over the outputs the program commands. */
  setOutputs(outputs: readonly boolean[]): void {
    for (const branch of this.circuits.model.parts[this.control]?.branches ?? []) {
      const output = this.outputOfBranch[branch.index]!;
      if (output >= 0) this.setBranch(branch.index, outputs[output] ? branch.name : 'idle');
    }
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

  /** Lets every part that is due arrive, and asks all where they are heading now; true when one arrived. */
  move(now: Millis, circuit: CircuitState, scope: Scope): boolean {
    const { model } = this.circuits;
    let changed = false;
    this.circuit = circuit;
    this.scope = scope;
    for (const index of this.moving) {
      const part = model.parts[index]!;
      const states = part.kind.states;
      const move = part.kind.move!(this.views[index]!);
      const to = move === undefined ? -1 : states.indexOf(move.to);
      if (move === undefined || to === this.states[index]) {
        this.pendingTo[index] = -1;
        this.pendingAt[index] = Infinity;
        continue;
      }
      const at = now + Math.round(move.after);
      if (this.pendingTo[index] !== to || at < this.pendingAt[index]!) {
        this.pendingTo[index] = to;
        this.pendingAt[index] = at;
      }
      if (this.pendingAt[index]! > now) continue;
      this.states[index] = to;
      this.pendingTo[index] = -1;
      this.pendingAt[index] = Infinity;
      this.refresh(index);
      changed = true;
    }
    return changed;
  }

  next(): Millis {
    let soonest = Infinity;
    for (const index of this.moving) soonest = Math.min(soonest, this.pendingAt[index]!);
    return soonest;
  }

  key(now: Millis): string {
    let key = this.states.join('');
    for (const index of this.moving)
      if (this.pendingTo[index]! >= 0) key += `,${index}>${this.pendingTo[index]}@${this.pendingAt[index]! - now}`;
    return key;
  }
}

function fixedBranches(model: Model, setup: Setup): Int32Array {
  const fixed = new Int32Array(model.branches.length).fill(-1);
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
