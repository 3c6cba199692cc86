/** From one value to another; an end that is not there reaches as far as it likes. Ends belong to it. */
export interface Zone {
  readonly from?: number;
  readonly to?: number;
}

/** What a value may be: good within one zone, marginal within a wider one, bad beyond. */
export interface Zones {
  readonly good: Zone;
  readonly marginal: Zone;
  /** The end beyond which it can hurt somebody: there, near the limit is already bad. */
  readonly unsafe?: 'low' | 'high';
}

/** A corrected value, and half of the interval in which the true one lies. */
export interface Uncertain {
  readonly value: number;
  readonly u: number;
}

/** What a test says; `repeat` says nothing of the part, and is no evidence. */
export type Zoned =
  | { readonly verdict: 'good' | 'marginal' | 'bad' }
  | { readonly verdict: 'repeat'; readonly because: 'too-coarse' | 'assumed' };

const low = ({ from = -Infinity }: Zone): number => from;
const high = ({ to = Infinity }: Zone): number => to;
const within = (from: number, to: number, zone: Zone): boolean => from >= low(zone) && to <= high(zone);

/**
 * Judges a value by its zones, with a guard band as wide as its uncertainty (JCGM 106, from memory): good only where all that it
 * may be is good, bad only where all of it is beyond marginal; near a limit it is marginal, on a side that can hurt it is bad. A
 * method too coarse for a zone condemns and clears nothing.
 * @param assumed whether a condition was assumed that was not asked: then what may be both good and bad is to be measured again
 */
export function judgeZones({ value, u }: Uncertain, { good, marginal, unsafe }: Zones, assumed = false): Zoned {
  const [from, to] = [value - u, value + u];
  if (within(from, to, good)) return { verdict: 'good' };
  if (to < low(marginal) || from > high(marginal)) return { verdict: 'bad' };
  const width = good.from === undefined ? good.to : good.to === undefined ? undefined : (good.to - good.from) / 2;
  if (width !== undefined && u > width) return { verdict: 'repeat', because: 'too-coarse' };
  if (unsafe === 'low' && from < low(good)) return { verdict: 'bad' };
  if (unsafe === 'high' && to > high(good)) return { verdict: 'bad' };
  const reachesGood = to >= low(good) && from <= high(good);
  const reachesBad = from < low(marginal) || to > high(marginal);
  return reachesGood && reachesBad && assumed ? { verdict: 'repeat', because: 'assumed' } : { verdict: 'marginal' };
}

/** Zones narrowed by what this very part read when it was good: shares of it to either side. Marginal stays as it was. */
export function narrowedBy(zones: Zones, own: number, share: number): Zones {
  const from = Math.max(low(zones.good), own * (1 - share));
  const to = Math.min(high(zones.good), own * (1 + share));
  // A part that was never within the limits narrows nothing.
  return from > to ? zones : { ...zones, good: { from, to } };
}
