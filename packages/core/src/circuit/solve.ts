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
  const n = circuit.nodeCount;
  const island = groups(circuit, Infinity);
  const stiff = groups(circuit, STIFF_OHMS);
  const order = eliminationOrder(circuit);
  const rank = new Int32Array(n);
  for (let i = 0; i < n; i++) rank[order[i]!] = i;

  // Dense storage in elimination order, [row * n + column].
  const yRe = new Float64Array(n * n);
  const yIm = new Float64Array(n * n);
  const iRe = new Float64Array(n);
  const iIm = new Float64Array(n);
  const stamp = (a: number, b: number, gr: number, gi: number): void => {
    const p = rank[a]!;
    const q = rank[b]!;
    yRe[p * n + p]! += gr;
    yIm[p * n + p]! += gi;
    yRe[q * n + q]! += gr;
    yIm[q * n + q]! += gi;
    yRe[p * n + q]! -= gr;
    yIm[p * n + q]! -= gi;
    yRe[q * n + p]! -= gr;
    yIm[q * n + p]! -= gi;
  };
  const stampCross = (a: number, b: number, c: number, d: number, gr: number, gi: number): void => {
    // current leaving a and entering b that is proportional to v(c) − v(d)
    const add = (row: number, column: number, sign: number): void => {
      yRe[rank[row]! * n + rank[column]!]! += sign * gr;
      yIm[rank[row]! * n + rank[column]!]! += sign * gi;
    };
    add(a, c, 1);
    add(a, d, -1);
    add(b, c, -1);
    add(b, d, 1);
  };

  for (const e of circuit.elements) {
    if (e.type === 'transformer') {
      const [gr, gi] = reciprocal(e.r, e.x);
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
    const [gr, gi] = reciprocal(e.r, e.x);
    stamp(e.a, e.b, gr, gi);
    if (e.type === 'source') {
      const er = e.volts * Math.cos(e.phase);
      const ei = e.volts * Math.sin(e.phase);
      const jr = er * gr - ei * gi;
      const ji = er * gi + ei * gr;
      iRe[rank[e.a]!]! += jr;
      iIm[rank[e.a]!]! += ji;
      iRe[rank[e.b]!]! -= jr;
      iIm[rank[e.b]!]! -= ji;
    }
  }
  // One anchor per island: ground itself where the island has it, else its first node.
  const anchored = new Set<number>();
  const anchor = (node: number): void => {
    if (anchored.has(island[node]!)) return;
    anchored.add(island[node]!);
    const p = rank[node]!;
    // Ground is pinned hard, so that it reads zero to rounding.
    yRe[p * n + p]! += node === circuit.ground ? 1e6 : ANCHOR;
  };
  anchor(circuit.ground);
  for (let node = 0; node < n; node++) anchor(node);

  // LU without pivoting: the matrix of a passive network is diagonally dominant.
  for (let k = 0; k < n; k++) {
    const dr = yRe[k * n + k]!;
    const di = yIm[k * n + k]!;
    const m = dr * dr + di * di;
    for (let row = k + 1; row < n; row++) {
      const ar = yRe[row * n + k]!;
      const ai = yIm[row * n + k]!;
      if (ar === 0 && ai === 0) continue;
      const fr = (ar * dr + ai * di) / m;
      const fi = (ai * dr - ar * di) / m;
      yRe[row * n + k] = fr;
      yIm[row * n + k] = fi;
      for (let c = k + 1; c < n; c++) {
        const br = yRe[k * n + c]!;
        const bi = yIm[k * n + c]!;
        if (br === 0 && bi === 0) continue;
        yRe[row * n + c]! -= fr * br - fi * bi;
        yIm[row * n + c]! -= fr * bi + fi * br;
      }
    }
  }

  const backSolve = (bRe: Float64Array, bIm: Float64Array): void => {
    for (let row = 1; row < n; row++) {
      let sr = bRe[row]!;
      let si = bIm[row]!;
      for (let c = 0; c < row; c++) {
        const fr = yRe[row * n + c]!;
        const fi = yIm[row * n + c]!;
        if (fr === 0 && fi === 0) continue;
        sr -= fr * bRe[c]! - fi * bIm[c]!;
        si -= fr * bIm[c]! + fi * bRe[c]!;
      }
      bRe[row] = sr;
      bIm[row] = si;
    }
    for (let row = n - 1; row >= 0; row--) {
      let sr = bRe[row]!;
      let si = bIm[row]!;
      for (let c = row + 1; c < n; c++) {
        const fr = yRe[row * n + c]!;
        const fi = yIm[row * n + c]!;
        if (fr === 0 && fi === 0) continue;
        sr -= fr * bRe[c]! - fi * bIm[c]!;
        si -= fr * bIm[c]! + fi * bRe[c]!;
      }
      const dr = yRe[row * n + row]!;
      const di = yIm[row * n + row]!;
      const m = dr * dr + di * di;
      bRe[row] = (sr * dr + si * di) / m;
      bIm[row] = (si * dr - sr * di) / m;
    }
  };
  backSolve(iRe, iIm);

  const re = new Float64Array(n);
  const im = new Float64Array(n);
  for (let node = 0; node < n; node++) {
    re[node] = iRe[rank[node]!]!;
    im[node] = iIm[rank[node]!]!;
  }

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

  const impedanceBetween = (a: number, b: number): Complex => {
    if (a === b) return [0, 0];
    const bRe = new Float64Array(n);
    const bIm = new Float64Array(n);
    bRe[rank[a]!] = 1;
    bRe[rank[b]!] = -1;
    backSolve(bRe, bIm);
    return [bRe[rank[a]!]! - bRe[rank[b]!]!, bIm[rank[a]!]! - bIm[rank[b]!]!];
  };

  return { re, im, island, stiff, current, impedanceBetween };
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
