/** A part that a call may need, and how likely that is. */
export interface Need {
  readonly part: string;
  readonly chance: number;
}

/** What is loaded, and how many calls are mended at the first visit with it, expected. */
export interface Load {
  readonly units: ReadonlyMap<string, number>;
  readonly price: number;
  readonly mended: number;
}

/** What somebody has along already, and what can be had at all. */
export interface Stock {
  /** Units that are loaded already and cost nothing more. */
  readonly held: ReadonlyMap<string, number>;
  /** Units that can be loaded beside them; as many as are wanted where it is not said. */
  readonly spare: ReadonlyMap<string, number> | undefined;
}

const NOTHING: Stock = { held: new Map(), spare: undefined };

/**
 * The set of parts that mends the most calls at the first visit for some money. A unit of a part is worth the chance that as many calls
 * need one, so that a second unit is worth less than the first; which units are worth their money is the knapsack problem, solved
 * exactly over whole units of money (H. Kellerer, U. Pferschy and D. Pisinger, Knapsack Problems, 2004, section 2.3).
 * @param needs of each call; what is left of its chance needs no part
 * @param prices of one unit, by part, in money or room; parts without one are not loaded
 * @returns what is to be loaded beside what is held, and how many calls both mend
 */
export function loadVan(
  needs: readonly (readonly Need[])[],
  prices: ReadonlyMap<string, number>,
  money: number,
  { held, spare }: Stock = NOTHING,
): Load {
  const units = [...chancesByPart(needs)].flatMap(([part, chances]) => {
    const price = prices.get(part);
    if (price === undefined) return [];
    const from = held.get(part) ?? 0;
    const to = spare === undefined ? Infinity : from + (spare.get(part) ?? 0);
    return atLeast(chances)
      .slice(from, to)
      .map((worth) => ({ part, price: Math.ceil(price), worth }));
  });
  const most = Math.max(0, Math.floor(money));
  // The best that each sum of money buys, unit by unit, and whether the last one was bought.
  const best = new Float64Array(most + 1);
  const bought = units.map(({ price, worth }) => {
    const taken = new Uint8Array(most + 1);
    for (let m = most; m >= price; m--)
      if (best[m - price]! + worth > best[m]!) {
        best[m] = best[m - price]! + worth;
        taken[m] = 1;
      }
    return taken;
  });
  const chosen = new Map<string, number>();
  let left = most;
  for (let i = units.length - 1; i >= 0; i--)
    if (bought[i]![left] === 1) {
      const { part, price } = units[i]!;
      chosen.set(part, (chosen.get(part) ?? 0) + 1);
      left -= price;
    }
  return { units: chosen, price: priceOf(chosen, prices), mended: mendedBy(needs, together(held, chosen)) };
}

/** Two loads in one. */
export function together(a: ReadonlyMap<string, number>, b: ReadonlyMap<string, number>): ReadonlyMap<string, number> {
  const both = new Map(a);
  for (const [part, n] of b) both.set(part, (both.get(part) ?? 0) + n);
  return both;
}

/** How many calls are mended at the first visit with a set of parts, expected; calls that need none are. */
export function mendedBy(needs: readonly (readonly Need[])[], units: ReadonlyMap<string, number>): number {
  const without = needs.reduce((sum, call) => sum + 1 - call.reduce((s, n) => s + n.chance, 0), 0);
  return [...chancesByPart(needs)].reduce(
    (sum, [part, chances]) =>
      sum +
      atLeast(chances)
        .slice(0, units.get(part) ?? 0)
        .reduce((a, b) => a + b, 0),
    without,
  );
}

export const priceOf = (units: ReadonlyMap<string, number>, prices: ReadonlyMap<string, number>): number =>
  [...units].reduce((sum, [part, n]) => sum + n * (prices.get(part) ?? 0), 0);

function chancesByPart(needs: readonly (readonly Need[])[]): ReadonlyMap<string, number[]> {
  const chances = new Map<string, number[]>();
  for (const call of needs)
    for (const { part, chance } of call) chances.set(part, [...(chances.get(part) ?? []), chance]);
  return chances;
}

/** The chances that at least one, two, … of some independent things happen. */
function atLeast(chances: readonly number[]): number[] {
  // How likely it is that exactly so many happen.
  let exactly = [1];
  for (const p of chances)
    exactly = Array.from(
      { length: exactly.length + 1 },
      (_, n) => (exactly[n] ?? 0) * (1 - p) + (exactly[n - 1] ?? 0) * p,
    );
  return chances.map((_, i) => exactly.slice(i + 1).reduce((a, b) => a + b, 0));
}
