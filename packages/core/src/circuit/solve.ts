import type { Circuit, Element } from './circuit';
import { type Layout, layoutOf } from './layout';

/** A complex number as [real, imaginary]. */
type Complex = readonly [number, number];

export interface Solution {
  /** Voltage of a node against ground (or against its own island's anchor when the island floats). */
  readonly re: Float64Array;
  readonly im: Float64Array;
  /** Nodes with the same number are joined by something that conducts; others float against each other. */
  readonly island: Int32Array;
  /** Nodes with the same number are joined through less than a few kilohms: the meter's 10 MΩ does not disturb them. */
  readonly stiff: Int32Array;
  /** Current through an element from its `a` to its `b` (into the first primary terminal of a transformer), amperes. */
  current(element: Element): Complex;
  /** Impedance seen between two nodes of one island with every source at rest, ohms. */
  impedanceBetween(a: number, b: number): Complex;
}

/** Largest impedance through which a node still counts as held by its neighbour, ohms. */
const STIFF_OHMS = 3000;
/** Conductance that ties a floating island to ground. It carries no current, so its value does not matter. */
const ANCHOR = 1;
/** Ground is pinned hard, so that it reads zero to rounding. */
const GROUND = 1e6;

/**
 * Nodal analysis of a circuit: Y·v = i, by elimination in an order that produces next to no fill-in on ladder circuits.
 * Closed contacts stay in as their real milliohms, so millivolts across a contact and the current of a fuse come straight
 * from the solution. `layout` may be that of any circuit with the same nodes and at least these connections.
 */
export function solve(circuit: Circuit, layout: Layout = layoutOf(circuit.nodeCount, nodesOf(circuit))): Solution {
  return new Solved(circuit, layout);
}

function* nodesOf(circuit: Circuit): Iterable<readonly number[]> {
  for (const e of circuit.elements) yield e.type === 'transformer' ? [...e.primary, ...e.secondary] : [e.a, e.b];
}

class Solved implements Solution {
  readonly re: Float64Array;
  readonly im: Float64Array;
  readonly island: Int32Array;
  private stiffly: Int32Array | undefined;

  constructor(
    private readonly circuit: Circuit,
    private readonly layout: Layout,
  ) {
    this.island = groups(circuit, Infinity);
    const { re, im } = nodeVoltages(circuit, layout, this.island, undefined);
    this.re = re;
    this.im = im;
  }

  // Asked only where a meter is put, long after most circuits are forgotten.
  get stiff(): Int32Array {
    return (this.stiffly ??= groups(this.circuit, STIFF_OHMS));
  }

  current(e: Element): Complex {
    const { re, im } = this;
    const [gr, gi] = reciprocal(e.r, e.x);
    if (e.type === 'transformer') {
      const vpR = re[e.primary[0]]! - re[e.primary[1]]!;
      const vpI = im[e.primary[0]]! - im[e.primary[1]]!;
      const dr = e.ratio * vpR - (re[e.secondary[0]]! - re[e.secondary[1]]!);
      const di = e.ratio * vpI - (im[e.secondary[0]]! - im[e.secondary[1]]!);
      const [mr, mi] = reciprocal(e.magnetisingR, e.magnetisingX);
      return [e.ratio * (dr * gr - di * gi) + vpR * mr - vpI * mi, e.ratio * (dr * gi + di * gr) + vpR * mi + vpI * mr];
    }
    let dr = re[e.a]! - re[e.b]!;
    let di = im[e.a]! - im[e.b]!;
    if (e.type === 'source') {
      dr -= e.volts * Math.cos(e.phase);
      di -= e.volts * Math.sin(e.phase);
    }
    return [dr * gr - di * gi, dr * gi + di * gr];
  }

  // Seldom asked: one ampere through the sleeping circuit, solved anew.
  impedanceBetween(a: number, b: number): Complex {
    if (a === b) return [0, 0];
    const v = nodeVoltages(this.circuit, this.layout, this.island, [a, b]);
    return [v.re[a]! - v.re[b]!, v.im[a]! - v.im[b]!];
  }
}

/** What one element adds to the equations. */
interface Stamp {
  /** Entries of the matrix and what is added there. */
  readonly at: Int32Array;
  readonly re: Float64Array;
  readonly im: Float64Array;
  /** Current that a source sends into its first node and takes out of the second. */
  readonly source:
    { readonly into: number; readonly from: number; readonly re: number; readonly im: number } | undefined;
}

