import type { DrawnItem } from '@zetalysis/core/presentation';

type Part = Extract<DrawnItem, { kind: 'part' }>;

/** A part on a rung: where it stands, and its share where it is suspected. */
export interface Named {
  readonly item: Part;
  readonly x: number;
  readonly share: number | undefined;
}

/** Width of a letter under a sign, pixels; the share is bold with its part. */
const LETTER = 5.4;
const BOLD = 5.9;
/** Between two names, pixels. */
const GAP = 6;
/** A name is not cut to less, letters. */
const LEAST = 6;
/** A name longer than this is cut even where there is room. */
const LONGEST = 18;

/** What is written under the signs of one rung: as much of each name as its neighbours leave room for, and the share. */
export function partNames(parts: readonly Named[]): string[] {
  const shares = parts.map(({ share }) => (share === undefined ? '' : ` ${share}%`));
  const letter = parts.map(({ share }) => (share === undefined ? LETTER : BOLD));
  const names = parts.map(({ item }) => cut(full(item), LONGEST, item));
  const width = (i: number): number => (names[i]!.length + shares[i]!.length) * letter[i]!;
  for (let i = 0; i + 1 < parts.length; i++) {
    const room = 2 * (parts[i + 1]!.x - parts[i]!.x - GAP);
    if (width(i) + width(i + 1) <= room) continue;
    // The longer of the two gives way first, then the other.
    const [long, short] = names[i]!.length > names[i + 1]!.length ? [i, i + 1] : [i + 1, i];
    for (const [one, other] of [
      [long, short],
      [short, long],
    ] as const) {
      const letters = Math.floor((room - width(other)) / letter[one]!) - shares[one]!.length;
      if (letters < names[one]!.length) names[one] = cut(names[one]!, Math.max(LEAST, letters), parts[one]!.item);
    }
  }
  return names.map((name, i) => name + shares[i]!);
}

const full = ({ short, branch, symbol }: Part): string =>
  branch === '' || symbol === 'winding' ? short : `${short} ${branch}`;

/** A name in at most so many letters; of a passage of a part only its own name, where that says enough. */
function cut(name: string, letters: number, { short, branch }: Part): string {
  if (name.length <= letters) return name;
  const own = name === `${short} ${branch}` ? (branch.length > 3 ? branch : short) : name;
  return own.length > letters ? `${own.slice(0, letters - 1)}…` : own;
}
