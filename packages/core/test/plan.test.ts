import fc from 'fast-check';
import { MOST_TO_PLAN, planMinutes, type PlannedTest } from '../src/test-choice';

/** The same by plain recursion over lists: slow, and written without bits. */
function naive(shares: number[], groups: number[], tests: PlannedTest[], left: number[]): number {
  if (left.every((i) => groups[i] === groups[left[0]!])) return 0;
  let best = Infinity;
  for (const test of tests) {
    const parts = new Map<number, number[]>();
    for (const i of left) parts.set(test.outcome[i]!, [...(parts.get(test.outcome[i]!) ?? []), i]);
    if (parts.size < 2) continue;
    const total = left.reduce((sum, i) => sum + shares[i]!, 0);
    let cost = test.minutes;
    for (const part of parts.values())
      cost += (part.reduce((sum, i) => sum + shares[i]!, 0) / total) * naive(shares, groups, tests, part);
    best = Math.min(best, cost);
  }
  return best === Infinity ? 0 : best;
}

describe('the exact plan', () => {
  test('four equal suspects and a test for each half: two tests whatever comes', () => {
    const tests = [
      { minutes: 1, outcome: [0, 0, 1, 1] },
      { minutes: 1, outcome: [0, 1, 0, 1] },
    ];
    expect(planMinutes([1, 1, 1, 1], [0, 1, 2, 3], tests)).toEqual([2, 2]);
  });

  test('suspects with one repair need not be told apart; a test that splits nothing is endless', () => {
    expect(planMinutes([1, 1, 1], [0, 0, 1], [{ minutes: 3, outcome: [0, 0, 1] }])).toEqual([3]);
    expect(planMinutes([1, 1], [0, 1], [{ minutes: 3, outcome: [0, 0] }])).toEqual([Infinity]);
  });

  test('a test that the proof of what is true takes anyway is free for those it proves', () => {
    const cheap = { minutes: 3, outcome: [0, 1] };
    const dear = { minutes: 8, outcome: [0, 1], needed: [true, false] };
    // Half the time the eight minutes would be spent all the same: four are left, and three are still less.
    expect(planMinutes([1, 1], [0, 1], [cheap, dear])).toEqual([3, 4]);
    // Nine times in ten: less than one minute is left.
    expect(planMinutes([9, 1], [0, 1], [cheap, dear])[1]).toBeCloseTo(0.8, 9);
  });

  test('agrees with plain recursion on random problems', () => {
    const n = 6;
    const problem = fc.record({
      shares: fc.array(fc.integer({ min: 1, max: 20 }), { minLength: n, maxLength: n }),
      groups: fc.array(fc.integer({ min: 0, max: 3 }), { minLength: n, maxLength: n }),
      tests: fc.array(
        fc.record({
          minutes: fc.integer({ min: 1, max: 9 }),
          outcome: fc.array(fc.integer({ min: 0, max: 2 }), { minLength: n, maxLength: n }),
        }),
        { minLength: 1, maxLength: 4 },
      ),
    });
    fc.assert(
      fc.property(problem, ({ shares, groups, tests }) => {
        const best = Math.min(...planMinutes(shares, groups, tests));
        const all = [...Array(n).keys()];
        const plain = naive(shares, groups, tests, all);
        if (Number.isFinite(best) && new Set(groups).size > 1) expect(best).toBeCloseTo(plain, 9);
      }),
      { numRuns: 150 },
    );
    expect(MOST_TO_PLAN).toBeGreaterThanOrEqual(12);
  });
});
