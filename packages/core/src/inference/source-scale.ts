import type { Model, PartIndex } from '../profile';
import { type Fit, likelihood } from '../question';

/** Into how many parts of its range a source is told apart. */
const POINTS = 5;

/** One way in which all sources that hang together may stand to what the model says of them, and how likely it is. */
interface Combination {
  readonly share: number;
  /** By source of the model. */
  readonly scales: Readonly<Record<number, Scale>>;
}

/** What the volts of a source are multiplied by, and how far that reaches on either side, as a share. */
interface Scale {
  readonly times: number;
  readonly reach: number;
}

/** What is known of the sources of one tree: the weight of each combination. Immutable; equal knowledge is one object. */
export type Known = Float64Array;

/**
 * How the volts of appliances of one type differ together: whatever a source feeds moves with it, and a transformer moves with its
 * line. A reading is weighed under every value that its source may have, given what was read of it before; so the first
 * reading of a source says where it stands, and the fourth is no further surprise.
 */
export class SourceScales {
  private readonly combinations = new Map<string, readonly Combination[]>();
  private readonly beginnings = new Map<string, Known>();

  constructor(private readonly model: Model) {}

  /** The source at the root of what feeds a source. */
  root(source: number): number {
    let at = source;
    for (let up = this.model.sources[at]!.parent; up !== undefined; up = this.model.sources[at]!.parent) at = up;
    return at;
  }

  /** Nothing was read yet. A source that is itself broken has no sound value to differ from. */
  begin(root: number, broken: readonly PartIndex[]): { readonly ways: readonly Combination[]; readonly known: Known } {
    const tree = this.tree(root);
    const own = tree.filter((s) => this.model.sources[s]!.parts.some((p) => broken.some((b) => b === p)));
    const key = `${root}|${own.join()}`;
    let ways = this.combinations.get(key);
    if (!ways) {
      this.combinations.set(key, (ways = this.combine(tree, own)));
      this.beginnings.set(
        key,
        Float64Array.from(ways, (w) => w.share),
      );
    }
    return { ways, known: this.beginnings.get(key)! };
  }

  /** The sources of a tree, each after what feeds it. */
  tree(root: number): number[] {
    const fedBy = (source: number): number[] => [
      source,
      ...this.model.sources.flatMap(({ parent }, s) => (parent === source ? fedBy(s) : [])),
    ];
    return fedBy(root);
  }

  private combine(tree: readonly number[], broken: readonly number[]): Combination[] {
    let ways: Combination[] = [{ share: 1, scales: {} }];
    for (const source of tree) {
      const { sound, parent } = this.model.sources[source]!;
      const values = broken.includes(source) ? [{ times: 1, reach: 0, of: 1 }] : valuesOf(sound);
      ways = ways.flatMap(({ share, scales }) =>
        values.map(({ times, reach, of }) => {
          const line = parent === undefined ? undefined : scales[parent]!;
          const scale = line ? { times: times * line.times, reach: Math.hypot(reach, line.reach) } : { times, reach };
          return { share: share * of, scales: { ...scales, [source]: scale } };
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

/** Weighs a reading under every value its source may have, and what is known of it thereafter. */
export function weighed(
  ways: readonly Combination[],
  known: Known,
  source: number,
  fitAt: (scale: Scale) => Fit,
): { readonly fit: Fit; readonly known: Known } {
  const fits = new Map<number, Fit>();
  const after = new Float64Array(ways.length);
  let fit = 0;
  let total = 0;
  let one: Fit | undefined;
  for (let i = 0; i < ways.length; i++) {
    if (known[i]! < FORGOTTEN) continue;
    const scale = ways[i]!.scales[source]!;
    let own = fits.get(scale.times);
    if (!own) fits.set(scale.times, (own = fitAt(scale)));
    one = own;
    fit += known[i]! * own.fit;
    total += after[i] = known[i]! * likelihood(own);
  }
  for (let i = 0; i < after.length; i++) after[i]! /= total;
  return { fit: { ...one!, fit }, known: total > 0 ? after : known };
}
