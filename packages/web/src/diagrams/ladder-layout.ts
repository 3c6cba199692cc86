import type { DrawnItem, DrawnRung } from '@zetalysis/core/presentation';
import { textWidth } from './text-width';

/** The size of every label in a drawing, pixels. */
export const LABEL = 12;
/** What stands on a plate. */
const PLATE = 13;
/** Between two labels of one line. */
const GAP = 6;
/** Half of a sign, and of a point, with the wire that has to be seen between them. */
const SIGN_HALF = 13;
const POINT_HALF = 7;
const WIRE = 4;
/** Between two halves of a row. */
const GUTTER = 18;
/** A line of a label. */
const LINE = 13;
/** From the wire to the middle of what is written above and below it. */
const ABOVE = 15;
const BELOW = 17;
/** Half of the height of written words. */
const HALF = 5.5;
/** rows are about as high as a thumb needs, and no higher than looks well. */
const LEAST_PITCH = 43;
const MOST_PITCH = 60;
/** Rungs of up to so many parts may take half a row. */
const MOST_IN_HALF = 3;

/** What is written at a part: its name and its share, in one or two lines. */
export interface Labels {
  /** Under a part. */
  readonly part: (item: Extract<DrawnItem, { kind: 'part' }>) => string;
  /** Above a point: its name, and what stands on the plates beside it, if anything does. */
  readonly point: (net: string) => Texts;
}

