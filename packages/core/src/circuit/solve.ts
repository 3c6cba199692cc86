import type { Circuit, Element } from './circuit';

/** A complex number as [real, imaginary]. */
export type Complex = readonly [number, number];

export interface Solution {
  /** Voltage of a node against ground (or against its own island's anchor when the island floats). */
  readonly re: Float64Array;
  readonly im: Float64Array;
  /** Nodes with the same number are joined by something that conducts; others float against each other. */
  readonly island: Int32Array;
  /** Nodes with the same number are joined through less than a few kilohms: the meter's 10 MΩ does not disturb them. */
  readonly stiff: Int32Array;
  /** Current through an element from its `a` to its `b` (into the first primary terminal of a transformer), amperes. */
  readonly current: (element: Element) => Complex;
  /** Impedance seen between two nodes of one island with every source at rest, ohms. */
  readonly impedanceBetween: (a: number, b: number) => Complex;
}

/** Largest impedance through which a node still counts as held by its neighbour, ohms. */
const STIFF_OHMS = 3000;
/** Conductance that ties a floating island to ground. It carries no current, so its value does not matter. */
const ANCHOR = 1;

/**
 * Nodal analysis of a circuit: Y·v = i, by elimination in order of rising node degree, which on ladder circuits
 * produces next to no fill-in. Closed contacts stay in as their real milliohms, so millivolts across a contact and the
 * current of a fuse come straight from the solution.
 */
export function solve(circuit: Circuit): Solution {
  const island = groups(circuit, Infinity);
  const stiff = groups(circuit, STIFF_OHMS);
  const { re, im } = nodeVoltages(circuit, island, undefined);

  const current = (e: Element): Complex => {
    if (e.type === 'transformer') {
      const [gr, gi] = reciprocal(e.r, e.x);
      const vpR = re[e.primary[0]]! - re[e.primary[1]]!;
      const vpI = im[e.primary[0]]! - im[e.primary[1]]!;
      const dr = e.ratio * vpR - (re[e.secondary[0]]! - re[e.secondary[1]]!);
      const di = e.ratio * vpI - (im[e.secondary[0]]! - im[e.secondary[1]]!);
      const [mr, mi] = reciprocal(e.magnetisingR, e.magnetisingX);
      return [e.ratio * (dr * gr - di * gi) + vpR * mr - vpI * mi, e.ratio * (dr * gi + di * gr) + vpR * mi + vpI * mr];
    }
    const [gr, gi] = reciprocal(e.r, e.x);
    let dr = re[e.a]! - re[e.b]!;
    let di = im[e.a]! - im[e.b]!;
    if (e.type === 'source') {
      dr -= e.volts * Math.cos(e.phase);
      di -= e.volts * Math.sin(e.phase);
    }
    return [dr * gr - di * gi, dr * gi + di * gr];
  };

  // Seldom asked: one ampere through the sleeping circuit, solved anew.
  const impedanceBetween = (a: number, b: number): Complex => {
    if (a === b) return [0, 0];
    const v = nodeVoltages(circuit, island, [a, b]);
    return [v.re[a]! - v.re[b]!, v.im[a]! - v.im[b]!];
  };

  return { re, im, island, stiff, current, impedanceBetween };
}

/** Working space, reused: thousands of small circuits are solved one after the other. */
let scratch = {
  n: 0,
  yRe: new Float64Array(0),
  yIm: new Float64Array(0),
  iRe: new Float64Array(0),
  iIm: new Float64Array(0),
};

/** Node voltages with the circuit's own sources, or with one ampere sent into `probe[0]` and out of `probe[1]` and all sources at rest. */
function nodeVoltages(
  circuit: Circuit,
  island: Int32Array,
  probe: readonly [number, number] | undefined,
): { re: Float64Array; im: Float64Array } {
  const n = circuit.nodeCount;
  const order = eliminationOrder(circuit);
  const rank = new Int32Array(n);
  for (let i = 0; i < n; i++) rank[order[i]!] = i;
  if (scratch.n === n) {
    for (const part of [scratch.yRe, scratch.yIm, scratch.iRe, scratch.iIm]) part.fill(0);
  } else {
    scratch = {
      n,
      yRe: new Float64Array(n * n),
      yIm: new Float64Array(n * n),
      iRe: new Float64Array(n),
      iIm: new Float64Array(n),
    };
  }
  // Dense storage in elimination order, [row * n + column].
  const { yRe, yIm, iRe, iIm } = scratch;
  const add = (row: number, column: number, gr: number, gi: number): void => {
    const at = rank[row]! * n + rank[column]!;
    yRe[at]! += gr;
    yIm[at]! += gi;
  };
  const stamp = (a: number, b: number, gr: number, gi: number): void => stampCross(a, b, a, b, gr, gi);
  /** A current from a to b that is g times the voltage from c to d. */
  const stampCross = (a: number, b: number, c: number, d: number, gr: number, gi: number): void => {
    add(a, c, gr, gi);
    add(a, d, -gr, -gi);
    add(b, c, -gr, -gi);
    add(b, d, gr, gi);
  };

  for (const e of circuit.elements) {
    const [gr, gi] = reciprocal(e.r, e.x);
    if (e.type === 'transformer') {
      const [p1, p2] = e.primary;
      const [s1, s2] = e.secondary;
      const k = e.ratio;
      stamp(s1, s2, gr, gi);
      stamp(p1, p2, gr * k * k, gi * k * k);
      stampCross(s1, s2, p1, p2, -k * gr, -k * gi);
      stampCross(p1, p2, s1, s2, -k * gr, -k * gi);
      const [mr, mi] = reciprocal(e.magnetisingR, e.magnetisingX);
      stamp(p1, p2, mr, mi);
      continue;
    }
    stamp(e.a, e.b, gr, gi);
    if (e.type === 'source' && !probe) {
      const er = e.volts * Math.cos(e.phase);
      const ei = e.volts * Math.sin(e.phase);
      iRe[rank[e.a]!]! += er * gr - ei * gi;
      iIm[rank[e.a]!]! += er * gi + ei * gr;
      iRe[rank[e.b]!]! -= er * gr - ei * gi;
      iIm[rank[e.b]!]! -= er * gi + ei * gr;
    }
  }
  if (probe) {
    iRe[rank[probe[0]]!]! += 1;
    iRe[rank[probe[1]]!]! -= 1;
  }
  // One anchor per island: ground itself where the island has it, else its first node.
  const anchored = new Uint8Array(n);
  const anchor = (node: number): void => {
    if (anchored[island[node]!] === 1) return;
    anchored[island[node]!] = 1;
    // Ground is pinned hard, so that it reads zero to rounding.
    add(node, node, node === circuit.ground ? 1e6 : ANCHOR, 0);
  };
  anchor(circuit.ground);
  for (let node = 0; node < n; node++) anchor(node);

  eliminate(n, yRe, yIm, iRe, iIm);
  const re = new Float64Array(n);
  const im = new Float64Array(n);
  for (let node = 0; node < n; node++) {
    re[node] = iRe[rank[node]!]!;
    im[node] = iIm[rank[node]!]!;
  }
  return { re, im };
}

