/** A part as a shop keeps it: what it fits, by family and part of its circuit, so that two of them may stand in for each other. */
export interface Kept {
  readonly id: string;
  readonly title: string;
  /** What one costs; nothing where nobody wrote it down. */
  readonly price: number | null;
  readonly fits: readonly { readonly profile: string; readonly part: string }[];
  readonly held: readonly Held[];
}

/** Units of it in a place: the shelf, or somebody's van; under `least` they are reordered. */
export interface Held {
  readonly place: string;
  readonly units: number;
  readonly least: number;
}

/** Where parts lie that are in no van. */
export const SHELF = 'shelf';

export const unitsIn = ({ held }: Pick<Kept, 'held'>, place: string): number =>
  held.find((h) => h.place === place)?.units ?? 0;

export const fitting = <K extends Pick<Kept, 'fits'>>(items: readonly K[], profile: string, part: string): K[] =>
  items.filter(({ fits }) => fits.some((f) => f.profile === profile && f.part === part));

/** What stands in for an item: whatever goes where it goes. */
export const substitutesOf = <K extends Kept>(items: readonly K[], { id, fits }: Kept): K[] =>
  items.filter(
    (other) => other.id !== id && fits.some(({ profile, part }) => fitting([other], profile, part).length > 0),
  );

/** The item that is taken for a need: one that lies in the van, then on the shelf, then the cheapest. */
export function itemFor<K extends Kept>(
  items: readonly K[],
  van: string,
  profile: string,
  part: string,
): K | undefined {
  const where = (item: K): number => (unitsIn(item, van) > 0 ? 0 : unitsIn(item, SHELF) > 0 ? 1 : 2);
  return fitting(items, profile, part).sort(
    (a, b) => where(a) - where(b) || (a.price ?? Infinity) - (b.price ?? Infinity),
  )[0];
}

/** An item that has come under its minimum somewhere, and how many are missing. */
export interface Short<K> extends Held {
  readonly item: K;
  readonly missing: number;
}

/** What is to be reordered, or brought to a van: the most that is missing first. */
export const shortOf = <K extends Kept>(items: readonly K[]): Short<K>[] =>
  items
    .flatMap((item) =>
      item.held.flatMap((h) => (h.units < h.least ? [{ ...h, item, missing: h.least - h.units }] : [])),
    )
    .sort((a, b) => b.missing - a.missing || (a.item.title < b.item.title ? -1 : 1));
