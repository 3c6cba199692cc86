import type { Engine } from '../diagnosis';
import { type Hypothesis, waysOfFailing } from '../inference';
import { kindOf } from '../question';
import { NORMAL_SETUP } from '../simulation';
import { setupFor } from '../test-choice';

/** What a profile's tests can and cannot tell apart. */
export interface Coverage {
  /** Fault hypotheses, `other` modes left out. */
  readonly faults: readonly Hypothesis[];
  /** Number of fault modes whose predictions differ from those of every other mode. */
  readonly distinct: number;
  /** Groups of two or more faults that every test answers alike; the first member stands for the group. */
  readonly alike: readonly (readonly Hypothesis[])[];
  /** Faults that answer every test as a healthy appliance does. */
  readonly silent: readonly Hypothesis[];
}

/** Compares the predictions of all faults over all tests of a profile. */
export function coverage(engine: Engine): Coverage {
  // What comes and goes looks like its lasting twin whenever it is there.
  const faults = waysOfFailing(engine.hypotheses)
    .map((w) => w.hypothesis)
    .filter((h) => h.kind === 'fault' && h.occurs === 1)
    .sort((a, b) => a.index - b.index);
  const healthy = signature(engine, engine.healthy);
  const groups = new Map<string, Hypothesis[]>();
  const silent: Hypothesis[] = [];
  for (const h of faults) {
    const key = signature(engine, h);
    if (key === healthy) silent.push(h);
    else groups.set(key, [...(groups.get(key) ?? []), h]);
  }
  const alike = [...groups.values()].filter((g) => g.length > 1);
  return {
    faults,
    distinct: groups.size,
    alike,
    silent,
  };
}

function signature(engine: Engine, h: Hypothesis): string {
  return engine.tests
    .map((test) => {
      const chain = [{ setup: setupFor(NORMAL_SETUP, test.intervention), repaired: [] }];
      const prediction = engine.traces.predict(h.faults, chain, test.question);
      return kindOf(test.question).coarse(engine.model, test.question, prediction);
    })
    .join(';');
}
