import {
  benchTestOf,
  benchTestOfAmps,
  benchTestOfGauge,
  benchTestsOfVolts,
  COMPONENT_TESTS,
  judgeMeasure,
  type Judged,
} from '../src/bench';
import { Engine } from '@zetalysis/core/diagnosis';
import { viewOf } from '@zetalysis/core/presentation';
import { TRAINED } from '@zetalysis/core/rules';
import { USUAL_STANDARD } from '@zetalysis/core/standards';
import type { Dimension, Reading } from '@zetalysis/core/units';
import { type CallEvent, type EventBody, reduceCall } from '@zetalysis/core/visit';
import { FIRST_EPISODE } from '@zetalysis/core/simulation';
import { findPart, type Model } from '@zetalysis/core/profile';
import { kindOf, type Observation } from '@zetalysis/core/question';
import { FAMILIES, profile } from './models';

const deadTests = (model: Model) =>
  model.parts.flatMap((part) => part.kind.deadTests(part.spec).map((dead) => ({ part, dead })));

/** A reading without any width, every condition said. */
const judge = (bench: NonNullable<ReturnType<typeof benchTestOf>>, value: number): Judged => {
  const measure = COMPONENT_TESTS.find((t) => t.id === bench.test)!.measures.find((m) => m.id === bench.measure)!;
  const exact = { share: 0, digits: 0, ranges: [{ to: 1e9, digit: 0 }] };
  const said = { iso: 'yes', Lz: '0', off: '60', T: '20 C', fit: 'carbide', dis: 'yes' };
  return judgeMeasure(
    { ...measure, asks: measure.asks },
    { ...said, ...bench.typed, [bench.reads]: bench.reads === 'farads' ? `${value * 1e6}` : `${value}` },
    { instruments: { ohms: exact, capacitance: exact }, limits: bench.limits },
  ).judged;
};

// The judge's limits and the engine's bands come from one specification: they never pull against each other.
describe.each(FAMILIES)('%s', (family) => {
  const model = profile(family);
  const judged = deadTests(model).flatMap(({ part, dead }) => {
    const bench = benchTestOf(dead, model.title);
    return bench ? [{ name: `${part.id} ${dead.branch}`, dead, bench }] : [];
  });

  test('what is judged good, the engine takes for sound; what is judged bad, it does not', () => {
    expect(judged.length).toBeGreaterThan(0);
    for (const { name, dead, bench } of judged) {
      const { low, high } = dead;
      const top = Number.isFinite(high) ? high * 2 : low * 4;
      for (let i = 1; i <= 60; i++) {
        const value = (top * (i - 0.5)) / 60;
        const { verdict, x } = judge(bench, value);
        // The leads' own width stays, however well they were read.
        const u = x?.u ?? 0;
        if (verdict === 'good')
          expect([name, value, value + u >= low && value - u <= high]).toEqual([name, value, true]);
        if (verdict === 'bad') expect([name, value, value < low || value > high]).toEqual([name, value, true]);
      }
    }
  });
});

describe('a corrected reading is evidence with its width', () => {
  const model = profile('furnace-condensing');
  const engine = new Engine(model);
  const valve = findPart(model, 'gas-valve')!;
  const dead = valve.kind.deadTests(valve.spec)[0]!;
  const middle = (dead.low + dead.high) / 2;
  const assess = (value: number, u?: number) => {
    const observation: Observation = {
      kind: 'ohms',
      part: valve.index,
      branch: dead.branch,
      reading: { kind: 'value', value, dimension: 'resistance' },
      ...(u !== undefined && { u }),
    };
    const found = engine.assess(
      { episodes: [FIRST_EPISODE], items: [{ id: 'a', episode: 0, observation }] },
      { pairs: false },
    );
    return found.suspects.filter((s) => s.repair === 'gas-valve:replace').reduce((sum, s) => sum + s.probability, 0);
  };

  test('the surer it is, the more a shorted coil speaks, and the more a good one clears', () => {
    expect(assess(0.4 * middle, 0.3)).toBeGreaterThan(assess(0.4 * middle, 8));
    expect(assess(middle, 0.3)).toBeLessThan(assess(middle, 8));
  });
});

test('a judged pressure is evidence with its width: a coarse gauge tells starved from sound less than a fine one', () => {
  const model = profile('furnace-condensing');
  const INCH = 249.089;
  const gauge = model.gauges.findIndex((g) => g.id === 'gas-inlet');
  const density = (expected: number, u?: number): number => {
    const observation: Observation = {
      kind: 'gauge',
      gauge,
      reading: { kind: 'value', value: 3 * INCH, dimension: 'pressure' },
      ...(u !== undefined && { u }),
    };
    const prediction = { kind: 'number', value: expected, tolerance: 0.05, absent: false } as const;
    return kindOf(observation).fit(model, observation, prediction, { top: 20 * INCH }, undefined).fit;
  };
  const starvedOverSound = (u?: number): number => density(3 * INCH, u) / density(7 * INCH, u);
  expect(starvedOverSound(4 * INCH)).toBeLessThan(starvedOverSound(INCH));
  expect(starvedOverSound(4 * INCH)).toBeGreaterThan(1);
  // A fine one is no surer than a usual one: between the severities of a fault nothing is foretold.
  expect(starvedOverSound(0.001 * INCH)).toBe(starvedOverSound());
});

