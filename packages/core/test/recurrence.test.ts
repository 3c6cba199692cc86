import type { Expression, Model } from '../src/profile';
import { CircuitStates, NORMAL_SETUP, run, type Trace } from '../src/sequence';
import { Recurrence } from '../src/sequence/recurrence';
import { FAMILIES, profile } from './models';

describe('a state that comes again', () => {
  test('is found by what decides how it goes on, not by when it was', () => {
    const seen = new Recurrence();
    expect(seen.before(1000, [1, 0, Infinity, 250])).toBeUndefined();
    expect(seen.before(4000, [0, 1, 500, 250])).toBeUndefined();
    expect(seen.before(9000, [1, 0, Infinity, 250])).toBe(1000);
  });

  test('a value a millionth off is the same, a thousandth off is not', () => {
    const seen = new Recurrence();
    seen.before(0, [300]);
    expect(seen.before(1, [300.0001])).toBe(0);
    expect(seen.before(2, [300.3])).toBeUndefined();
  });
});

describe('what is not asked again would have answered the same', () => {
  /** The same appliance, for which every expression has to be asked at every moment. */
  function alwaysAsked(model: Model): Model {
    const timed = (e: Expression): Expression => ({ ...e, timeless: false });
    return {
      ...model,
      parts: model.parts.map((p) => ({
        ...p,
        conditions: new Map([...p.conditions].map(([field, condition]) => [field, timed(condition)])),
      })),
      quantities: model.quantities.map((q) => ({ ...q, timeless: false })),
      phases: model.phases.map((p) => ({ ...p, cue: timed(p.cue), window: timed(p.window) })),
    };
  }
  const gist = ({ end, outcome, code, cues, windows, ramps, cycle, resets }: Trace) =>
    JSON.stringify({ end, outcome, code, cues, windows, ramps, cycle, resets });

  test.each(FAMILIES)('%s, under every fault', (id) => {
    const model = profile(id);
    const [quick, slow] = [new CircuitStates(model), new CircuitStates(alwaysAsked(model))];
    for (const part of model.parts)
      part.modes.forEach((_, mode) => {
        const faults = [{ part: part.index, mode }];
        expect(gist(run(quick, faults, NORMAL_SETUP))).toBe(gist(run(slow, faults, NORMAL_SETUP)));
      });
  });
});
