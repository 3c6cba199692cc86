import { PART_KINDS, type PartView, type Spec } from '../src/parts';
import { FAMILIES, profile } from './models';

// The condensing furnace first: its parts are meant where a test names one.
const all = [
  ...profile('furnace-condensing').parts,
  ...profile('steam-intermittent-pilot', 'relay').parts,
  ...FAMILIES.flatMap((id) => profile(id).parts),
  ...profile('mobile-water-heater', 'electric-side').parts,
  ...profile('dryer-burner', 'rectified-coils').parts,
];
const part = (id: string) => all.find((p) => p.id === id)!;

/** What a part sees, for asking it directly. */
function view(
  id: string,
  state: string,
  seen: { volts?: number; amps?: number; sensed?: number; holds?: boolean; fault?: string },
): PartView {
  const { kind, spec } = part(id);
  const { fault } = seen;
  const leads = { spec, fault, volts: () => seen.volts ?? 0, amps: () => seen.amps ?? 0 };
  return {
    state,
    spec,
    fault: fault !== undefined && kind.nonElectricalFaults?.includes(fault) ? fault : undefined,
    drive: kind.drive?.(leads) ?? 0,
    sensed: () => seen.sensed ?? 0,
    holds: () => seen.holds ?? false,
  };
}
const move = (id: string, state: string, seen: Parameters<typeof view>[2]) =>
  part(id).kind.move!(view(id, state, seen));

describe('every part kind', () => {
  test.each([...PART_KINDS.values()].map((k) => [k.name, k] as const))(
    '%s: states, ways of failing and electrics are in order',
    (_name, kind) => {
      const users = all.filter((p) => p.kind === kind);
      expect(users.length).toBeGreaterThan(0);
      for (const user of users) {
        expect(kind.states.length).toBeGreaterThan(0);
        // One mode for each way of failing; of one with severities, one for each place in its band.
        const named = user.modes.map((m) => `${m.id} ${m.severity?.place ?? ''}`);
        expect(new Set(named).size).toBe(named.length);
        for (const mode of user.modes) expect(mode.relativeRate).toBeGreaterThan(0);
        for (const branch of user.branches)
          for (const state of kind.states)
            for (const fault of [undefined, ...user.modes])
              for (const frequency of ['ac', 'dc'] as const) {
                const spec: Spec = { ...user.spec, ...fault?.values };
                const e = kind.electrical(spec, state, fault?.id, branch.name, frequency);
                if (e.type === 'impedance') {
                  expect(e.r).toBeGreaterThan(0);
                  // An ohmmeter knows no reactance.
                  if (frequency === 'dc') expect(e.x).toBe(0);
                }
              }
      }
    },
  );

  test('dead-test limits hold for a sound part: no part is condemned as it comes out of its box', () => {
    for (const p of all)
      for (const dead of p.kind.deadTests(p.spec)) {
        if (p.kind.mayOpenRightly?.(p.spec) === true || p.kind.name === 'switch') continue;
        if (dead.dimension === 'capacitance') {
          expect(p.spec['farads']).toBeGreaterThan(dead.low);
          expect(p.spec['farads']).toBeLessThan(dead.high);
          continue;
        }
        const e = p.kind.electrical(p.spec, p.kind.states[0]!, undefined, dead.branch, 'dc');
        if (e.type !== 'impedance') {
          // What rests open is tested for being open.
          expect([p.id, dead.high]).toEqual([p.id, Infinity]);
          continue;
        }
        expect(e.r).toBeGreaterThanOrEqual(dead.low);
        expect(e.r).toBeLessThanOrEqual(dead.high);
      }
  });
});

describe('movement and hysteresis', () => {
  const inwc = 249.089;

  test('a pressure switch makes at 0.60 in w.c. and breaks at 0.50, nothing between', () => {
    expect(move('pressure-switch', 'open', { sensed: 0.59 * inwc })).toBeUndefined();
    expect(move('pressure-switch', 'open', { sensed: 0.61 * inwc })?.to).toBe('closed');
    expect(move('pressure-switch', 'closed', { sensed: 0.55 * inwc })).toBeUndefined();
    expect(move('pressure-switch', 'closed', { sensed: 0.49 * inwc })?.to).toBe('open');
  });

  test('a limit opens on a rise and closes by itself; a roll-out switch trips and stays tripped', () => {
    const kelvin = (f: number): number => (f + 459.67) * (5 / 9);
    expect(move('limit', 'closed', { sensed: kelvin(201) })?.to).toBe('open');
    expect(move('limit', 'open', { sensed: kelvin(185) })).toBeUndefined();
    expect(move('limit', 'open', { sensed: kelvin(165) })?.to).toBe('closed');
    expect(move('rollout', 'closed', { sensed: kelvin(300) })?.to).toBe('tripped');
    expect(move('rollout', 'tripped', { sensed: kelvin(70) })).toBeUndefined();
  });

  test('24 V loads pull in down to about 18–20 V and let go far below (common practice, no source)', () => {
    expect(move('gas-valve', 'shut', { volts: 17 })).toBeUndefined();
    expect(move('gas-valve', 'shut', { volts: 20 })?.to).toBe('open');
    expect(move('gas-valve', 'open', { volts: 14 })).toBeUndefined();
    expect(move('gas-valve', 'open', { volts: 5 })?.to).toBe('shut');
  });

  test('a broken coil does not pull, whatever stands across it', () => {
    for (const fault of ['coil-open', 'coil-short', 'stuck-shut'])
      expect(move('gas-valve', 'shut', { volts: 25, fault })).toBeUndefined();
  });

  test('a fuse never mends itself', () => {
    expect(move('fuse', 'whole', { amps: 30 })?.to).toBe('blown');
    expect(move('fuse', 'whole', { amps: 2.9 })).toBeUndefined();
    expect(move('fuse', 'blown', { amps: 0 })).toBeUndefined();
  });

  test('a damper takes its travel time, both ways', () => {
    expect(move('damper', 'shut', { volts: 25 })).toEqual({ to: 'open', after: 12_000 });
    expect(move('damper', 'open', { volts: 0 })).toEqual({ to: 'shut', after: 12_000 });
    expect(move('damper', 'shut', { volts: 25, fault: 'blade-stuck' })).toBeUndefined();
  });
});

