import fc from 'fast-check';
import { loadProfile, type Model } from '../src/profile';
import {
  CircuitStates,
  type FaultRef,
  NORMAL_SETUP,
  run,
  type Setup,
  type Trace,
  Trajectories,
} from '../src/simulation';
import { FAMILIES, profile } from './models';

/** Everything that can be known of a run: what happens when, and every voltage in between to a tenth of a millivolt. */
function whole({ segments, circuits, ...rest }: Trace) {
  const moves = segments.map(({ from, to, partStates, regionStates, outputs, alive }) => ({
    ...{ from, to, outputs, alive },
    parts: [...partStates],
    regions: [...regionStates],
  }));
  const volts = circuits.map(({ from, to, circuit: { solution } }) => ({
    ...{ from, to },
    islands: [...solution.island],
    re: [...solution.re].map((v) => v.toFixed(4)),
    im: [...solution.im].map((v) => v.toFixed(4)),
  }));
  const { partStates, quantities } = rest.memory;
  return JSON.stringify({ ...rest, memory: [[...partStates], [...quantities]], moves, volts });
}

const faultsOf = (model: Model): FaultRef[] =>
  model.parts.flatMap((part) => part.modes.map((_, mode) => ({ part: part.index, mode })));

const setupsOf = ({ plugs, actions, parts }: Model): Setup[] => [
  NORMAL_SETUP,
  { ...NORMAL_SETUP, gas: false },
  ...plugs.map(({ id }) => ({ ...NORMAL_SETUP, unplugged: [id] })),
  ...actions.map(({ id }) => ({ ...NORMAL_SETUP, actions: [id] })),
  ...parts.filter((p) => p.kind.name === 'interlock').map(({ id }) => ({ ...NORMAL_SETUP, bypassed: [id] })),
];

describe('appliances that are driven the same go the same way', () => {
  test.each(FAMILIES)('%s: every fault runs as it does by itself, and many are not simulated', (id) => {
    const model = profile(id);
    const trajectories = new Trajectories(new CircuitStates(model));
    const faults = faultsOf(model);
    for (const fault of faults)
      expect([fault, whole(trajectories.run([fault], NORMAL_SETUP))]).toEqual([
        fault,
        whole(run(new CircuitStates(model), [fault], NORMAL_SETUP)),
      ]);
    expect(trajectories.simulated).toBeLessThan(0.75 * faults.length);
  });

  test('so do pairs of faults, whatever was done to the appliance and in whatever order they are asked for', () => {
    const known = FAMILIES.map((id) => {
      const model = profile(id);
      return {
        model,
        trajectories: new Trajectories(new CircuitStates(model)),
        faults: faultsOf(model),
        setups: setupsOf(model),
      };
    });
    const drawn = fc.constantFrom(...known).chain(({ model, trajectories, faults, setups }) =>
      fc.record({
        model: fc.constant(model),
        trajectories: fc.constant(trajectories),
        faults: fc.uniqueArray(fc.constantFrom(...faults), { maxLength: 2, selector: (f) => f.part }),
        setup: fc.constantFrom(...setups),
      }),
    );
    fc.assert(
      fc.property(drawn, ({ model, trajectories, faults, setup }) => {
        const alone = run(new CircuitStates(model), faults, setup);
        expect(whole(trajectories.run(faults, setup))).toBe(whole(alone));
        // What an episode leaves behind leads to a run of its own.
        expect(whole(trajectories.run(faults, setup, alone.memory))).toBe(
          whole(run(new CircuitStates(model), faults, setup, alone.memory)),
        );
      }),
      { numRuns: 400 },
    );
  });
});

describe('how a circuit drives', () => {
  /** A relay whose coil is fed through a resistance; the lamp behind its contact lights from 10 V on. */
  const relay = (ohms: string, cue = 'lamp.running'): Model =>
    loadProfile(
      `format: zetalysis-profile/1
id: relay
version: 1.0.0
title: relay
ground: C
parts:
  feed: {kind: supply, volts: 24 V, ohms: 0.1 ohm, on-when: env.power}
  button: {kind: switch, closed-when: env.call}
  resistor: {kind: spark-gap, ohms: ${ohms}}
  relay: {kind: relay, ohms: 100 ohm, reactance: 0, pull-in: 18 V, drop-out: 8 V}
  lamp: {kind: motor, runs-at: 10 V}
rungs:
  feed: [=R, feed, =C]
  coil: [=R, button, resistor, =K, relay.coil, =C]
  lamp: [=R, relay.contact, =L, lamp, =C]
phases:
  - {id: call, title: Call, cue: env.call}
  - {id: lit, title: Lit, cue: '${cue}', goal: true}
`,
      'relay.yaml',
    );
  const lit = (model: Model, fault: string | undefined): boolean => {
    const relay = model.parts.find((p) => p.id === 'relay')!;
    const mode = relay.modes.findIndex((m) => m.id === fault);
    return (
      run(new CircuitStates(model), mode < 0 ? [] : [{ part: relay.index, mode }], NORMAL_SETUP).outcome === 'runs'
    );
  };

  test.each([
    ['30 ohm', undefined, true],
    ['40 ohm', undefined, false],
    ['30 ohm', 'coil-open', false],
    ['30 ohm', 'contact-open', false],
    ['40 ohm', 'contact-welded', true],
  ])('%s before a coil of 100 ohm that wants 18 of 24 V, %s: lit is %s', (ohms, fault, is) =>
    expect(lit(relay(ohms), fault)).toBe(is),
  );

  test.each([
    ['volts(K, C) >= 18 V', '30 ohm', true],
    ['volts(K, C) >= 18 V', '40 ohm', false],
    ['volts(R, K) > volts(K, C)', '120 ohm', true],
    ['volts(R, K) > volts(K, C)', '80 ohm', false],
  ])('%s behind %s: %s', (cue, ohms, is) => expect(lit(relay(ohms, cue), undefined)).toBe(is));

  test('volts are compared with volts and numbers, not with what a counter or a quantity says', () =>
    expect(() => relay('30 ohm', 'volts(K, C) * moon > 1 V')).toThrow(/unknown name "moon"/));

  test('a fault that the profile leaves out is never there, and does not stand for its neighbour', () => {
    const source = (weight: number): string => `format: zetalysis-profile/1
id: relay
version: 1.0.0
title: relay
ground: C
parts:
  feed: {kind: supply, volts: 24 V, on-when: env.power, weights: {dead: ${weight}}}
  lamp: {kind: motor, runs-at: 10 V}
rungs:
  lamp: [=R, lamp, =C]
  feed: [=R, feed, =C]
phases:
  - {id: call, title: Call, cue: env.call}
  - {id: dark, title: Dark, cue: fault(feed.dead), unwanted: true}
  - {id: low, title: Low, cue: fault(feed.low), unwanted: true}
`;
    const seen = (weight: number, mode: string): boolean[] => {
      const model = loadProfile(source(weight), 'lamp.yaml');
      const feed = model.parts[0]!;
      const fault = { part: feed.index, mode: feed.modes.findIndex((m) => m.id === mode) };
      const { cues } = run(new CircuitStates(model), [fault], NORMAL_SETUP);
      return [cues[1]!.length > 0, cues[2]!.length > 0];
    };
    expect(seen(1, 'dead')).toEqual([true, false]);
    expect(seen(1, 'low')).toEqual([false, true]);
    expect(seen(0, 'low')).toEqual([false, true]);
  });
});
