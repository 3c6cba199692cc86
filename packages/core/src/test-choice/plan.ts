/** A test as the planner sees it: what it costs, and which outcome each hypothesis gives. */
export interface PlannedTest {
  readonly minutes: number;
  /** Outcome by hypothesis. */
  readonly outcome: ArrayLike<number>;
  /** By hypothesis: whether proving it takes this test anyway, so that it costs nothing to learn from it on the way. */
  readonly needed?: readonly boolean[];
}

/** More hypotheses than this are too many for an exact plan. */
export const MOST_TO_PLAN = 12;

/**
 * Expected minutes of the best plan that begins with each test: dynamic programming over sets of hypotheses, answers
 * taken as certain, until all that are left share a group (a repair). Infinity for a test that splits nothing. Minutes of
 * tests that the proof of what is true takes anyway do not count.
 * `shares` need not sum to one; at most `MOST_TO_PLAN` hypotheses.
 */
export function planMinutes(
  shares: ArrayLike<number>,
  groups: ArrayLike<number>,
  tests: readonly PlannedTest[],
): number[] {
  const n = shares.length;
  const weight = new Float64Array(1 << n);
  for (let set = 1; set < weight.length; set++) {
    const low = 31 - Math.clz32(set & -set);
    weight[set] = weight[set & (set - 1)]! + shares[low]!;
  }
  const masks = tests.map((t) => {
    const byOutcome = new Map<number, number>();
    for (let i = 0; i < n; i++) byOutcome.set(t.outcome[i]!, (byOutcome.get(t.outcome[i]!) ?? 0) | (1 << i));
    return [...byOutcome.values()];
  });
  const needed = tests.map((t) => (t.needed ?? []).reduce((set, is, i) => (is ? set | (1 << i) : set), 0));
  const known = new Float64Array(1 << n).fill(-1);

  const settled = (set: number): boolean => {
    const first = groups[31 - Math.clz32(set & -set)]!;
    for (let rest = set & (set - 1); rest !== 0; rest &= rest - 1)
      if (groups[31 - Math.clz32(rest & -rest)]! !== first) return false;
    return true;
  };
  const after = (set: number, test: number, most: number): number => {
    const total = weight[set]!;
    let cost = tests[test]!.minutes * (1 - weight[set & needed[test]!]! / total);
    for (const mask of masks[test]!) {
      const left = set & mask;
      if (left === set) return Infinity;
      if (left === 0) continue;
      cost += (weight[left]! / total) * best(left);
      if (cost >= most) return Infinity;
    }
    return cost;
  };
  const best = (set: number): number => {
    if (known[set]! >= 0) return known[set]!;
    let least = settled(set) ? 0 : Infinity;
    if (least > 0) for (let t = 0; t < tests.length; t++) least = Math.min(least, after(set, t, least));
    // What no test splits is left as it is.
    return (known[set] = least === Infinity ? 0 : least);
  };
  const all = (1 << n) - 1;
  return tests.map((_, t) => after(all, t, Infinity));
}
