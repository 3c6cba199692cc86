import { type Assessment, Engine } from '../src/diagnosis';
import { AS_IT_STANDS, findNet, findPart, type Model, type PhaseIndex } from '../src/profile';
import type { Observation } from '../src/question';
import { NORMAL_SETUP } from '../src/simulation';
import type { Dimension, Reading } from '../src/units';
import { profile } from './models';

/**
 * What a reading says of a sound part against a broken one, over all its values: never the wrong way inside a band, turning
 * over once between them. The bands are those of sound and degraded parts (common practice, no source).
 */
interface Sweep {
  readonly of: string;
  readonly family: string;
  readonly actions?: readonly string[];
  /** The way of failing whose band is swept. */
  readonly broken: string;
  readonly ask: (model: Model, value: number) => Observation;
  /** In the unit the reading is taken in, SI. */
  readonly sound: readonly [number, number];
  readonly degraded: readonly [number, number];
}

const reading = (value: number, dimension: Dimension): Reading => ({ kind: 'value', value, dimension });
const volts =
  (red: string, black: string, phase?: string) =>
  (model: Model, value: number): Observation => ({
    kind: 'volts',
    red: findNet(model, red),
    black: findNet(model, black),
    phase:
      phase === undefined ? AS_IT_STANDS : (model.phases.findIndex((p) => p.id === phase) as unknown as PhaseIndex),
    input: 'high-impedance',
    reading: reading(value, 'voltage'),
  });
const ohms =
  (part: string) =>
  (model: Model, value: number): Observation => ({
    kind: 'ohms',
    part: findPart(model, part)!.index,
    branch: '',
    reading: reading(value, 'resistance'),
  });
const flameSignal = (model: Model, value: number): Observation => ({
  kind: 'gauge',
  gauge: model.gauges.findIndex((g) => g.id === 'flame-signal'),
  reading: reading(value, 'current'),
});

/** Conventional inch of water, Pa (NIST SP 811). */
const INCH_OF_WATER = 249.089;
const gauge =
  (id: string, dimension: Dimension, unit: number) =>
  (model: Model, value: number): Observation => ({
    kind: 'gauge',
    gauge: model.gauges.findIndex((g) => g.id === id),
    reading: reading(value * unit, dimension),
  });

const SWEEPS: readonly Sweep[] = [
  {
    of: 'thermocouple, open',
    family: 'furnace-standing-pilot',
    actions: ['thermocouple-off'],
    broken: 'thermocouple.weak',
    ask: volts('TC', 'CH'),
    sound: [0.022, 0.038],
    degraded: [0.001, 0.0185],
  },
  {
    of: 'coil, dead',
    family: 'furnace-condensing',
    broken: 'gas-valve.coil-short',
    ask: ohms('gas-valve'),
    sound: [12.8, 17.2],
    degraded: [0.2, 10.2],
  },
  {
    of: 'carbide igniter, cold',
    family: 'furnace-condensing',
    broken: 'igniter.weak',
    ask: ohms('igniter'),
    sound: [42, 88],
    degraded: [90, 260],
  },
  ...['furnace-condensing', 'furnace-valve-control', 'hydronic-boiler', 'pool-heater', 'steam-intermittent-pilot'].map(
    (family): Sweep => ({
      of: 'flame signal',
      family,
      broken: 'flame-rod.dirty',
      ask: flameSignal,
      sound: [1.0e-6, 9e-6],
      degraded: [0.05e-6, 0.5e-6],
    }),
  ),
  ...['furnace-condensing', 'furnace-standing-pilot', 'furnace-valve-control'].map((family): Sweep => ({
    of: 'run capacitor',
    family,
    broken: 'capacitor.weak',
    ask: (model, value) => ({
      kind: 'farads',
      part: findPart(model, 'capacitor')!.index,
      reading: reading(value, 'capacitance'),
    }),
    sound: [9.4e-6, 10.6e-6],
    degraded: [1.6e-6, 8.3e-6],
  })),
  {
    of: 'draft at the air proof, 0.60 in w.c. made',
    family: 'furnace-condensing',
    broken: 'vent.blocked',
    ask: gauge('draft', 'pressure', INCH_OF_WATER),
    sound: [0.69, 1.05],
    degraded: [0.12, 0.55],
  },
  ...['furnace-condensing', 'pool-heater', 'storage-water-heater'].map((family): Sweep => ({
    of: 'running gas inlet, natural gas',
    family,
    broken: 'gas-supply.low',
    ask: gauge('gas-inlet', 'pressure', INCH_OF_WATER),
    sound: [5.3, 9.5],
    degraded: [0.9, 4.5],
  })),
  ...['furnace-condensing', 'furnace-valve-control', 'hydronic-boiler', 'steam-standing-pilot'].flatMap(
    (family): Sweep[] => [
      {
        of: 'outlet gas pressure, too low',
        family,
        broken: 'gas-regulator.low',
        ask: gauge('outlet-gas', 'pressure', INCH_OF_WATER),
        sound: [3.25, 3.75],
        degraded: [1.1, 2.8],
      },
      {
        of: 'outlet gas pressure, too high',
        family,
        broken: 'gas-regulator.high',
        ask: gauge('outlet-gas', 'pressure', INCH_OF_WATER),
        sound: [3.25, 3.75],
        degraded: [4.3, 5.9],
      },
      {
        of: 'rate by the meter',
        family,
        broken: 'main-orifice.enlarged',
        ask: gauge('meter-clock', 'none', 1),
        sound: [0.95, 1.05],
        degraded: [1.2, 1.55],
      },
    ],
  ),
  {
    of: '24 V secondary, loaded',
    family: 'furnace-condensing',
    broken: 'transformer.weak',
    ask: volts('R', 'C'),
    sound: [23, 29.5],
    degraded: [18, 21],
  },
  {
    of: 'line at the appliance',
    family: 'furnace-condensing',
    broken: 'supply.low',
    ask: volts('L1S', 'N'),
    sound: [110, 126],
    degraded: [71, 107],
  },
  {
    of: '12 V battery under the blower',
    family: 'mobile-furnace',
    broken: 'battery.weak',
    ask: volts('B', 'CH', 'blower'),
    sound: [11.3, 13.3],
    degraded: [7.5, 10.4],
  },
];

