import type { Millis } from '../units';
import type { Model, Quantity, Scope } from '../profile';
import type { Due } from './dependency-index';
import type { FaultRef } from './setup';
import { type Memory, type Ramp, rampValue } from './trace';

/** The physical quantities of the appliance: each heads for what its first matching rule says. */
export class Plant {
  readonly ramps: Ramp[][];
  private readonly rule: Int16Array;
  /** By quantity: when its present ramp begins to move, and when it has arrived. */
  private readonly leaves: Float64Array;
  private readonly arrives: Float64Array;
  private looked: Millis;

  constructor(
    private readonly model: Model,
    from: Millis,
    memory: Memory | undefined,
    private readonly due: Due,
    private readonly broken: readonly FaultRef[],
  ) {
    this.looked = from;
    this.rule = new Int16Array(model.quantities.length).fill(-1);
    this.leaves = new Float64Array(model.quantities.length).fill(from);
    this.arrives = new Float64Array(model.quantities.length).fill(from);
    this.ramps = model.quantities.map((q) => {
      const value = memory?.quantities.get(q.index) ?? q.start;
      return [{ from, value, start: from, over: 0, target: value }];
    });
  }

  value(quantity: number, at: Millis): number {
    return rampValue(this.latest(quantity), at);
  }

  private latest(quantity: number): Ramp {
    const ramps = this.ramps[quantity]!;
    return ramps[ramps.length - 1]!;
  }

  /** Lets time pass: whoever looks at a quantity that was on its way is due. */
  pass(now: Millis): void {
    for (let quantity = 0; quantity < this.ramps.length; quantity++) {
      if (this.looked < this.arrives[quantity]! && this.leaves[quantity]! <= now)
        this.due.changed('quantity', quantity);
    }
    this.looked = now;
  }

  /** Re-reads the rules of those who are due; true when a quantity got a new heading. */
  move(now: Millis, scope: Scope): boolean {
    let changed = false;
    for (let index = 0; index < this.ramps.length; index++) {
      if (!this.due.take(this.due.index.quantities + index)) continue;
      const quantity = this.model.quantities[index]!;
      const found = holding(quantity, scope);
      if (found === this.rule[index]) continue;
      this.rule[index] = found;
      const rule = quantity.rules[found]!;
      const value = this.value(index, now);
      const ramps = this.ramps[index]!;
      const target = this.targetOf(rule);
      const stays = rule.hold || value === target;
      const ramp: Ramp = stays
        ? { from: now, value, start: now, over: 0, target: value }
        : { from: now, value, start: now + rule.after, over: rule.over, target };
      // Several headings at one instant: the last one counts.
      if (this.latest(index).from === now) ramps[ramps.length - 1] = ramp;
      else ramps.push(ramp);
      this.leaves[index] = ramp.start;
      this.arrives[index] = ramp.start + ramp.over;
      this.due.changed('quantity', index);
      changed = true;
    }
    return changed;
  }

  private targetOf({ is, spread, when }: Quantity['rules'][number]): number {
    if (!spread) return is;
    const fault = this.broken.find((f) => when!.faults.some((asked) => asked.part === f.part));
    const at = fault && this.model.parts[fault.part]!.modes[fault.mode]!.severity?.at;
    return at === undefined ? is : spread.from + (spread.to - spread.from) * at;
  }

  /** The next moment at which a quantity jumps, crosses a compared value or arrives. */
  next(now: Millis): Millis {
    let soonest = Infinity;
    for (let index = 0; index < this.ramps.length; index++) {
      const end = this.arrives[index]!;
      if (now >= end) continue;
      const ramp = this.latest(index);
      const { thresholds } = this.model.quantities[index]!;
      if (ramp.over > 0)
        for (let i = 0; i < thresholds.length; i++) {
          const threshold = thresholds[i]!;
          const share = (threshold - ramp.value) / (ramp.target - ramp.value);
          if (!(share >= 0 && share < 1)) continue;
          const at = Math.ceil(ramp.start + share * ramp.over);
          if (at > now) soonest = Math.min(soonest, at);
          // Met to the digit at a whole millisecond, a value is passed only in the next.
          else if (at === now && !passed(ramp, threshold, now)) soonest = Math.min(soonest, now + 1);
        }
      soonest = Math.min(soonest, end);
    }
    return soonest;
  }

  /** Every quantity, where it is heading and how long it takes, seen from now. */
  outlook(now: Millis, into: number[]): void {
    for (let i = 0; i < this.ramps.length; i++) {
      const ramp = this.latest(i);
      into.push(this.rule[i]!, rampValue(ramp, now), Math.max(0, ramp.start + ramp.over - now));
    }
  }
}

function passed(ramp: Ramp, threshold: number, at: Millis): boolean {
  const value = rampValue(ramp, at);
  return ramp.target > ramp.value ? value > threshold : value < threshold;
}

/** The first rule of a quantity that holds; the last one always does. */
function holding({ rules }: Quantity, scope: Scope): number {
  for (let i = 0; i < rules.length; i++) {
    const { when } = rules[i]!;
    if (when === undefined || when.evaluate(scope) !== 0) return i;
  }
  return -1;
}