/** The equations Y·v = i of one layout, their storage reused: thousands of small circuits are solved one after the other. */
class Equations {
  /** Matrix by entry of the layout, right side by rank. */
  private readonly yRe: Float64Array;
  private readonly yIm: Float64Array;
  private readonly iRe: Float64Array;
  private readonly iIm: Float64Array;
  /** An element stands in many circuits and adds the same to each. */
  private readonly stamps = new WeakMap<Element, Stamp>();

  constructor(private readonly layout: Layout) {
    this.yRe = new Float64Array(layout.entries);
    this.yIm = new Float64Array(layout.entries);
    this.iRe = new Float64Array(layout.nodeCount);
    this.iIm = new Float64Array(layout.nodeCount);
  }

  clear(): void {
    this.yRe.fill(0);
    this.yIm.fill(0);
    this.iRe.fill(0);
    this.iIm.fill(0);
  }

  /** Adds elements; with the sources at rest their inner impedance alone counts. */
  add(elements: readonly Element[], atRest: boolean): void {
    const { yRe, yIm } = this;
    for (let e = 0; e < elements.length; e++) {
      const element = elements[e]!;
      let stamp = this.stamps.get(element);
      if (!stamp) this.stamps.set(element, (stamp = this.stampOf(element)));
      const { at, re, im, source } = stamp;
      for (let i = 0; i < at.length; i++) {
        yRe[at[i]!]! += re[i]!;
        yIm[at[i]!]! += im[i]!;
      }
      if (!source || atRest) continue;
      this.inject(source.into, source.re, source.im);
      this.inject(source.from, -source.re, -source.im);
    }
  }

  private stampOf(e: Element): Stamp {
    const [gr, gi] = reciprocal(e.r, e.x);
    if (e.type === 'transformer') {
      const k = e.ratio;
      const [mr, mi] = reciprocal(e.magnetisingR, e.magnetisingX);
      const entries = [
        ...this.transfer(e.secondary, e.secondary, gr, gi),
        ...this.transfer(e.primary, e.primary, gr * k * k + mr, gi * k * k + mi),
        ...this.transfer(e.secondary, e.primary, -k * gr, -k * gi),
        ...this.transfer(e.primary, e.secondary, -k * gr, -k * gi),
      ];
      return { ...packed(entries), source: undefined };
    }
    const entries = packed(this.transfer([e.a, e.b], [e.a, e.b], gr, gi));
    if (e.type === 'impedance') return { ...entries, source: undefined };
    const er = e.volts * Math.cos(e.phase);
    const ei = e.volts * Math.sin(e.phase);
    return { ...entries, source: { into: e.a, from: e.b, re: er * gr - ei * gi, im: er * gi + ei * gr } };
  }

  /** A current through one pair of nodes that is g times the voltage across another (or the same), as matrix entries. */
  private transfer([a, b]: Pair, [c, d]: Pair, gr: number, gi: number): Entry[] {
    return [
      [this.layout.entry(a, c), gr, gi],
      [this.layout.entry(a, d), -gr, -gi],
      [this.layout.entry(b, c), -gr, -gi],
      [this.layout.entry(b, d), gr, gi],
    ];
  }

  /** Ties a node to the zero of all voltages. */
  anchor(node: number, conductance: number): void {
    this.yRe[this.layout.rank[node]!]! += conductance;
  }

  /** Sends a current into a node, amperes. */
  inject(node: number, re: number, im: number): void {
    const at = this.layout.rank[node]!;
    this.iRe[at]! += re;
    this.iIm[at]! += im;
  }

