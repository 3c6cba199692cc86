import type { Model, PartIndex } from '../profile';
import type { Fit, FitAt } from '../question';

/** Into how many parts of its range a source is told apart, */
const POINTS = 5;
/** and what a severity reaches to: all readings of one part are as far gone. */
const PARTS_OF_REACH = 3;

/** What the volts of a source are multiplied by, and how far that reaches on either side, as a share. */
interface Scale {
  readonly times: number;
  readonly reach: number;
}

/** One way in which all sources that hang together may stand to what the model says of them, and how likely it is. */
interface Combination {
  readonly share: number;
  /** By source of the model. */
  readonly scales: Readonly<Record<number, Scale>>;
  /** In which part of what its severity reaches to the broken part is. */
  readonly part: number;
}

/** The combinations of one tree. Those that a reading of one source does not tell apart share a place in its list. */
export interface Ways {
  /** By combination. */
  readonly shares: Known;
  /** By source: the place of each combination, and what stands there. */
  readonly of: Readonly<Record<number, { readonly places: Uint8Array; readonly different: readonly Combination[] }>>;
  readonly parts: number;
}

/** What is known of the sources of one tree: the weight of each combination. Immutable; equal knowledge is one object. */
export type Known = Float64Array;

/**
 * How the volts of appliances of one type differ together: whatever a source feeds moves with it, and a transformer moves with its
 * line. A reading is weighed under every value that its source may have, given what was read of it before; so the first
 * reading of a source says where it stands, and the fourth is no further surprise.
 */
export class SourceScales {
  private readonly ways = new Map<string, Ways>();

  constructor(private readonly model: Model) {}

  /** The source at the root of what feeds a source. */
  root(source: number): number {
    let at = source;
    for (let up = this.model.sources[at]!.parent; up !== undefined; up = this.model.sources[at]!.parent) at = up;
    return at;
  }

  /** Nothing was read yet. A source that is itself broken has no sound value to differ from. `reaches`: the fault has a severity. */
  begin(root: number, broken: readonly PartIndex[], reaches: boolean): Ways {
    const tree = this.tree(root);
    const own = tree.filter((s) => this.model.sources[s]!.parts.some((p) => broken.some((b) => b === p)));
    const key = `${root}|${own.join()}|${reaches}`;
    let ways = this.ways.get(key);
    if (!ways) {
      const parts = reaches ? PARTS_OF_REACH : 1;
      const all = this.combine(tree, own, parts);
      const of = Object.fromEntries(tree.map((source) => [source, placesOf(all, source)]));
      this.ways.set(key, (ways = { shares: Float64Array.from(all, (w) => w.share), of, parts }));
    }
    return ways;
  }

  /** The sources of a tree, each after what feeds it. */
  tree(root: number): number[] {
    const fedBy = (source: number): number[] => [
      source,
      ...this.model.sources.flatMap(({ parent }, s) => (parent === source ? fedBy(s) : [])),
    ];
    return fedBy(root);
  }

  private combine(tree: readonly number[], broken: readonly number[], parts: number): Combination[] {
    let ways: Combination[] = Array.from({ length: parts }, (_, part) => ({ share: 1 / parts, scales: {}, part }));
    for (const source of tree) {
      const { sound, parent } = this.model.sources[source]!;
      const values = broken.includes(source) ? [{ times: 1, reach: 0, of: 1 }] : valuesOf(sound);
      ways = ways.flatMap(({ share, scales, part }) =>
        values.map(({ times, reach, of }) => {
          const line = parent === undefined ? undefined : scales[parent]!;
          const scale = line ? { times: times * line.times, reach: Math.hypot(reach, line.reach) } : { times, reach };
          return { share: share * of, scales: { ...scales, [source]: scale }, part };
        }),
      );
    }
    return ways;
  }
}

/** What sound sources may stand at, in equal parts of which the middle one is what the model says; and the share of each. */
function valuesOf({ low, high }: { readonly low: number; readonly high: number }): (Scale & { readonly of: number })[] {
  const step = (high - low) / POINTS;
  const values: (Scale & { readonly of: number })[] = [];
  for (let k = Math.floor((low - 1) / step + 0.5); 1 + (k - 0.5) * step < high; k++) {
    const from = Math.max(low, 1 + (k - 0.5) * step);
    const to = Math.min(high, 1 + (k + 0.5) * step);
    values.push({ times: (from + to) / 2, reach: (to - from) / 2, of: (to - from) / (high - low) });
  }
  return values;
}

/** A combination of less weight than this, by all that was read, is not thought of any more. */
const FORGOTTEN = 1e-4;

/** Which combinations a reading of a source does not tell apart. */
function placesOf(all: readonly Combination[], source: number): Ways['of'][number] {
  const different: Combination[] = [];
  const places = Uint8Array.from(all, (way) => {
    const { times } = way.scales[source]!;
    const known = different.findIndex((d) => d.part === way.part && d.scales[source]!.times === times);
    return known >= 0 ? known : different.push(way) - 1;
  });
  return { places, different };
}

/**
 * Weighs a reading under every value its source may have, and what is known of it thereafter. `plain` says how often and how
 * widely it is misread.
 */
export function weighed(
  ways: Ways,
  known: Known,
  source: number,
  { base, blunder }: Fit,
  fitAt: FitAt,
): { readonly fit: Fit; readonly known: Known } {
  const { places, different } = ways.of[source]!;
  const fits = new Float64Array(different.length).fill(NaN);
  const after = new Float64Array(known.length);
  let fit = 0;
  let total = 0;
  for (let i = 0; i < known.length; i++) {
    if (known[i]! < FORGOTTEN) continue;
    const place = places[i]!;
    let own = fits[place]!;
    if (Number.isNaN(own)) {
      const { scales, part } = different[place]!;
      const { times, reach } = scales[source]!;
      fits[place] = own = fitAt(times, reach, part, ways.parts);
    }
    fit += known[i]! * own;
    total += after[i] = known[i]! * ((1 - blunder) * own + blunder * base);
  }
  for (let i = 0; i < after.length; i++) after[i]! /= total;
  return { fit: { fit, base, blunder }, known: total > 0 ? after : known };
}
