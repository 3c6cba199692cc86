import type { Engine } from '../diagnosis';
import type { Hypothesis } from '../inference';
import { type Prediction, type Question, readsOpen } from '../question';
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
  const faults = engine.hypotheses.filter((h) => h.kind === 'fault' && h.occurs === 1);
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
      return rounded(engine.traces.predict(h.faults, chain, test.question), ratedOf(engine, test.question));
    })
    .join(';');
}

/** Volts of the source behind the red probe: millivolts are told apart in finer steps than line volts. */
const ratedOf = ({ model }: Engine, q: Question): number =>
  q.kind === 'volts'
    ? Math.max(model.ratedVolts[q.red]!, q.black === model.ground ? 0 : model.ratedVolts[q.black]!)
    : 0;

/** Predictions rounded to what a meter can tell apart. */
function rounded(p: Prediction, rated: number): string {
  const step = Math.min(0.5, 0.02 * rated);
  switch (p.kind) {
    case 'choice':
      return `${p.answer}`;
    case 'volts':
      return p.volts < step ? 'dead' : `${Math.round(Math.log(p.volts) * 12)}V`;
    case 'ghost':
      return 'dead';
    case 'unsteady':
      return `u${Math.round(p.high / (6 * step))}`;
    case 'ohms':
      return readsOpen(p.ohms) ? 'OL' : `${Math.round(Math.log(Math.max(p.ohms, 0.2)) * 4)}`;
    case 'number':
      return p.value === 0 ? '0' : `${Math.sign(p.value) * Math.round(Math.log(Math.abs(p.value)) * 6)}`;
    case 'never':
      return 'never';
  }
}
