import type { Model, Quantity, Scope } from '../profile';
import { rampValue, type Memory, type Millis, type Ramp } from './trace';

/** The physical quantities of the appliance: each heads for what its first matching rule says. */
export class Plant {
  readonly ramps: Ramp[][];
  private readonly rule: Int16Array;
  /** Age of the appliance when a quantity's rules were last asked. */
  private readonly asked: Int32Array;

  constructor(
    private readonly model: Model,
    from: Millis,
    memory: Memory | undefined,
  ) {
    this.rule = new Int16Array(model.quantities.length).fill(-1);
    this.asked = new Int32Array(model.quantities.length).fill(-1);
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

  /** Re-reads the rules; true when a quantity got a new heading. `age` tells whether anything but time has changed. */
  move(now: Millis, scope: Scope, age: number): boolean {
    let changed = false;
    for (const quantity of this.model.quantities) {
      if (quantity.timeless && this.asked[quantity.index] === age) continue;
      this.asked[quantity.index] = age;
      const found = holding(quantity, scope);
      if (found === this.rule[quantity.index]) continue;
      this.rule[quantity.index] = found;
      const rule = quantity.rules[found]!;
      const value = this.value(quantity.index, now);
      const ramps = this.ramps[quantity.index]!;
      const stays = rule.hold || value === rule.is;
      const ramp: Ramp = stays
        ? { from: now, value, start: now, over: 0, target: value }
        : { from: now, value, start: now + rule.after, over: rule.over, target: rule.is };
      // Several headings at one instant: the last one counts.
      if (this.latest(quantity.index).from === now) ramps[ramps.length - 1] = ramp;
      else ramps.push(ramp);
      changed = true;
    }
    return changed;
  }

  /** The next moment at which a quantity jumps, crosses a compared value or arrives. */
  next(now: Millis): Millis {
    let soonest = Infinity;
    for (const { index, thresholds } of this.model.quantities) {
      const ramp = this.latest(index);
      const end = ramp.start + ramp.over;
      if (now >= end) continue;
      if (ramp.over > 0)
        for (const threshold of thresholds) {
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
