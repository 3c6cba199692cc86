import { findNet, findPart, replacedWith } from '../src/profile';
import { profile } from './models';
import { cue, traceOf, volts } from './runs';

// Facts of the trade below: common practice, no source.
describe('furnace with its control on the valve', () => {
  const model = profile('furnace-valve-control');
  const healthy = traceOf(model, []);
  test('constant 24 V always; the call pin only behind the air switches; the proven output with the main valve', () => {
    const early = 300;
    const running = cue(model, healthy, 'steady')[0]!.from;
    expect(volts(model, healthy, 'VR', 'VC', early)).toBeGreaterThan(24);
    expect(volts(model, healthy, 'TH', 'VC', early)).toBeLessThan(1);
    expect(volts(model, healthy, 'TH', 'VC', running)).toBeGreaterThan(24);
    expect(volts(model, healthy, 'FO', 'VC', running)).toBeGreaterThan(24);
  });
  test('igniter, then pilot, then main valve, then the blower half a minute later', () => {
    const first = (id: string) => cue(model, healthy, id)[0]!.from;
    const order = ['inducer', 'glow', 'pilot', 'main-click', 'fire', 'blower'].map(first);
    expect([...order].sort((a, b) => a - b)).toEqual(order);
    expect(first('blower') - first('main-click')).toBeGreaterThan(28_000);
  });
  test('fed alone it runs its whole sequence whatever the safeties do; a dead control does not', () => {
    const alone = { actions: ['valve-alone'] };
    expect(cue(model, traceOf(model, ['limit.open'], alone), 'fire').length).toBeGreaterThan(0);
    expect(cue(model, traceOf(model, ['valve-control.dead'], alone), 'fire')).toHaveLength(0);
  });
  test('its coils are built in: replacing the valve replaces them', () => {
    const valve = findPart(model, 'valve-control')!.index;
    expect(replacedWith(model, valve).map((i) => model.parts[i]!.id)).toEqual([
      'valve-control',
      'pilot-coil',
      'main-coil',
    ]);
  });
});

describe('steam boiler with a standing pilot', () => {
  const model = profile('steam-standing-pilot');
  test('R waits at the end switch while the damper is shut, and passes when it is open', () => {
    const healthy = traceOf(model, []);
    expect(volts(model, healthy, 'ER', 'C', 300)).toBeGreaterThan(24);
    expect(volts(model, healthy, 'MV', 'C', 300)).toBeLessThan(1);
    expect(volts(model, healthy, 'MV', 'C', cue(model, healthy, 'fire')[0]!.from)).toBeGreaterThan(24);
  });
  test('no pilot millivolts, no main gas though the valve has its 24 V', () => {
    const weak = traceOf(model, ['thermocouple.weak']);
    expect(cue(model, weak, 'valve').length).toBe(1);
    expect(cue(model, weak, 'fire')).toHaveLength(0);
  });
  test('the cut-off may stand ahead of the thermostat: then low water takes its power', () => {
    const ahead = profile('steam-standing-pilot', 'cutoff-before-thermostat');
    expect(volts(ahead, traceOf(ahead, ['water.low']), 'TS', 'C', 1000)).toBeLessThan(1);
    expect(volts(model, traceOf(model, ['water.low']), 'TS', 'C', 1000)).toBeGreaterThan(24);
  });
});

describe('hot-water boiler', () => {
  const model = profile('hydronic-boiler');
  test('no flow: the aquastat stops the fire before the limit trips, again and again', () => {
    for (const fault of ['system-water.air-bound', 'circulator.seized']) {
      const trace = traceOf(model, [fault]);
      expect(trace.outcome).toBe('cycles');
      expect(cue(model, trace, 'cut-out').length).toBeGreaterThan(0);
    }
  });
  test('a bulb out of its well lets the manual-reset limit trip', () => {
    const trace = traceOf(model, ['aquastat-bulb.out-of-well']);
    expect(trace.memory.partStates.get(findPart(model, 'high-limit')!.index)).toBe('tripped');
  });
});

describe('condensing combi boiler', () => {
  const model = profile('combi-condensing');
  test('five tries of 5 s, lockout, code', () => {
    const trace = traceOf(model, ['gas-supply.off']);
    expect(cue(model, trace, 'valve')).toHaveLength(5);
    expect(trace.outcome).toBe('locks-out');
    expect(trace.code).toBe('fla');
  });
  test('the board sends direct current to the valve: about 24 V', () => {
    const trace = traceOf(model, []);
    expect(model.frequencies[findNet(model, 'SV')]).toBe('dc');
    expect(volts(model, trace, 'SV', 'VR', cue(model, trace, 'valve')[0]!.from + 200)).toBeCloseTo(23.5, 0);
  });
  test('an open half-winding, or two on one centre pin, gives the valve’s own code', () => {
    for (const fault of ['stepper.half-open', 'stepper.centre-open']) expect(traceOf(model, [fault]).code).toBe('val');
  });
  test('a tap open lights it with the heating turned down; without its flow switch it does not', () => {
    expect(cue(model, traceOf(model, [], { actions: ['tap-open'] }), 'steady').length).toBeGreaterThan(0);
    expect(cue(model, traceOf(model, ['flow-switch.open'], { actions: ['tap-open'] }), 'steady')).toHaveLength(0);
  });
});