/** So many values in each band and between them. */
const STEPS = 12;
const steps = ([from, to]: readonly [number, number]): number[] =>
  Array.from({ length: STEPS }, (_, i) => from + ((to - from) * i) / (STEPS - 1));

const engines = new Map<string, Engine>();
function engineOf(family: string): Engine {
  const engine = engines.get(family) ?? new Engine(profile(family));
  engines.set(family, engine);
  return engine;
}

describe.each(SWEEPS.map((s) => [`${s.of}: ${s.family}`, s] as const))('%s', (_title, sweep) => {
  const engine = engineOf(sweep.family);
  const setup = { ...NORMAL_SETUP, actions: sweep.actions ?? [] };
  const at = (value: number) => {
    const observation = sweep.ask(engine.model, value);
    return engine.assess(
      { episodes: [{ setup, repaired: [] }], items: [{ id: 'a', episode: 0, observation }] },
      { pairs: false },
    );
  };
  const weightIn = ({ hypotheses, probabilities }: Assessment, family: string): number =>
    hypotheses.reduce((sum, h) => (h.family === family ? sum + probabilities[h.index]! : sum), 0);
  const before = engine.assess({ episodes: [{ setup, repaired: [] }], items: [] }, { pairs: false });
  /** Likelihood of the reading if the appliance is sound, as a multiple of that if the part is broken. */
  const soundToBroken = (value: number): number => {
    const after = at(value);
    const told = (family: string): number => weightIn(after, family) / weightIn(before, family);
    return told('healthy') / told(sweep.broken);
  };
  const { sound, degraded } = sweep;

  test('where only sound ones are it speaks for a sound one', () => {
    for (const value of steps(sound)) expect([value, soundToBroken(value) > 1]).toEqual([value, true]);
  });

  test('where only broken ones are it speaks for a broken one', () => {
    for (const value of steps(degraded)) expect([value, soundToBroken(value) < 1]).toEqual([value, true]);
  });

  test('between the bands it turns over once', () => {
    const [from, to] = sound[0] > degraded[1] ? [degraded[1], sound[0]] : [sound[1], degraded[0]];
    const odds = steps([from, to]).map(soundToBroken);
    const falls = sound[0] > degraded[1] ? odds : [...odds].reverse();
    falls.slice(1).forEach((later, i) => expect(later).toBeGreaterThanOrEqual(falls[i]! * 0.999));
  });

  test('in neither band the unknown leads', () => {
    for (const value of [...steps(sound), ...steps(degraded)])
      expect([value, at(value).suspects[0]!.repair === 'unknown']).toEqual([value, false]);
  });
});

describe('what one source feeds moves together', () => {
  const engine = engineOf('furnace-condensing');
  const { model } = engine;
  const rail = ['R', 'W', 'LI', 'RO'];
  const readings = (value: number, line?: number): Observation[] => [
    ...rail.map((net) => volts(net, 'C', 'call')(model, value)),
    ...(line === undefined ? [] : [volts('L1S', 'N')(model, line)]),
  ];
  const after = (observations: readonly Observation[]) =>
    engine.assess(
      {
        episodes: [{ setup: NORMAL_SETUP, repaired: [] }],
        items: observations.map((observation, i) => ({ id: `${i}`, episode: 0, observation })),
      },
      { pairs: false },
    );
  const share = (repair: string, observations: readonly Observation[]): number =>
    after(observations).suspects.find((s) => s.repair === repair)!.probability;

  test.each([23.4, 24, 25, 27, 28.5])(
    'a rail that stands at %d V in four places is no reason to change its source',
    (v) => {
      const before = share('transformer:replace', []);
      expect(share('transformer:replace', readings(v))).toBeLessThan(2 * before);
      expect(after(readings(v)).suspects[0]!.repair).not.toBe('unknown');
    },
  );

  test('the fourth reading of a rail says less than the first', () => {
    const odds = (n: number): number => {
      const { probabilities, hypotheses } = after(readings(23.5).slice(0, n));
      const of = (id: string): number => probabilities[hypotheses.find((h) => h.id === id)!.index]!;
      return Math.log(of('healthy') / of('transformer.secondary-open'));
    };
    expect(odds(4) - odds(3)).toBeLessThan(1.3 * (odds(1) - odds(0)));
  });

  test('a low line excuses a low rail', () => {
    const low = share('transformer:replace', readings(22.6, 119));
    expect(share('transformer:replace', readings(22.6, 109))).toBeLessThan(low);
  });
});
