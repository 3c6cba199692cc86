import fc from 'fast-check';
import { type Circuit, type Element, layoutOf, solve } from '../src/circuit';

/** The plain way: full nodal matrix as complex numbers, partial pivoting, no ordering, ground removed. */
function naive(circuit: Circuit): [number, number][] {
  const n = circuit.nodeCount;
  const mul = (a: number[], b: number[]): [number, number] => [
    a[0]! * b[0]! - a[1]! * b[1]!,
    a[0]! * b[1]! + a[1]! * b[0]!,
  ];
  const div = (a: number[], b: number[]): [number, number] => {
    const m = b[0]! ** 2 + b[1]! ** 2;
    return [(a[0]! * b[0]! + a[1]! * b[1]!) / m, (a[1]! * b[0]! - a[0]! * b[1]!) / m];
  };
  const rows: [number, number][][] = Array.from({ length: n }, () =>
    Array.from({ length: n + 1 }, () => [0, 0] as [number, number]),
  );
  const add = (r: number, c: number, v: number[], sign = 1): void => {
    rows[r]![c]![0] += sign * v[0]!;
    rows[r]![c]![1] += sign * v[1]!;
  };
  for (const e of circuit.elements) {
    if (e.type === 'transformer') throw new Error('not in this comparison');
    const y = div([1, 0], [e.r, e.x]);
    add(e.a, e.a, y);
    add(e.b, e.b, y);
    add(e.a, e.b, y, -1);
    add(e.b, e.a, y, -1);
    if (e.type === 'source') {
      const j = mul([e.volts * Math.cos(e.phase), e.volts * Math.sin(e.phase)], y);
      add(e.a, n, j);
      add(e.b, n, j, -1);
    }
  }
  rows[circuit.ground] = Array.from(
    { length: n + 1 },
    (_, i) => (i === circuit.ground ? [1, 0] : [0, 0]) as [number, number],
  );
  for (let k = 0; k < n; k++) {
    let best = k;
    for (let r = k; r < n; r++) if (Math.hypot(...rows[r]![k]!) > Math.hypot(...rows[best]![k]!)) best = r;
    [rows[k], rows[best]] = [rows[best]!, rows[k]!];
    for (let r = 0; r < n; r++) {
      if (r === k) continue;
      const f = div(rows[r]![k]!, rows[k]![k]!);
      for (let c = k; c <= n; c++) add(r, c, mul(f, rows[k]![c]!), -1);
    }
  }
  return rows.map((row, i) => div(row[n]!, row[i]!));
}

/** A connected circuit: a chain through all nodes, then extra elements anywhere. */
const circuits = fc.integer({ min: 2, max: 14 }).chain((nodeCount) => {
  const node = fc.integer({ min: 0, max: nodeCount - 1 });
  const ohms = fc.oneof(fc.constant(0.01), fc.double({ min: 0.1, max: 5000, noNaN: true }));
  const reactance = fc.oneof(fc.constant(0), fc.double({ min: -200, max: 200, noNaN: true }));
  const between = (a: number, b: number): fc.Arbitrary<Element> =>
    fc
      .record({ r: ohms, x: reactance, volts: fc.double({ min: 0, max: 130, noNaN: true }), live: fc.boolean() })
      .map(({ r, x, volts, live }) =>
        live
          ? { type: 'source', id: 'v', a, b, volts, phase: 0.3, r: Math.max(r, 0.1), x }
          : { type: 'impedance', id: 'z', a, b, r, x },
      );
  const chain = fc.tuple(...Array.from({ length: nodeCount - 1 }, (_, i) => between(i, i + 1)));
  const extra = fc.array(
    fc
      .tuple(node, node)
      .filter(([a, b]) => a !== b)
      .chain(([a, b]) => between(a, b)),
    { maxLength: 10 },
  );
  return fc.tuple(chain, extra, node).map(([c, x, ground]): Circuit => ({ nodeCount, ground, elements: [...c, ...x] }));
});