export interface Box {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/** Something on a rung and what is written at it. */
export interface Placed {
  readonly item: DrawnItem;
  readonly x: number;
  readonly y: number;
  /** What is written at it, line by line, each with the room it takes. */
  readonly lines: readonly { readonly words: string; readonly box: Box }[];
  /** At a point: its plate, and what stands beside it. */
  readonly plate: { readonly words: string; readonly box: Box } | undefined;
  readonly beside: { readonly words: string; readonly box: Box } | undefined;
}

export interface PlacedRung {
  readonly rung: DrawnRung;
  readonly y: number;
  readonly left: number;
  readonly right: number;
  readonly placed: readonly Placed[];
  /** Its first net is the one of the rung above it: one rail joins them, and the name stands once. */
  readonly railTo: number | undefined;
}

export interface LadderLayout {
  readonly width: number;
  readonly height: number;
  readonly rungs: readonly PlacedRung[];
}

interface Measured {
  readonly item: DrawnItem;
  /** Half of the room it takes on the wire, and in the line of its label. */
  readonly half: number;
  readonly label: number;
  readonly lines: readonly string[];
  readonly texts: Texts | undefined;
}

interface Texts {
  readonly name: string;
  readonly plate: string;
  readonly beside: string;
}

/**
 * Where everything on a ladder stands, in a given width: rungs of few parts two in a row, longer ones in a row of their own;
 * signs as far apart as their labels need, and evenly beyond that. Labels that leave no room are broken into two lines, and only
 * then cut. No two of them overlap.
 */
export function layoutLadder(
  rungs: readonly DrawnRung[],
  labels: Labels,
  width: number,
  /** The height there is; rows stretch into it, and never shrink below what a thumb needs. */
  height = 0,
): LadderLayout {
  const half = (width - GUTTER) / 2;
  const measured = rungs.map((rung) => measure(rung, labels));
  const fitsHalf = measured.map(
    (m) => m.filter(({ item }) => item.kind === 'part').length <= MOST_IN_HALF && needed(m) <= half,
  );
  // Two neighbours that fit share a row; line voltage and control voltage never do.
  const rows: { readonly rungs: readonly number[] }[] = [];
  for (let i = 0; i < rungs.length; i++) {
    const pairs = fitsHalf[i] && fitsHalf[i + 1] === true && rungs[i]!.line === rungs[i + 1]!.line;
    rows.push({ rungs: pairs ? [i, i + 1] : [i] });
    if (pairs) i++;
  }
  const fitted = measured.map((m, i) => {
    const inHalf = rows.some((r) => r.rungs.length === 2 && r.rungs.includes(i));
    return fit(m, inHalf ? half : width);
  });
  const tall = rows.map((r) => Math.max(...r.rungs.map((i) => Math.max(...fitted[i]!.map((m) => m.lines.length)))));
  const extra = tall.map((lines) => (lines - 1) * LINE);
  const least = rows.length * LEAST_PITCH + extra.reduce((a, b) => a + b, 0);
  const stretch = Math.max(0, Math.min(MOST_PITCH - LEAST_PITCH, (height - 2 - least) / rows.length));
  const placed: PlacedRung[] = [];
  let y = ABOVE + HALF + 2;
  for (const [r, row] of rows.entries()) {
    for (const [column, i] of row.rungs.entries()) {
      const left = column * (half + GUTTER);
      const right = row.rungs.length === 2 ? left + half : width;
      const above = placed.findLast((p) => p.left === left && p.y < y);
      const railTo = above && firstOf(above.rung) === firstOf(rungs[i]!) ? above.y : undefined;
      placed.push({
        rung: rungs[i]!,
        y,
        left,
        right,
        placed: place(fitted[i]!, left, right, y, railTo !== undefined),
        railTo,
      });
    }
    y += LEAST_PITCH + extra[r]! + stretch;
  }
  return { width, height: Math.ceil(y - ABOVE - HALF), rungs: placed };
}

/** Rungs for a narrow screen: of long ones, pieces of a few parts, each from a point to a point. */
export function folded(rungs: readonly DrawnRung[]): DrawnRung[] {
  return rungs.flatMap((rung) => {
    const pieces: DrawnItem[][] = [[]];
    for (const [i, item] of rung.items.entries()) {
      const piece = pieces.at(-1)!;
      piece.push(item);
      const parts = piece.filter(({ kind }) => kind === 'part').length;
      const left = rung.items.slice(i + 1).filter(({ kind }) => kind === 'part').length;
      if (item.kind === 'net' && item.point && parts >= MOST_IN_HALF - 1 && parts + left > MOST_IN_HALF)
        pieces.push([item]);
    }
    return pieces.map((items) => ({ ...rung, items }));
  });
}

const firstOf = ({ items: [first] }: DrawnRung): string => (first?.kind === 'net' ? first.name : '');

/** Names above points are written with these; a joint without a name takes no room. */
function measure({ items }: DrawnRung, labels: Labels): Measured[] {
  return items
    .filter((i) => i.kind === 'part' || i.point)
    .map((item): Measured => {
      if (item.kind === 'part') {
        const words = labels.part(item);
        return { item, half: SIGN_HALF, label: textWidth(words, LABEL), lines: [words], texts: undefined };
      }
      const texts = labels.point(item.name);
      return { item, half: POINT_HALF, label: pointWidth(texts), lines: [texts.name], texts };
    });
}

const plateWidth = (words: string): number => (words === '' ? 0 : textWidth(words, PLATE) + 10);
const besideWidth = (words: string): number => (words === '' ? 0 : textWidth(words, LABEL) + 4);
const pointWidth = ({ name, plate, beside }: Texts): number =>
  textWidth(name, LABEL, true) + (plate === '' ? 0 : plateWidth(plate) + 3) + besideWidth(beside);

/** The least distances from the left edge at which things can stand. */
function leastOf(all: readonly Measured[]): number[] {
  const xs: number[] = [];
  const line = (m: Measured): boolean => m.item.kind === 'part';
  for (const [i, m] of all.entries()) {
    // At the ends the label may not leave the drawing; the first point's name begins at the edge.
    let x =
      i === 0
        ? Math.max(m.half, m.item.kind === 'net' ? POINT_HALF : m.label / 2)
        : xs[i - 1]! + all[i - 1]!.half + m.half + WIRE;
    const before = all.findLastIndex((other, k) => k < i && line(other) === line(m));
    if (before < 0 && i > 0 && m.item.kind === 'part') x = Math.max(x, 2 * POINT_HALF + m.label / 2);
    if (before >= 0) x = Math.max(x, xs[before]! + extent(all, before, 'right') + GAP + extent(all, i, 'left'));
    else x = Math.max(x, extent(all, i, 'left'));
    xs.push(x);
  }
  return xs;
}

/** How far a label goes to a side of its sign: names at the ends of a rung begin and end there. */
function extent(all: readonly Measured[], i: number, side: 'left' | 'right'): number {
  const m = all[i]!;
  if (m.item.kind === 'net' && i === 0) return side === 'left' ? POINT_HALF : m.label - POINT_HALF;
  if (m.item.kind === 'net' && i === all.length - 1) return side === 'left' ? m.label - POINT_HALF : POINT_HALF;
  return m.label / 2;
}

/** The width that a rung needs. */
function needed(all: readonly Measured[]): number {
  const xs = leastOf(all);
  const parts = all.findLastIndex((m) => m.item.kind === 'part');
  return Math.max(xs.at(-1)! + extent(all, all.length - 1, 'right'), xs[parts]! + extent(all, parts, 'right'));
}

/** Breaks and cuts labels until the rung fits. */
function fit(all: Measured[], width: number): Measured[] {
  let now = all.map((m) => ({ ...m }));
  const change = (make: (m: Measured) => readonly string[] | undefined): boolean => {
    const order = [...now].sort((a, b) => b.label - a.label);
    for (const m of order) {
      if (m.item.kind !== 'part') continue;
      const lines = make(m);
      if (!lines) continue;
      const label = Math.max(...lines.map((w) => textWidth(w, LABEL)));
      now = now.map((other) => (other === m ? { ...m, lines, label } : other));
      return true;
    }
    return false;
  };
  while (needed(now) > width && change((m) => (m.lines.length === 1 ? broken(m.lines[0]!) : undefined)));
  while (needed(now) > width && change((m) => shorter(m.lines)));
  // What stands beside a plate gives way next, then what is on it: both are said in the point's own words too.
  for (const less of [(t: Texts) => ({ ...t, beside: '' }), compact, bare]) {
    if (needed(now) <= width) break;
    now = now.map((m) => {
      const texts = m.texts && less(m.texts);
      return texts ? { ...m, texts, label: pointWidth(texts) } : m;
    });
  }
  return now;
}

/** A reading without its unit and what stands behind the point. */
const compact = (texts: Texts): Texts => ({
  ...texts,
  plate: texts.plate
    .replace(/(\d+)\.\d+/g, '$1')
    .replace(/ (m?V)\b/g, '')
    .replaceAll(' ', ''),
});

/** Only that something differs, or is read. */
const bare = (texts: Texts): Texts => ({
  ...texts,
  plate: texts.plate === '' ? '' : texts.plate.startsWith('≠') ? '≠' : '•',
});

/** Two lines of about one length; nothing for a single word. */
function broken(words: string): readonly string[] | undefined {
  const places = [...words.matchAll(/ |-(?=\w)/g)].map((m) => ({
    end: m.index + (m[0] === '-' ? 1 : 0),
    begin: m.index + 1,
  }));
  if (places.length === 0) return undefined;
  const longest = ({ end, begin }: { end: number; begin: number }): number => Math.max(end, words.length - begin);
  const best = places.reduce((a, b) => (longest(b) < longest(a) ? b : a));
  return [words.slice(0, best.end), words.slice(best.begin)];
}

/** The longest line loses a letter; nothing when little is left of it. */
function shorter(lines: readonly string[]): readonly string[] | undefined {
  const [longest] = [...lines].sort((a, b) => b.length - a.length);
  const bare = longest!.replace(/…$/, '');
  if (bare.length <= 4) return undefined;
  return lines.map((l) => (l === longest ? `${bare.slice(0, -1).trimEnd()}…` : l));
}

function place(all: readonly Measured[], left: number, right: number, y: number, onRail: boolean): Placed[] {
  const xs = leastOf(all);
  // Spread evenly, as far as no label leaves the drawing by that.
  const last = all.length - 1;
  const slack = Math.min(
    ...xs.slice(1).map((x, k) => ((right - left - extent(all, k + 1, 'right') - x) * last) / (k + 1)),
  );
  return all.map((m, i) => {
    const x = left + xs[i]! + (slack * i) / last;
    const from = x - extent(all, i, 'left');
    if (m.texts === undefined)
      return {
        item: m.item,
        x,
        y,
        lines: m.lines.map((words, k) => ({
          words,
          box: boxOf(x - textWidth(words, LABEL) / 2, y + BELOW + k * LINE, words),
        })),
        plate: undefined,
        beside: undefined,
      };
    const { name, plate, beside } = m.texts;
    const nameWidth = textWidth(name, LABEL, true);
    const plateAt = from + nameWidth + 3;
    const besideAt = plate === '' ? from + nameWidth + 4 : plateAt + plateWidth(plate) + 4;
    return {
      item: m.item,
      x,
      y,
      lines:
        i === 0 && onRail && plate === '' && beside === ''
          ? []
          : [{ words: name, box: { x: from, y: y - ABOVE - HALF, width: nameWidth, height: 2 * HALF } }],
      plate:
        plate === ''
          ? undefined
          : {
              words: plate,
              box: { x: plateAt, y: y - ABOVE - HALF, width: plateWidth(plate), height: 2 * HALF + 2 },
            },
      beside: beside === '' ? undefined : { words: beside, box: boxOf(besideAt, y - ABOVE, beside) },
    };
  });
}

const boxOf = (x: number, middle: number, words: string): Box => ({
  x,
  y: middle - HALF,
  width: textWidth(words, LABEL),
  height: 2 * HALF,
});
