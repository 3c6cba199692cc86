import { itemFor, type Kept, SHELF, unitsIn } from './stock';
import { mendedBy, type Load, loadVan, type Need, together } from './van';

/** A call of the day, and the new parts that it may need. */
export interface CallOfDay {
  readonly id: string;
  readonly profile: string;
  readonly parts: readonly { readonly part: string; readonly title: string; readonly share: number }[];
}

/** What is weighed against each other: money, or room in litres. */
export type Measure = 'price' | 'room';

export interface Wanted<K extends Kept> {
  readonly calls: readonly CallOfDay[];
  readonly items: readonly (K & Weighed)[];
  /** Whose van it is. */
  readonly van: string;
  readonly measure: Measure;
  /** As much may be along for the day, with what lies in the van already and may be needed. */
  readonly most: number;
  /** Items that somebody leaves out, or takes along whatever it says. */
  readonly left: ReadonlySet<string>;
  readonly taken: ReadonlySet<string>;
  /** How many breaks of each part the book has. */
  readonly broke: (part: string) => number;
}

interface Weighed {
  readonly room: number | null;
}

/**
 * How a part stands for the day: it lies in the van, is loaded from the shelf, was left on it, is nowhere in the shop, or the shop keeps
 * none that fits.
 */
type LineState = 'along' | 'load' | 'shelf' | 'order' | 'unkept';

export interface LoadLine<K> {
  readonly item: K | undefined;
  /** Where it goes, for one that nobody keeps. */
  readonly need: { readonly profile: string; readonly part: string; readonly title: string };
  /** That one of the calls needs one. */
  readonly chance: number;
  /** The calls that may. */
  readonly calls: readonly string[];
  readonly state: LineState;
  /** Units that are loaded from the shelf. */
  readonly units: number;
}

export interface LoadPlan<K> {
  /** The likeliest first; what is hardly ever needed counts, and stands here only where it is along. */
  readonly lines: readonly LoadLine<K>[];
  /** What may be needed and is along then, in money or room. */
  readonly spent: number;
  /** Calls mended at the first visit, expected: with this set, with the five most common parts, and with the van as it stands. */
  readonly mended: number;
  readonly common: number;
  readonly standing: number;
  /** Of each call, that its first visit mends it. */
  readonly ofCall: ReadonlyMap<string, number>;
}

/** What is needed more rarely is not shown where nobody has it. */
const RARE = 0.015;
/** As many parts as whoever goes by what is common takes along. */
const COMMON = 5;

/** What to load for the calls of a day, and what that is worth beside other ways of loading. */
export function planLoad<K extends Kept>(wanted: Wanted<K>): LoadPlan<K> {
  const { calls, items, van, measure, most, left, taken, broke } = wanted;
  const lines = new Map<string, LoadLine<K>>();
  const needs = calls.map(({ id, profile, parts }) => {
    const needed = new Map<string, Need>();
    for (const { part, title, share } of parts) {
      const item = itemFor(items, van, profile, part);
      const key = item?.id ?? `${profile} ${part}`;
      needed.set(key, { part: key, chance: (needed.get(key)?.chance ?? 0) + share });
      const line = lines.get(key);
      lines.set(key, {
        item,
        need: line?.need ?? { profile, part, title },
        chance: 1 - (1 - (line?.chance ?? 0)) * (1 - share),
        calls: [...new Set([...(line?.calls ?? []), id])],
        state: 'unkept',
        units: 0,
      });
    }
    return [...needed.values()];
  });
  const byId = new Map(items.map((item) => [item.id, item]));
  const needed = [...lines.keys()].flatMap((key) => byId.get(key) ?? []);
  const weightOf = (item: K & Weighed): number | null => (measure === 'price' ? item.price : item.room);
  const held = counted(needed, (item) => (left.has(item.id) ? 0 : unitsIn(item, van)));
  const spare = counted(needed, (item) => (left.has(item.id) ? 0 : unitsIn(item, SHELF)));
  const weights = new Map(needed.flatMap((item) => (weightOf(item) === null ? [] : [[item.id, weightOf(item)!]])));
  const asked = counted(needed, ({ id }) => (taken.has(id) && held.get(id) === 0 ? Math.min(1, spare.get(id)!) : 0));
  const askedFor = [...asked].reduce((sum, [id, n]) => sum + n * (weights.get(id) ?? 0), 0);
  const alongNow = [...held].reduce(
    (sum, [id, n]) => sum + Math.min(n, lines.get(id)!.calls.length) * (weights.get(id) ?? 0),
    0,
  );
  const chosen: Load = loadVan(needs, weights, most - alongNow - askedFor, {
    held: together(held, asked),
    spare: counted(needed, ({ id }) => spare.get(id)! - asked.get(id)!),
  });
  const loaded = together(asked, chosen.units);
  const all = together(held, loaded);
  return {
    lines: [...lines.entries()]
      .map(([key, line]) => ({ ...line, state: stateOf(line.item, key), units: loaded.get(key) ?? 0 }))
      .filter(({ chance, state }) => chance >= RARE || state === 'along' || state === 'load')
      .sort((a, b) => b.chance - a.chance),
    spent: alongNow + askedFor + chosen.price,
    mended: mendedBy(needs, all),
    common: mendedBy(needs, together(held, commonest())),
    standing: mendedBy(needs, held),
    ofCall: new Map(
      calls.map(({ id }, i) => [
        id,
        needs[i]!.reduce((p, { part, chance }) => ((all.get(part) ?? 0) > 0 ? p : p - chance), 1),
      ]),
    ),
  };

  function stateOf(item: K | undefined, key: string): LineState {
    if (!item) return 'unkept';
    if ((loaded.get(key) ?? 0) > 0) return 'load';
    if ((held.get(key) ?? 0) > 0) return 'along';
    return unitsIn(item, SHELF) > 0 || unitsIn(item, van) > 0 ? 'shelf' : 'order';
  }

  /** One each of what broke most often, as far as the money goes and the shelf has it. */
  function commonest(): ReadonlyMap<string, number> {
    const often = (item: K): number => Math.max(0, ...item.fits.map(({ part }) => broke(part)));
    let rest = most - alongNow;
    const set = new Map<string, number>();
    for (const item of [...items].filter((i) => often(i) > 0).sort((a, b) => often(b) - often(a))) {
      const weight = weightOf(item);
      if (set.size >= COMMON || weight === null || weight > rest || unitsIn(item, SHELF) === 0) continue;
      set.set(item.id, 1);
      rest -= weight;
    }
    return set;
  }
}

const counted = <K extends { readonly id: string }>(
  items: readonly K[],
  of: (item: K) => number,
): Map<string, number> => new Map(items.map((item) => [item.id, of(item)]));