describe('what starts, sticks or opens by halves', () => {
  const inLine = (id: string, fault?: string, branch = '', state?: string) => {
    const { kind, spec } = part(id);
    return kind.electrical(spec, state ?? kind.states[0]!, fault, branch, 'ac');
  };

  test('a motor behind a capacitor starts with enough in its start winding, and runs on without', () => {
    const enough = part('blower').spec['starts-at'] as number;
    expect(move('blower', 'stopped', { volts: 118, amps: enough * 1.01 })?.to).toBe('running');
    expect(move('blower', 'stopped', { volts: 118, amps: enough * 0.99 })).toBeUndefined();
    expect(move('blower', 'running', { volts: 118, amps: 0 })).toBeUndefined();
    expect(move('blower', 'running', { volts: 30, amps: 0 })?.to).toBe('stopped');
  });

  test('a capacitor holds back alternating current by 1 / ωC, and direct current wholly', () => {
    const { kind, spec } = part('capacitor');
    const e = kind.electrical(spec, 'idle', undefined, '', 'ac');
    // 10 µF at 60 Hz: 265.3 Ω.
    expect(e.type === 'impedance' && e.x).toBeCloseTo(-265.3, 1);
    expect(kind.electrical(spec, 'idle', undefined, '', 'dc').type).toBe('open');
    expect(inLine('capacitor', 'open').type).toBe('open');
  });

  test('a damper held up on its way stops there: its end switch does not make, and it shuts again', () => {
    expect(move('damper', 'shut', { volts: 24 })?.to).toBe('open');
    expect(move('damper', 'shut', { volts: 24, fault: 'part-open' })?.to).toBe('part');
    expect(move('damper', 'part', { volts: 24, fault: 'part-open' })).toBeUndefined();
    expect(move('damper', 'part', { volts: 0, fault: 'part-open' })?.to).toBe('shut');
    expect(inLine('damper', 'part-open', 'end-switch', 'part').type).toBe('open');
    expect(inLine('damper', undefined, 'end-switch', 'open').type).toBe('impedance');
  });

  test('an output whose relay is welded is on whatever the program wants; others have no such way of failing', () => {
    expect(inLine('board', undefined, 'inducer', 'idle').type).toBe('open');
    expect(inLine('board', 'inducer-stuck', 'inducer', 'idle').type).toBe('impedance');
    expect(inLine('board', 'inducer-stuck', 'gas', 'idle').type).toBe('open');
    expect(part('board').modes.map((m) => m.id)).not.toContain('gas-stuck');
  });

  test('a tired breaker opens warm at a current it should carry, and not without one', () => {
    expect(move('breaker', 'whole', { amps: 4, fault: 'tired' })).toEqual({ to: 'blown', after: 240_000 });
    expect(move('breaker', 'whole', { amps: 4 })).toBeUndefined();
    expect(move('breaker', 'whole', { amps: 1, fault: 'tired' })).toBeUndefined();
  });

  test('a rectifier passes until it is open', () => {
    expect(inLine('bridge', undefined, 'feed').type).toBe('impedance');
    expect(inLine('bridge', 'open', 'return').type).toBe('open');
  });
});

