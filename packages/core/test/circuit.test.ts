import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { type Circuit, measureVolts, solve, toSpice } from '../src/circuit';
import { fuseOpeningTime } from '../src/parts';
import type { Model } from '../src/profile';
import { CircuitStates, NORMAL_SETUP, Random, Trajectories } from '../src/simulation';
import { FAMILIES, profile } from './models';

const r = (id: string, a: number, b: number, ohms: number, x = 0) => ({
  type: 'impedance' as const,
  id,
  a,
  b,
  r: ohms,
  x,
});
const source = (a: number, b: number, volts: number, inner = 0.1) => ({
  type: 'source' as const,
  id: 'v',
  a,
  b,
  volts,
  phase: 0,
  r: inner,
  x: 0,
});

describe('laws of circuits', () => {
  test('a divider divides, and its branch current is the same everywhere', () => {
    const circuit: Circuit = {
      nodeCount: 3,
      ground: 0,
      elements: [source(1, 0, 24, 1e-3), r('a', 1, 2, 10), r('b', 2, 0, 30)],
    };
    const s = solve(circuit);
    expect(s.re[2]).toBeCloseTo(18, 2);
    expect(s.current(circuit.elements[1]!)[0]).toBeCloseTo(0.6, 3);
    expect(s.current(circuit.elements[2]!)[0]).toBeCloseTo(s.current(circuit.elements[1]!)[0], 9);
  });

  test('millivolts across a closed contact under load are a reading (10 mΩ × 0.5 A)', () => {
    const s = solve({
      nodeCount: 3,
      ground: 0,
      elements: [source(1, 0, 24, 1e-3), r('contact', 1, 2, 0.01), r('coil', 2, 0, 48)],
    });
    const m = measureVolts(s, 1, 2, 'high-impedance');
    expect(m.kind === 'volts' && m.volts).toBeCloseTo(0.005, 4);
  });

  test('a coil on AC draws by its impedance, on DC by its copper: |15 + j45| = 47.4 Ω', () => {
    const circuit: Circuit = { nodeCount: 2, ground: 0, elements: [source(1, 0, 24, 1e-6), r('coil', 1, 0, 15, 45)] };
    const [re, im] = solve(circuit).current(circuit.elements[1]!);
    expect(Math.hypot(re, im)).toBeCloseTo(24 / Math.hypot(15, 45), 4);
  });

  test('probes that nothing joins read a ghost, and zero on a low-impedance meter', () => {
    const s = solve({ nodeCount: 4, ground: 0, elements: [source(1, 0, 24), r('far', 2, 3, 10)] });
    expect(measureVolts(s, 2, 0, 'high-impedance')).toEqual({ kind: 'ghost' });
    expect(measureVolts(s, 2, 0, 'low-impedance')).toEqual({ kind: 'volts', volts: 0 });
  });

  test('the meter loads a feeble source: 110 V behind 220 kΩ reads 2.2 % low on 10 MΩ, next to nothing on low impedance', () => {
    const s = solve({ nodeCount: 2, ground: 0, elements: [source(1, 0, 110, 220e3)] });
    const high = measureVolts(s, 1, 0, 'high-impedance');
    const low = measureVolts(s, 1, 0, 'low-impedance');
    expect(high.kind === 'volts' && high.volts).toBeCloseTo(110 / 1.022, 2);
    expect(low.kind === 'volts' && low.volts).toBeLessThan(1.6);
  });

  test('a transformer couples but does not join: its secondary floats until it is bonded', () => {
    const windings = {
      type: 'transformer' as const,
      id: 't',
      primary: [1, 0] as const,
      secondary: [2, 3] as const,
      ratio: 0.2,
      r: 1,
      x: 0.3,
      magnetisingR: 900,
      magnetisingX: 1500,
    };
    const s = solve({ nodeCount: 4, ground: 0, elements: [source(1, 0, 120), windings] });
    expect(measureVolts(s, 2, 0, 'high-impedance')).toEqual({ kind: 'ghost' });
    const across = measureVolts(s, 2, 3, 'high-impedance');
    expect(across.kind === 'volts' && across.volts).toBeCloseTo(24, 1);
  });

  test('a fuse carries its rating for ever and opens the faster the more it carries (common practice, no source)', () => {
    expect(fuseOpeningTime(3, 3)).toBe(Infinity);
    expect(fuseOpeningTime(4.2, 3)).toBeGreaterThan(20_000);
    expect(fuseOpeningTime(6, 3)).toBeCloseTo(1500, -1);
    expect(fuseOpeningTime(30, 3)).toBeLessThan(100);
    let before = Infinity;
    for (let amps = 4.1; amps < 60; amps += 0.7) {
      const time = fuseOpeningTime(amps, 3);
      expect(time).toBeLessThanOrEqual(before);
      before = time;
    }
  });
});

