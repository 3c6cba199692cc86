import type { Millis } from '../units';
import { fed, HOLDS, NOTHING, PULLS } from '../parts';
import type { Controller, Region, Scope, Transition } from '../profile';
import type { Due } from './dependency-index';
import type { DriveState } from './drive-state';

const SUPPLIES = ['down', 'booting', 'up'] as const;

/** A burner control at work: its supply, its debounced inputs, its parallel regions. */
export class ControlProgram {
  supply: (typeof SUPPLIES)[number] = 'down';
  private deadline: Millis = Infinity;
  readonly inputs: boolean[];
  private readonly inputAt: Float64Array;
  readonly regionStates: Int8Array;
  readonly entered: Float64Array;
  readonly counters: Float64Array;
  readonly outputs: boolean[];
  /** By region: when a guard may next turn true by time alone. */
  private readonly timerAt: Float64Array;
  /** The region whose guard is being asked; `after()` counts from its last change. */
  asking = 0;

  constructor(
    private readonly controller: Controller,
    private readonly due: Due,
  ) {
    this.inputs = controller.inputs.map(() => false);
    this.inputAt = new Float64Array(controller.inputs.length).fill(Infinity);
    this.regionStates = Int8Array.from(controller.regions, (r) => r.start);
    this.entered = new Float64Array(controller.regions.length);
    this.counters = new Float64Array(controller.counters.length);
    this.outputs = controller.outputs.map(() => false);
    this.timerAt = new Float64Array(controller.regions.length).fill(Infinity);
  }

  /** Brings supply, inputs and regions up to date with how the circuit drives it; true when anything changed. */
  move(now: Millis, drive: DriveState, scope: Scope, onReset: (now: Millis) => void): boolean {
    let changed = this.moveSupply(now, drive.supply, onReset);
    if (this.supply === 'up') {
      if (this.moveInputs(now, drive, scope)) changed = true;
      if (this.moveRegions(now, scope)) changed = true;
    }
    return changed;
  }

  private moveSupply(now: Millis, drive: number, onReset: (now: Millis) => void): boolean {
    const { holdUp, boot } = this.controller;
    if (this.supply === 'down') {
      if (drive !== PULLS) return false;
      this.supply = 'booting';
      this.deadline = now + boot;
      return true;
    }
    if (this.supply === 'booting') {
      if (drive === NOTHING) {
        this.supply = 'down';
        this.deadline = Infinity;
        return true;
      }
      if (now < this.deadline) return false;
      this.supply = 'up';
      this.deadline = Infinity;
      this.entered.fill(now);
      this.refreshOutputs();
      this.due.changed('alive', 0);
      return true;
    }
    if (drive !== NOTHING) {
      this.deadline = Infinity;
      return false;
    }
    if (this.deadline === Infinity) this.deadline = now + holdUp;
    if (now < this.deadline) return false;
    this.supply = 'down';
    this.deadline = Infinity;
    this.inputAt.fill(Infinity);
    this.due.changed('alive', 0);
    for (let i = 0; i < this.inputs.length; i++) this.setInput(i, false);
    for (let i = 0; i < this.counters.length; i++) this.setCounter(i, 0);
    for (let i = 0; i < this.outputs.length; i++) this.setOutput(i, false);
    for (const { index, start } of this.controller.regions) this.regionStates[index] = start;
    onReset(now);
    return true;
  }

  private moveInputs(now: Millis, drive: DriveState, scope: Scope): boolean {
    let changed = false;
    const { inputs } = this.controller;
    for (let i = 0; i < inputs.length; i++) {
      const input = inputs[i]!;
      const on = this.inputs[input.index]!;
      const level =
        input.quantity === undefined
          ? drive.inputs[input.index]!
          : fed(scope.quantity(input.quantity), input.breaks, input.makes);
      const wanted = on ? level >= HOLDS : level === PULLS;
      if (wanted === on) {
        this.inputAt[input.index] = Infinity;
        continue;
      }
      if (this.inputAt[input.index] === Infinity) this.inputAt[input.index] = now + input.debounce;
      if (now < this.inputAt[input.index]!) continue;
      this.setInput(input.index, wanted);
      this.inputAt[input.index] = Infinity;
      changed = true;
    }
    return changed;
  }