describe('water heaters', () => {
  const mobile = profile('mobile-water-heater');
  const storage = profile('storage-water-heater');
  test('a blocked flue burns the one-shot cut-off through, and it stays open', () => {
    const trace = traceOf(mobile, ['flue.blocked']);
    expect(trace.memory.partStates.get(findPart(mobile, 'thermal-cutoff')!.index)).toBe('tripped');
  });
  test('element: R = V² / P, 120 V and 1440 W give 10 Ω', () => {
    const electric = profile('mobile-water-heater', 'electric-side');
    expect(findPart(electric, 'element')!.spec['ohms']).toBeCloseTo(120 ** 2 / 1440);
  });
  test('thermopile: 400 to 800 mV open, at least 200 mV loaded; a weak one is flagged by the light', () => {
    const open = traceOf(storage, [], { actions: ['pile-off'], unplugged: ['T1'] });
    expect(volts(storage, open, 'TP', 'G', 500)).toBeGreaterThan(0.4);
    expect(volts(storage, open, 'TP', 'G', 500)).toBeLessThan(0.8);
    const healthy = traceOf(storage, []);
    expect(volts(storage, healthy, 'TV', 'G', cue(storage, healthy, 'fire')[0]!.from + 500)).toBeGreaterThan(0.2);
    expect(traceOf(storage, ['thermopile.weak']).code).toBe('blue-slow');
  });
  test('lint on the screen trips the thermal switch, and pilot and burner go out together', () => {
    const trace = traceOf(storage, ['intake-screen.lint']);
    expect(cue(storage, trace, 'went-out').length).toBeGreaterThan(0);
    expect(cue(storage, traceOf(storage, []), 'went-out')).toHaveLength(0);
  });
});

describe('pool machines', () => {
  const heater = profile('pool-heater');
  const pump = profile('pool-heat-pump');
  test('a regulator stuck shut: a minute or two of heat, a lamp, a restart, over and over', () => {
    const trace = traceOf(heater, ['thermal-regulator.stuck-shut']);
    const fires = cue(heater, trace, 'steady');
    expect(trace.outcome).toBe('cycles');
    expect(trace.code).toBe('heat');
    expect(fires.length).toBeGreaterThan(3);
    expect(fires[1]!.to - fires[1]!.from).toBeLessThan(120_000);
  });
  test('the regulator taken out, it heats on; a limit that opens too early still stops it', () => {
    const out = { actions: ['regulator-out'] };
    expect(cue(heater, traceOf(heater, ['thermal-regulator.stuck-shut'], out), 'long').length).toBeGreaterThan(0);
    expect(cue(heater, traceOf(heater, ['water-limit.early'], out), 'long')).toHaveLength(0);
  });
  test('the limit bypassed keeps it heating either way: both suspects stay', () => {
    for (const fault of ['thermal-regulator.stuck-shut', 'water-limit.early'])
      expect(cue(heater, traceOf(heater, [fault], { bypassed: ['water-limit'] }), 'long').length).toBeGreaterThan(0);
  });
  test('five minutes of delay before the contactor; the power goes, and it begins again', () => {
    const trace = traceOf(pump, []);
    expect(cue(pump, trace, 'contactor')[0]!.from / 1000).toBeGreaterThan(280);
    expect(cue(pump, trace, 'contactor')[0]!.from / 1000).toBeLessThan(330);
  });
  test('lost refrigerant and a cold morning look the same on the wires: the switch is open', () => {
    for (const fault of ['refrigerant.lost', 'air.cold'])
      expect(volts(pump, traceOf(pump, [fault]), 'LP', 'C', 1000)).toBeLessThan(1);
  });
});

describe('variants change steps by their id', () => {
  const ids = (variant?: string) => profile('steam-standing-pilot', variant).phases.map((p) => p.id);
  test('one is taken out and the others stay in place; one is changed', () => {
    expect(ids('no-relay')).toEqual(ids().filter((id) => id !== 'pump'));
    expect(profile('steam-standing-pilot', 'no-damper').phases.find((p) => p.id === 'valve')!.window.text).toBe(
      'env.call',
    );
  });
});
