import { fed, HOLDS, NOTHING, PULLS } from '../parts';
import type { Controller, Guard, Region, Scope } from '../profile';
import type { Felt } from './felt';
import type { Millis } from './trace';

const SUPPLIES = ['down', 'booting', 'up'] as const;

/** A burner control at work: its supply, its debounced inputs, its parallel regions. */
export class Program {
  supply: (typeof SUPPLIES)[number] = 'down';
  private deadline: Millis = Infinity;
  readonly inputs: boolean[];
  private readonly inputAt: Float64Array;
  readonly regionStates: Int8Array;
  readonly entered: Float64Array;
  readonly counters: Float64Array;
  readonly outputs: boolean[];
  /** The region whose guard is being asked; `after()` counts from its last change. */
  asking = 0;

  constructor(private readonly controller: Controller) {
    this.inputs = controller.inputs.map(() => false);
    this.inputAt = new Float64Array(controller.inputs.length).fill(Infinity);
    this.regionStates = Int8Array.from(controller.regions, (r) => r.start);
    this.entered = new Float64Array(controller.regions.length);
    this.counters = new Float64Array(controller.counters.length);
    this.outputs = controller.outputs.map(() => false);
  }

  /** Brings supply, inputs and regions up to date with what is felt of the circuit; true when anything changed. */
  move(now: Millis, felt: Felt, scope: Scope, onReset: (now: Millis) => void): boolean {
    let changed = this.moveSupply(now, felt.supply, onReset);
    if (this.supply === 'up') {
      if (this.moveInputs(now, felt, scope)) changed = true;
      if (this.moveRegions(now, scope)) changed = true;
    }
    return changed;
  }

  private moveSupply(now: Millis, felt: number, onReset: (now: Millis) => void): boolean {
    const { holdUp, boot } = this.controller;
    if (this.supply === 'down') {
      if (felt !== PULLS) return false;
      this.supply = 'booting';
      this.deadline = now + boot;
      return true;
    }
    if (this.supply === 'booting') {
      if (felt === NOTHING) {
        this.supply = 'down';
        this.deadline = Infinity;
        return true;
      }
      if (now < this.deadline) return false;
      this.supply = 'up';
      this.deadline = Infinity;
      this.entered.fill(now);
      this.refreshOutputs();
      return true;
    }
    if (felt !== NOTHING) {
      this.deadline = Infinity;
      return false;
    }
    if (this.deadline === Infinity) this.deadline = now + holdUp;
    if (now < this.deadline) return false;
    this.supply = 'down';
    this.deadline = Infinity;
    this.inputs.fill(false);
    this.inputAt.fill(Infinity);
    this.counters.fill(0);
    this.controller.regions.forEach((r) => (this.regionStates[r.index] = r.start));
    this.outputs.fill(false);
    onReset(now);
    return true;
  }

  private moveInputs(now: Millis, felt: Felt, scope: Scope): boolean {
    let changed = false;
    for (const input of this.controller.inputs) {
      const on = this.inputs[input.index]!;
      const level =
        input.quantity === undefined
          ? felt.inputs[input.index]!
          : fed(scope.quantity(input.quantity), input.breaks, input.makes);
      const wanted = on ? level >= HOLDS : level === PULLS;
      if (wanted === on) {
        this.inputAt[input.index] = Infinity;
        continue;
      }
      if (this.inputAt[input.index] === Infinity) this.inputAt[input.index] = now + input.debounce;
      if (now < this.inputAt[input.index]!) continue;
      this.inputs[input.index] = wanted;
      this.inputAt[input.index] = Infinity;
      changed = true;
    }
    return changed;
  }

  private moveRegions(now: Millis, scope: Scope): boolean {
    let changed = false;
    for (const region of this.controller.regions) {
      this.asking = region.index;
      const guard = open(region, this.regionStates[region.index]!, scope);
      if (!guard) continue;
      const values = guard.set.map((s) => s.value.evaluate(scope));
      guard.set.forEach((s, i) => (this.counters[s.counter] = values[i]!));
      this.regionStates[region.index] = guard.to;
      this.entered[region.index] = now;
      changed = true;
    }
    if (changed) this.refreshOutputs();
    return changed;
  }

  private refreshOutputs(): void {
    this.outputs.fill(false);
    for (const region of this.controller.regions)
      for (const output of region.states[this.regionStates[region.index]!]!.on) this.outputs[output] = true;
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

  next(now: Millis): Millis {
    let soonest = this.deadline;
    if (this.supply !== 'up') return soonest;
    for (const at of this.inputAt) soonest = Math.min(soonest, at);
    for (const region of this.controller.regions) {
      const entered = this.entered[region.index]!;
      for (const timer of region.states[this.regionStates[region.index]!]!.timers)
        if (entered + timer > now) {
          soonest = Math.min(soonest, entered + timer);
          break;
        }
    }
    return soonest;
  }

  /** Supply, states, inputs, timers and counters, seen from now; a timer that has run out has run out. */
  outlook(now: Millis, into: number[]): void {
    into.push(SUPPLIES.indexOf(this.supply), this.deadline - now);
    for (let i = 0; i < this.inputs.length; i++) into.push(this.inputs[i] ? 1 : 0, this.inputAt[i]! - now);
    for (let i = 0; i < this.entered.length; i++)
      into.push(this.regionStates[i]!, Math.min(now - this.entered[i]!, this.controller.regions[i]!.longest + 1));
    for (const counter of this.counters) into.push(counter);
  }
}

/** The first guard that lets a region go on from a state; those of the region itself are asked first. */
function open(region: Region, at: number, scope: Scope): Guard | undefined {
  for (const guard of region.always)
    if (guard.to !== at && !guard.except.includes(at) && guard.when.evaluate(scope) !== 0) return guard;
  for (const guard of region.states[at]!.go) if (guard.when.evaluate(scope) !== 0) return guard;
  return undefined;
}