  private moveRegions(now: Millis, scope: Scope): boolean {
    let changed = false;
    const { regions } = this.controller;
    for (let index = 0; index < regions.length; index++) {
      if (!this.due.take(this.due.index.regions + index) && now < this.timerAt[index]!) continue;
      const region = regions[index]!;
      this.asking = index;
      const guard = open(region, this.regionStates[index]!, scope);
      if (guard) {
        const values = guard.set.map((s) => s.value.evaluate(scope));
        guard.set.forEach((s, i) => this.setCounter(s.counter, values[i]!));
        this.regionStates[index] = guard.to;
        this.entered[index] = now;
        this.due.changed('region', index);
        changed = true;
      }
      const since = now - this.entered[index]!;
      const timer = region.states[this.regionStates[index]!]!.timers.find((t) => t > since);
      this.timerAt[index] = timer === undefined ? Infinity : this.entered[index]! + timer;
    }
    if (changed) this.refreshOutputs();
    return changed;
  }

  private refreshOutputs(): void {
    const { outputs, regions } = this.controller;
    for (let i = 0; i < outputs.length; i++)
      this.setOutput(
        i,
        regions.some((region) => region.states[this.regionStates[region.index]!]!.on.includes(i)),
      );
  }

  private setInput(index: number, on: boolean): void {
    if (this.inputs[index] === on) return;
    this.inputs[index] = on;
    this.due.changed('input', index);
  }

  private setCounter(index: number, value: number): void {
    if (this.counters[index] === value) return;
    this.counters[index] = value;
    this.due.changed('counter', index);
  }

  private setOutput(index: number, on: boolean): void {
    if (this.outputs[index] === on) return;
    this.outputs[index] = on;
    this.due.changed('output', index);
  }

  /** The code the status light shows; the first region with one speaks. */
  code(): string | undefined {
    if (this.supply !== 'up') return undefined;
    for (const region of this.controller.regions) {
      const code = region.states[this.regionStates[region.index]!]!.code;
      if (code !== undefined) return code;
    }
    return undefined;
  }

  lockedOut(): boolean {
    return this.supply === 'up' && this.controller.regions.some((r) => r.states[this.regionStates[r.index]!]!.lockout);
  }

  next(): Millis {
    let soonest = this.deadline;
    if (this.supply !== 'up') return soonest;
    for (let i = 0; i < this.inputAt.length; i++) if (this.inputAt[i]! < soonest) soonest = this.inputAt[i]!;
    for (let i = 0; i < this.timerAt.length; i++) if (this.timerAt[i]! < soonest) soonest = this.timerAt[i]!;
    return soonest;
  }

  /** Supply, states, inputs, timers and counters, seen from now; a timer that has run out has run out. */
  outlook(now: Millis, into: number[]): void {
    into.push(SUPPLIES.indexOf(this.supply), this.deadline - now);
    for (let i = 0; i < this.inputs.length; i++) into.push(this.inputs[i] ? 1 : 0, this.inputAt[i]! - now);
    for (let i = 0; i < this.entered.length; i++)
      into.push(this.regionStates[i]!, Math.min(now - this.entered[i]!, this.controller.regions[i]!.longest + 1));
    for (let i = 0; i < this.counters.length; i++) into.push(this.counters[i]!);
  }
}

/** The first guard that lets a region go on from a state; those of the region itself are asked first. */
function open({ always, states }: Region, at: number, scope: Scope): Transition | undefined {
  return (
    always.find(({ to, except, when }) => to !== at && !except.includes(at) && when.evaluate(scope) !== 0) ??
    states[at]!.go.find(({ when }) => when.evaluate(scope) !== 0)
  );
}