describe('kinds of the water, pool and combi machines', () => {
  const ohmsOf = (id: string, fault: string | undefined, branch = '') => {
    const e = part(id).kind.electrical(part(id).spec, part(id).kind.states[0]!, fault, branch, 'dc');
    return e.type === 'impedance' ? e.r : Infinity;
  };

  test('a delay waits five minutes with power across it, and begins again when its load is gone', () => {
    expect(move('delay', 'waiting', { volts: 25 })).toEqual({ to: 'passing', after: 300_000 });
    expect(move('delay', 'waiting', { volts: 3 })).toBeUndefined();
    expect(move('delay', 'passing', { amps: 0.5 })).toBeUndefined();
    expect(move('delay', 'passing', { amps: 0 })?.to).toBe('waiting');
    // What leaks through while it waits pulls in nothing.
    expect((24 / ohmsOf('delay', undefined)) * 50).toBeLessThan(1);
  });

  test('four half-windings are alike; one open, or two on one centre pin, and it does not step', () => {
    const halves = (fault?: string) => ['a1', 'a2', 'b1', 'b2'].map((b) => ohmsOf('stepper', fault, b));
    expect(new Set(halves()).size).toBe(1);
    expect(halves('half-open').filter((r) => r === Infinity)).toHaveLength(1);
    expect(halves('centre-open').filter((r) => r === Infinity)).toHaveLength(2);
    expect(move('stepper', 'parked', { volts: 23 })?.to).toBe('set');
    expect(move('stepper', 'parked', { volts: 23, fault: 'jammed' })).toBeUndefined();
    expect(move('stepper', 'set', { volts: 0 })?.to).toBe('parked');
  });

  test('an element heats with 120 V, not with half of it; burnt out it reads OL', () => {
    expect(move('element', 'cold', { volts: 119 })?.to).toBe('heating');
    expect(move('element', 'cold', { volts: 60 })).toBeUndefined();
    expect(move('element', 'cold', { volts: 119, fault: 'open' })).toBeUndefined();
    expect(ohmsOf('element', 'open')).toBe(Infinity);
  });

  test('a limit that has drifted opens early and still closes where it did', () => {
    const kelvin = (f: number): number => (f + 459.67) * (5 / 9);
    expect(move('water-limit', 'closed', { sensed: kelvin(122) })).toBeUndefined();
    expect(move('water-limit', 'closed', { sensed: kelvin(122), fault: 'early' })?.to).toBe('open');
    expect(move('water-limit', 'open', { sensed: kelvin(117), fault: 'early' })?.to).toBe('closed');
  });

  test('a power supply gives its volts when the line is there, the fewer under load the weaker it is', () => {
    expect(move('power-supply', 'off', { volts: 119 })?.to).toBe('on');
    expect(move('power-supply', 'on', { volts: 0 })?.to).toBe('off');
    const { kind, spec, modes } = part('power-supply');
    const inner = (fault?: string, values: Spec = {}) => {
      const e = kind.electrical({ ...spec, ...values }, 'on', fault, 'output', 'dc');
      return e.type === 'source' ? e.r : Infinity;
    };
    const weak = modes.filter((m) => m.id === 'weak').map((m) => inner('weak', m.values));
    expect(weak).toEqual([...weak].sort((a, b) => a - b));
    expect(weak[0]).toBeGreaterThan(3 * inner());
    expect(weak.at(-1)).toBeGreaterThan(30 * inner());
    expect(inner('dead')).toBe(Infinity);
  });

  test('what acts says from which volts on it is fed', () => {
    for (const p of all)
      for (const branch of p.branches) {
        const needed = p.kind.actsAt?.(p.spec, branch.name);
        if (needed !== undefined) expect([p.id, needed > 0]).toEqual([p.id, true]);
      }
    expect(part('gas-valve').kind.actsAt!(part('gas-valve').spec, '')).toBe(18);
  });
});

describe('values of the trade (common practice, no source)', () => {
  test('gas valve: 12–18 Ω dead, 0.3–0.6 A alive', () => {
    const [dead] = part('gas-valve').kind.deadTests(part('gas-valve').spec);
    expect([dead!.low, dead!.high]).toEqual([12, 18]);
    const alive = part('gas-valve').kind.electrical(part('gas-valve').spec, 'open', undefined, '', 'ac');
    if (alive.type !== 'impedance') throw new Error('open');
    const amps = 24 / Math.hypot(alive.r, alive.x);
    expect(amps).toBeGreaterThan(0.3);
    expect(amps).toBeLessThan(0.6);
  });

  test('silicon carbide igniter: 40–90 Ω cold, 3–5 A hot on 120 V', () => {
    const igniter = part('igniter');
    const hot = igniter.kind.electrical(igniter.spec, 'glowing', undefined, '', 'ac');
    if (hot.type !== 'impedance') throw new Error('open');
    expect(120 / hot.r).toBeGreaterThan(3);
    expect(120 / hot.r).toBeLessThan(5);
    const [dead] = igniter.kind.deadTests(igniter.spec);
    expect([dead!.low, dead!.high]).toEqual([40, 90]);
  });

  test('a Class 2 control transformer is at most 100 VA (NEC Art. 725, value from memory)', () => {
    for (const p of all.filter((x) => x.kind.name === 'transformer')) expect(p.spec['va']).toBeLessThanOrEqual(100);
  });

  test('a 40 VA transformer gives its rated 24 V at rated current, and more without load', () => {
    const t = part('transformer');
    const secondary = t.kind.electrical(t.spec, 'idle', undefined, 'secondary', 'ac');
    if (secondary.type !== 'coupled-secondary') throw new Error('not coupled');
    const open = secondary.ratio * 120;
    const load = 24 ** 2 / 40;
    const loaded = (open * load) / Math.hypot(load + secondary.r, secondary.x);
    expect(open).toBeGreaterThan(25);
    expect(loaded).toBeGreaterThan(23.5);
    expect(loaded).toBeLessThan(24.5);
  });
});