/**
 * Different circuits met in the runs of a profile: healthy and under single faults, as it is and with something done to
 * it. Runs are drawn by a seeded chance, and each gives one circuit that no earlier one gave.
 */
function operatingPoints(model: Model, most: number): Circuit[] {
  const trajectories = new Trajectories(new CircuitStates(model));
  const setups = [
    NORMAL_SETUP,
    ...model.plugs.map(({ id }) => ({ ...NORMAL_SETUP, unplugged: [id] })),
    ...model.actions.map(({ id }) => ({ ...NORMAL_SETUP, actions: [id] })),
  ];
  const faults = [[], ...model.parts.flatMap((p) => p.modes.map((_m, mode) => [{ part: p.index, mode }]))];
  const found = new Map<number, Circuit>();
  const random = new Random(40);
  const draw = <T>(from: readonly T[]): T => from[Math.floor(random.next() * from.length)]!;
  for (let tries = 0; found.size < most && tries < 20 * most; tries++) {
    const fresh = trajectories.run(draw(faults), draw(setups)).circuits.filter((c) => !found.has(c.circuit.id));
    if (fresh.length === 0) continue;
    const { circuit } = draw(fresh);
    found.set(circuit.id, circuit.circuit);
  }
  return [...found.values()];
}

type Voltages = Readonly<Record<string, readonly [number, number]>>;

function ngspice(decks: readonly string[]): Voltages[] {
  const ran = spawnSync(process.execPath, [join(__dirname, 'ngspice.mjs')], {
    input: JSON.stringify(decks),
    encoding: 'utf8',
    maxBuffer: 1e8,
  });
  if (ran.status !== 0) throw new Error(ran.stderr);
  return JSON.parse(ran.stdout) as Voltages[];
}

describe('operating points agree with ngspice within 0.1 % + 1 mV', () => {
  const circuits = FAMILIES.map((id) => ({ id, met: operatingPoints(profile(id), 40) }));
  // One run for all: the simulator takes a second to start.
  const theirs = ngspice(circuits.flatMap(({ id, met }) => met.map((c) => toSpice(c, profile(id).nets, 'ac'))));

  test.each(circuits.map(({ id, met }, family) => ({ id, met, family })))('$id: 40 points', ({ met, family }) => {
    expect(met.length).toBe(40);
    let compared = 0;
    const differ: string[] = [];
    met.forEach((circuit, i) => {
      const ours = solve(circuit);
      const result = theirs[family * 40 + i]!;
      for (let node = 0; node < circuit.nodeCount; node++) {
        // Nodes of floating islands have no voltage of their own to compare.
        if (ours.island[node] !== ours.island[circuit.ground] || node === circuit.ground) continue;
        const [re, im] = result[`v(n${node})`] ?? result[`n${node}`] ?? [NaN, NaN];
        const difference = Math.hypot(ours.re[node]! - re, ours.im[node]! - im);
        if (!(difference < 1e-3 + 1e-3 * Math.hypot(re, im))) differ.push(`point ${i}, node ${node}: ${difference} V`);
        compared++;
      }
    });
    expect(differ).toEqual([]);
    expect(compared).toBeGreaterThan(200);
  });

  test('direct current: a divider with a battery', () => {
    const circuit: Circuit = {
      nodeCount: 3,
      ground: 0,
      elements: [source(1, 0, 12.6, 0.05), r('a', 1, 2, 4.7), r('b', 2, 0, 10, 30)],
    };
    const [theirs] = ngspice([toSpice(circuit, ['C', 'B', 'M'], 'dc')]);
    const ours = solve({ ...circuit, elements: circuit.elements.map((e) => ('x' in e ? { ...e, x: 0 } : e)) });
    expect(Math.abs(ours.re[2]! - theirs!['v(n2)']![0])).toBeLessThan(1e-3);
  });
});
