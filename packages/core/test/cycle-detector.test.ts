import { CycleDetector } from '../src/simulation/cycle-detector';

describe('a state that comes again', () => {
  test('is found by what decides how it goes on, not by when it was', () => {
    const seen = new CycleDetector();
    expect(seen.before(1000, [1, 0, Infinity, 250])).toBeUndefined();
    expect(seen.before(4000, [0, 1, 500, 250])).toBeUndefined();
    expect(seen.before(9000, [1, 0, Infinity, 250])).toBe(1000);
  });

  test('a value a millionth off is the same, a thousandth off is not', () => {
    const seen = new CycleDetector();
    seen.before(0, [300]);
    expect(seen.before(1, [300.0001])).toBe(0);
    expect(seen.before(2, [300.3])).toBeUndefined();
  });
});