describe('the ordered elimination agrees with a plain pivoting solver', () => {
  test('on random connected circuits', () => {
    fc.assert(
      fc.property(circuits, (circuit) => {
        const fast = solve(circuit);
        naive(circuit).forEach(([re, im], i) => {
          const size = Math.hypot(re, im);
          expect(Math.hypot(fast.re[i]! - re, fast.im[i]! - im)).toBeLessThan(1e-3 + 1e-4 * size);
        });
      }),
      { numRuns: 300 },
    );
  });

  test('currents obey Kirchhoff: what flows into a node flows out of it', () => {
    fc.assert(
      fc.property(circuits, (circuit) => {
        const s = solve(circuit);
        const sums = Array.from({ length: circuit.nodeCount }, () => [0, 0]);
        let largest = 0;
        for (const e of circuit.elements) {
          if (e.type === 'transformer') continue;
          const [re, im] = s.current(e);
          largest = Math.max(largest, Math.hypot(re, im));
          sums[e.a]![0]! += re;
          sums[e.a]![1]! += im;
          sums[e.b]![0]! -= re;
          sums[e.b]![1]! -= im;
        }
        for (const [re, im] of sums) expect(Math.hypot(re!, im!)).toBeLessThan(1e-4 + 1e-6 * largest * 100);
      }),
      { numRuns: 200 },
    );
  });

  test('the impedance between two nodes is the same in both directions', () => {
    fc.assert(
      fc.property(circuits, (circuit) => {
        const s = solve(circuit);
        const [a, b] = [0, circuit.nodeCount - 1];
        const there = s.impedanceBetween(a, b);
        const back = s.impedanceBetween(b, a);
        expect(there[0]).toBeCloseTo(back[0], 4);
        expect(there[1]).toBeCloseTo(back[1], 4);
      }),
      { numRuns: 100 },
    );
  });
});

describe('one order of elimination for a family of circuits', () => {
  const nodes = (e: Element): readonly number[] =>
    e.type === 'transformer' ? [...e.primary, ...e.secondary] : [e.a, e.b];

  test('a circuit of which some elements are open gives the same in the layout of the whole as in its own', () => {
    const some = fc.tuple(circuits, fc.array(fc.boolean(), { minLength: 30, maxLength: 30 }));
    fc.assert(
      fc.property(some, ([whole, closed]) => {
        const part = { ...whole, elements: whole.elements.filter((_, i) => closed[i] === true) };
        const own = solve(part);
        const shared = solve(part, layoutOf(whole.nodeCount, whole.elements.map(nodes)));
        for (let node = 0; node < part.nodeCount; node++)
          for (let other = 0; other < node; other++) {
            expect(shared.island[node] === shared.island[other]).toBe(own.island[node] === own.island[other]);
            if (own.island[node] !== own.island[other]) continue;
            const volts = own.re[node]! - own.re[other]!;
            expect(Math.abs(shared.re[node]! - shared.re[other]! - volts)).toBeLessThan(1e-4 + 1e-6 * Math.abs(volts));
          }
      }),
      { numRuns: 200 },
    );
  });

  test('one layout serves circuit after circuit: nothing is left over from the one before', () => {
    const element = (volts: number): Element[] => [
      { type: 'source', id: 'v', a: 1, b: 0, volts, phase: 0, r: 1, x: 0 },
      { type: 'impedance', id: 'z', a: 1, b: 0, r: 9, x: 0 },
    ];
    const layout = layoutOf(2, [[0, 1]]);
    const at = (volts: number): number => solve({ nodeCount: 2, ground: 0, elements: element(volts) }, layout).re[1]!;
    expect([at(10), at(20), at(10)].map((v) => v.toFixed(6))).toEqual(['9.000000', '18.000000', '9.000000']);
  });

  test('a ladder is eliminated from its ends: no entry that was not there', () => {
    const n = 12;
    const chain = Array.from({ length: n - 1 }, (_, i) => [i, i + 1]);
    expect(layoutOf(n, chain).entries).toBe(n + 2 * (n - 1));
  });

  test('an element outside the layout is refused, not lost', () => {
    const elements: Element[] = [{ type: 'impedance', id: 'z', a: 0, b: 2, r: 1, x: 0 }];
    expect(() => solve({ nodeCount: 3, ground: 0, elements }, layoutOf(3, [[0, 1]]))).toThrow(RangeError);
  });
});
