import type { Model } from '../src/profile';
import { CircuitStates, findFault, NORMAL_SETUP, run, type Trace } from '../src/simulation';
import { FAMILIES, profile } from './models';

/**
 * The run jumps from one moment at which something can change to the next. Whoever stops at more moments must see the
 * same: here the run is made to stop at values that nothing compares with.
 */
function restless(model: Model): Model {
  return {
    ...model,
    quantities: model.quantities.map((q) => {
      const values = [q.start, ...q.rules.map((r) => r.is), ...q.thresholds].sort((a, b) => a - b);
      const between = values.slice(1).flatMap((v, i) => [0.29, 0.61].map((s) => values[i]! + s * (v - values[i]!)));
      return { ...q, thresholds: [...q.thresholds, ...between].sort((a, b) => a - b) };
    }),
  };
}

const seen = ({ cues, windows, outcome, code, end, cycle, circuits }: Trace) => ({
  cues,
  windows,
  outcome,
  code,
  end,
  cycle,
  circuits: circuits.map((c) => [c.from, c.to]),
});

describe.each(FAMILIES)('a run that is stopped more often comes out the same: %s', (id) => {
  const model = profile(id);
  const faults = model.parts.flatMap((p) => p.modes.filter((m) => m.other !== true).map((m) => `${p.id}.${m.id}`));
  const runs = (m: Model) => {
    const states = new CircuitStates(m);
    return ['', ...faults.filter((_, i) => i % 3 === 0)].map((name) => ({
      name,
      ...seen(run(states, name === '' ? [] : [findFault(m, name)], NORMAL_SETUP)),
    }));
  };
  const usual = runs(model);

  test('with every cue, window and circuit at the same millisecond', () =>
    expect(runs(restless(model))).toEqual(usual));

  test('and twice the same run is the same run', () => expect(runs(model)).toEqual(usual));

  test('time goes forward, and what is on its way never outlasts the run', () => {
    for (const { cues, windows, end, circuits } of usual) {
      for (const { from, to } of [...cues.flat(), ...windows.flat()]) {
        expect(from).toBeLessThan(to);
        expect(to).toBeLessThanOrEqual(end);
      }
      circuits.forEach(([from, to], i) => {
        expect(to).toBeGreaterThanOrEqual(from!);
        if (i > 0) expect(from).toBe(circuits[i - 1]![1]);
      });
    }
  });
});
