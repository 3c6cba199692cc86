import type { Millis } from '../units';
import type { FaultMode, PartView, Spec } from '../parts';
import type { Model, Part, Scope } from '../profile';
import type { Due } from './dependency-index';
import type { DriveState } from './drive-state';
import { failureModeOf, type FaultRef, specUnder } from './setup';
import type { Memory } from './trace';

/** The parts of the appliance in motion: their states, and where they are heading. */
export class PartDynamics {
  readonly states: Int8Array;
  /** State of each branch: that of its part, or 1 for an output of the control that is on. */
  readonly branchStates: Uint8Array;
  /** Set when the circuit may have changed. */
  stirred = true;
  private readonly pendingTo: Int8Array;
  private readonly pendingAt: Float64Array;
  private readonly moving: readonly number[];
  /** What each moving part can see; made once, they look at the present. */
  private readonly views: readonly View[];
  drive!: DriveState;
  scope!: Scope;

  /** `nonElectrical` is what is broken, as far as it changes how the parts move; `matters` tells which branches' states do anything. */
  constructor(
    private readonly model: Model,
    private readonly matters: readonly boolean[],
    nonElectrical: readonly FaultRef[],
    memory: Memory | undefined,
    private readonly due: Due,
  ) {
    this.states = new Int8Array(model.parts.length);
    this.branchStates = new Uint8Array(model.branches.length);
    this.pendingTo = new Int8Array(model.parts.length).fill(-1);
    this.pendingAt = new Float64Array(model.parts.length).fill(Infinity);
    this.moving = model.parts.filter((p) => p.kind.move).map((p) => p.index);
    this.views = this.moving.map(
      (index) => new View(this, model.parts[index]!, nonElectricalFault(model.parts[index]!, nonElectrical)),
    );
    for (const part of model.parts)
      if (part.kind.starts !== undefined) this.states[part.index] = part.kind.states.indexOf(part.kind.starts);
    if (!memory)
      for (const fault of nonElectrical) {
        const { starts } = model.parts[fault.part]!.modes[fault.mode]!;
        if (starts !== undefined) this.states[fault.part] = model.parts[fault.part]!.kind.states.indexOf(starts);
      }
    else
      for (const [part, state] of memory.partStates) this.states[part] = model.parts[part]!.kind.states.indexOf(state);
    for (const part of model.parts)
      for (const branch of part.branches) this.branchStates[branch.index] = this.states[part.index]!;
  }

  /** Takes over the outputs the program commands. */
  setOutputs(outputs: readonly boolean[]): void {
    const declared = this.model.controller!.outputs;
    for (let i = 0; i < declared.length; i++) this.setBranch(declared[i]!.branch, outputs[i] ? 1 : 0);
  }

  private setBranch(branch: number, state: number): void {
    if (this.branchStates[branch] === state) return;
    this.branchStates[branch] = state;
    if (this.matters[branch]) this.stirred = true;
  }

  /** Asks those who are due where they are heading, and lets every part whose time has come arrive; true when one arrived. */
  move(now: Millis, drive: DriveState, scope: Scope): boolean {
    let changed = false;
    this.drive = drive;
    this.scope = scope;
    for (let i = 0; i < this.views.length; i++) {
      const view = this.views[i]!;
      const index = this.moving[i]!;
      if (this.due.take(index)) this.ask(view, now);
      if (this.pendingAt[index]! > now) continue;
      this.states[index] = this.pendingTo[index]!;
      this.pendingTo[index] = -1;
      this.pendingAt[index] = Infinity;
      for (const branch of view.part.branches) this.setBranch(branch.index, this.states[index]);
      this.due.changed('part', index);
      changed = true;
    }
    return changed;
  }

  private ask(view: View, now: Millis): void {
    const { index, kind } = view.part;
    const move = kind.move!(view);
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
    for (let index = 0; index < this.pendingAt.length; index++)
      if (this.pendingAt[index]! < soonest) soonest = this.pendingAt[index]!;
    return soonest;
  }

  /** Where the moving parts are, where they are heading and when they arrive, seen from now. */
  outlook(now: Millis, into: number[]): void {
    for (let i = 0; i < this.moving.length; i++) {
      const index = this.moving[i]!;
      into.push(this.states[index]!, this.pendingTo[index]!, this.pendingAt[index]! - now);
    }
  }
}

/** The way in which a part is broken, if it is one of the kind’s non-electrical faults. */
function nonElectricalFault(part: Part, nonElectrical: readonly FaultRef[]): FaultMode | undefined {
  const mode = failureModeOf(part, nonElectrical);
  return mode !== undefined && part.kind.nonElectricalFaults?.includes(mode.id) ? mode : undefined;
}

/** What one part can see of the present appliance. */
class View implements PartView {
  readonly fault: string | undefined;
  readonly spec: Spec;

  constructor(
    private readonly dynamics: PartDynamics,
    readonly part: Part,
    mode: FaultMode | undefined,
  ) {
    this.fault = mode?.id;
    this.spec = specUnder(part, mode);
  }

  get state(): string {
    return this.part.kind.states[this.dynamics.states[this.part.index]!]!;
  }

  get drive(): number {
    return this.dynamics.drive.parts[this.part.index]!;
  }

  sensed(field: string): number {
    return this.dynamics.scope.quantity(this.part.senses.get(field)!);
  }

  holds(field: string): boolean {
    return this.part.conditions.get(field)!.evaluate(this.dynamics.scope) !== 0;
  }
}