/** Gaussian elimination in place; the answer is left in b. No pivoting: the matrix of a passive network is diagonally dominant. */
function eliminate(n: number, aRe: Float64Array, aIm: Float64Array, bRe: Float64Array, bIm: Float64Array): void {
  // Columns that a pivot row really has: few, on a ladder.
  const columns = new Int32Array(n);
  for (let k = 0; k < n; k++) {
    let filled = 0;
    for (let c = k + 1; c < n; c++) if (aRe[k * n + c] !== 0 || aIm[k * n + c] !== 0) columns[filled++] = c;
    const dr = aRe[k * n + k]!;
    const di = aIm[k * n + k]!;
    const m = dr * dr + di * di;
    // The pattern is symmetric: rows that hold the pivot's column are the pivot row's columns.
    for (let i = 0; i < filled; i++) {
      const row = columns[i]!;
      const ar = aRe[row * n + k]!;
      const ai = aIm[row * n + k]!;
      const fr = (ar * dr + ai * di) / m;
      const fi = (ai * dr - ar * di) / m;
      for (let j = 0; j < filled; j++) {
        const c = columns[j]!;
        const br = aRe[k * n + c]!;
        const bi = aIm[k * n + c]!;
        aRe[row * n + c]! -= fr * br - fi * bi;
        aIm[row * n + c]! -= fr * bi + fi * br;
      }
      bRe[row]! -= fr * bRe[k]! - fi * bIm[k]!;
      bIm[row]! -= fr * bIm[k]! + fi * bRe[k]!;
    }
  }
  for (let row = n - 1; row >= 0; row--) {
    let sr = bRe[row]!;
    let si = bIm[row]!;
    for (let c = row + 1; c < n; c++) {
      const fr = aRe[row * n + c]!;
      const fi = aIm[row * n + c]!;
      if (fr === 0 && fi === 0) continue;
      sr -= fr * bRe[c]! - fi * bIm[c]!;
      si -= fr * bIm[c]! + fi * bRe[c]!;
    }
    const dr = aRe[row * n + row]!;
    const di = aIm[row * n + row]!;
    const m = dr * dr + di * di;
    bRe[row] = (sr * dr + si * di) / m;
    bIm[row] = (si * dr - sr * di) / m;
  }
}

function reciprocal(r: number, x: number): Complex {
  const m = r * r + x * x;
  return [r / m, -x / m];
}

/** Numbers the groups of nodes joined by elements up to an impedance. A transformer couples its windings but does not join them. */
function groups(circuit: Circuit, most: number): Int32Array {
  const parent = new Int32Array(circuit.nodeCount).map((_, i) => i);
  const find = (node: number): number => {
    while (parent[node] !== node) {
      parent[node] = parent[parent[node]!]!;
      node = parent[node]!;
    }
    return node;
  };
  const join = (a: number, b: number): void => {
    parent[find(a)] = find(b);
  };
  for (const e of circuit.elements) {
    if (e.type === 'transformer') {
      join(e.primary[0], e.primary[1]);
      join(e.secondary[0], e.secondary[1]);
    } else if (most === Infinity || Math.hypot(e.r, e.x) <= most) join(e.a, e.b);
  }
  return parent.map((_, i) => find(i));
}

function eliminationOrder(circuit: Circuit): Int32Array {
  const degree = new Int32Array(circuit.nodeCount);
  for (const e of circuit.elements) {
    if (e.type === 'transformer') for (const node of [...e.primary, ...e.secondary]) degree[node]! += 3;
    else {
      degree[e.a]!++;
      degree[e.b]!++;
    }
  }
  const order = new Int32Array(circuit.nodeCount).map((_, i) => i);
  return order.sort((p, q) => degree[p]! - degree[q]! || p - q);
}