test('what a gauge shows is judged by a measure of its own dimension', () => {
  const known = FAMILIES.flatMap((family) => {
    const model = profile(family);
    const { gauges, quantities } = model;
    return gauges.flatMap((g) => {
      const bench = benchTestOfGauge(model, g.id);
      return bench ? [{ name: `${family} ${g.id}`, bench, dimension: quantities[g.quantity]!.dimension }] : [];
    });
  });
  expect(known.length).toBeGreaterThan(30);
  for (const { name, bench, dimension } of known) {
    const measure = COMPONENT_TESTS.find((t) => t.id === bench.test)!.measures.find((m) => m.id === bench.measure)!;
    // What is entered as it was read may be judged as a share of something else.
    if (!bench.entersAsRead) expect([name, measure.dimension]).toEqual([name, dimension]);
    const reads = measure.asks.find((a) => a.id === bench.reads);
    expect([name, reads?.kind === 'number' && reads.dimension]).toEqual([name, dimension]);
    for (const [id, value] of Object.entries(bench.typed)) {
      const ask = measure.asks.find((a) => a.id === id);
      const says = ask?.kind === 'choice' ? ask.options.some((o) => o.id === value) : Number(value) > 0;
      expect([name, id, says]).toEqual([name, id, true]);
    }
  }
});

describe('volts of a call are judged by what lies between the probes', () => {
  const of = (family: string, red: string, black: string) => {
    const model = profile(family);
    return benchTestsOfVolts(model)[`${red} ${black}`];
  };
  test.each([
    ['the rail behind its fuse is the transformer', 'furnace-condensing', 'R', 'C', 'transformer', 'secondary'],
    ['the line', 'furnace-condensing', 'L1', 'N', 'line', 'volts'],
    ['a limit', 'furnace-condensing', 'R', 'LI', 'closed-switch', 'drop'],
    ['a wire', 'furnace-condensing', 'MV', 'GV', 'drop', 'joint'],
    ['a coil', 'furnace-condensing', 'VT', 'VC', 'coil-24v', 'live'],
    ['12 V at the board', 'mobile-furnace', 'B', 'CH', 'sail-and-12v', 'supply'],
  ])('%s', (_, family, red, black, test, measure) =>
    expect(of(family, red, black)).toMatchObject({ test, measure, entersAsRead: true }),
  );

  test('of every family each is a test of volts whose reading and known answers it asks', () => {
    let found = 0;
    for (const family of FAMILIES)
      for (const [pair, { test, measure, reads, typed }] of Object.entries(benchTestsOfVolts(profile(family)))) {
        const asked = COMPONENT_TESTS.find((t) => t.id === test)!.measures.find((m) => m.id === measure)!.asks;
        const read = asked.find((a) => a.id === reads);
        expect([family, pair, read?.kind === 'number' && read.dimension]).toEqual([family, pair, 'voltage']);
        for (const id of Object.keys(typed))
          expect([family, pair, asked.some((a) => a.id === id)]).toEqual([family, pair, true]);
        found++;
      }
    expect(found).toBeGreaterThan(150);
  });

  test('between what nobody judges there is nothing', () =>
    expect(of('furnace-condensing', 'R', 'MV')).toBeUndefined());

  test.each([
    ['furnace-condensing', 'igniter', 'amps', { fit: 'carbide' }],
    ['furnace-condensing', 'blower', 'motor', { feed: 'ac' }],
    ['mobile-furnace', 'blower', 'motor', { feed: 'dc' }],
  ])('amperes through the %s’s %s are judged', (family, part, measure, typed) => {
    const model = profile(family);
    const bench = benchTestOfAmps(model, findPart(model, part)!)!;
    expect(bench).toMatchObject({ measure, typed, reads: 'amps' });
    const { asks } = COMPONENT_TESTS.find((t) => t.id === bench.test)!.measures.find((m) => m.id === measure)!;
    for (const id of ['amps', ...Object.keys(typed)]) expect(asks.some((a) => a.id === id)).toBe(true);
  });

  test('what has no amperes of its own is not', () =>
    expect(
      benchTestOfAmps(profile('furnace-condensing'), findPart(profile('furnace-condensing'), 'limit')!),
    ).toBeUndefined());

  test('a draft is judged beside what makes its switch, steam beside what its limit is set to', () => {
    expect(benchTestOfGauge(profile('furnace-condensing'), 'draft')).toMatchObject({
      measure: 'margin',
      typed: { make: '0.6' },
    });
    expect(benchTestOfGauge(profile('steam-intermittent-pilot'), 'steam-pressure')).toMatchObject({
      test: 'pressure-limit',
      typed: { setting: '1.5' },
    });
  });
});

test.each<[string, EventBody, string]>([
  [
    'ohms',
    { type: 'ohms', part: 'gas-valve', reading: read(14.2, 'resistance'), typed: '14.2', judged: judgedWith(0.5796) },
    '14.2 Ω ± 0.58 Ω, corrected: good',
  ],
  [
    'a pressure',
    { type: 'gauge', gauge: 'gas-inlet', reading: read(1145.8, 'pressure'), typed: '4.6', judged: judgedWith(19.01) },
    '4.6 in w.c. ± 0.076 in w.c., corrected: good',
  ],
])('the log says %s with its width and verdict', (_, body, said) => {
  const engine = new Engine(profile('furnace-condensing'));
  const log: CallEvent[] = [
    { id: 'e', call: 'c', seq: 1, at: '2026-01-01T08:00:00Z', device: 'd', person: 'imre', body },
  ];
  const state = reduceCall(engine.model, log);
  const options = { units: 'us', person: TRAINED, standard: USUAL_STANDARD, phase: undefined } as const;
  const view = viewOf(engine, state, engine.assess(state.evidence), options);
  expect(view.log[0]!.words).toContain(said);
});

function read(value: number, dimension: Dimension): Reading {
  return { kind: 'value', value, dimension };
}

function judgedWith(u: number) {
  return { test: 'coil-24v', measure: 'dead', verdict: 'good', u, given: {} } as const;
}