  /**
   * Gaussian elimination in place. No pivoting: the matrix of a passive network is diagonally dominant. Its pattern is
   * symmetric: the rows that hold a pivot's column are the pivot row's columns.
   */
  voltages(): { re: Float64Array; im: Float64Array } {
    const { nodeCount: n, rank, starts, columns, targets } = this.layout;
    const { yRe, yIm, iRe, iIm } = this;
    const below = n + columns.length;
    let target = 0;
    for (let k = 0; k < n; k++) {
      const from = starts[k]!;
      const to = starts[k + 1]!;
      const dr = yRe[k]!;
      const di = yIm[k]!;
      const m = dr * dr + di * di;
      for (let i = from; i < to; i++) {
        const ar = yRe[below + i]!;
        const ai = yIm[below + i]!;
        // An open branch of the layout.
        if (ar === 0 && ai === 0) {
          target += to - from;
          continue;
        }
        const fr = (ar * dr + ai * di) / m;
        const fi = (ai * dr - ar * di) / m;
        for (let j = n + from; j < n + to; j++) {
          const at = targets[target++]!;
          const br = yRe[j]!;
          const bi = yIm[j]!;
          yRe[at]! -= fr * br - fi * bi;
          yIm[at]! -= fr * bi + fi * br;
        }
        const row = columns[i]!;
        iRe[row]! -= fr * iRe[k]! - fi * iIm[k]!;
        iIm[row]! -= fr * iIm[k]! + fi * iRe[k]!;
      }
    }
    for (let k = n - 1; k >= 0; k--) {
      let sr = iRe[k]!;
      let si = iIm[k]!;
      for (let i = starts[k]!; i < starts[k + 1]!; i++) {
        const column = columns[i]!;
        const fr = yRe[n + i]!;
        const fi = yIm[n + i]!;
        sr -= fr * iRe[column]! - fi * iIm[column]!;
        si -= fr * iIm[column]! + fi * iRe[column]!;
      }
      const dr = yRe[k]!;
      const di = yIm[k]!;
      const m = dr * dr + di * di;
      iRe[k] = (sr * dr + si * di) / m;
      iIm[k] = (si * dr - sr * di) / m;
    }
    const re = new Float64Array(n);
    const im = new Float64Array(n);
    for (let node = 0; node < n; node++) {
      const at = rank[node]!;
      re[node] = iRe[at]!;
      im[node] = iIm[at]!;
    }
    return { re, im };
  }
}

type Pair = readonly [number, number];
/** Number of an entry of the matrix; what is added there, real and imaginary. */
type Entry = readonly [number, number, number];

const packed = (entries: readonly Entry[]): Pick<Stamp, 'at' | 're' | 'im'> => ({
  at: Int32Array.from(entries, ([at]) => at),
  re: Float64Array.from(entries, ([, re]) => re),
  im: Float64Array.from(entries, ([, , im]) => im),
});

const equations = new WeakMap<Layout, Equations>();

/** Node voltages with the circuit's own sources, or with one ampere sent into `probe[0]` and out of `probe[1]` and all sources at rest. */
function nodeVoltages(
  circuit: Circuit,
  layout: Layout,
  island: Int32Array,
  probe: readonly [number, number] | undefined,
): { re: Float64Array; im: Float64Array } {
  let y = equations.get(layout);
  if (!y) equations.set(layout, (y = new Equations(layout)));
  y.clear();
  y.add(circuit.elements, probe !== undefined);
  if (probe) {
    y.inject(probe[0], 1, 0);
    y.inject(probe[1], -1, 0);
  }
  // One anchor per island: ground itself where the island has it, else the node that gave the island its number.
  y.anchor(circuit.ground, GROUND);
  const grounded = island[circuit.ground]!;
  for (let node = 0; node < island.length; node++)
    if (island[node] === node && node !== grounded) y.anchor(node, ANCHOR);
  return y.voltages();
}

function reciprocal(r: number, x: number): Complex {
  const m = r * r + x * x;
  return [r / m, -x / m];
}

/** Numbers the groups of nodes joined by elements up to an impedance. A transformer couples its windings but does not join them. */
function groups(circuit: Circuit, most: number): Int32Array {
  const group = new Int32Array(circuit.nodeCount);
  for (let node = 0; node < group.length; node++) group[node] = node;
  for (let i = 0; i < circuit.elements.length; i++) {
    const e = circuit.elements[i]!;
    if (e.type === 'transformer') {
      join(group, e.primary[0], e.primary[1]);
      join(group, e.secondary[0], e.secondary[1]);
    } else if (most === Infinity || Math.hypot(e.r, e.x) <= most) join(group, e.a, e.b);
  }
  for (let node = 0; node < group.length; node++) group[node] = rootOf(group, node);
  return group;
}

function join(group: Int32Array, a: number, b: number): void {
  group[rootOf(group, a)] = rootOf(group, b);
}

function rootOf(group: Int32Array, node: number): number {
  let root = node;
  while (group[root] !== root) root = group[root] = group[group[root]!]!;
  return root;
}
