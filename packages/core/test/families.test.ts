import { TRAINED } from '../src/rules';
import { coverage } from '../src/analysis';
import { Engine } from '../src/diagnosis';
import { findNet } from '../src/profile';
import { findFault, NORMAL_SETUP, type Trace } from '../src/simulation';
import { goesRoundSafety, mayPropose } from '../src/test-choice';
import { FAMILIES, profile } from './models';
import { cue, traceOf, volts } from './runs';

// Facts of the trade below: common practice, no source, unless another is named.
describe('mobile furnace, 12 V', () => {
  const model = profile('mobile-furnace');
  const blowing = (trace: Trace): number => cue(model, trace, 'blower')[0]!.from + 500;

  test('all of it carries direct current at control level', () => {
    expect(new Set(model.frequencies.filter((_, net) => net !== model.ground))).toEqual(new Set(['dc']));
    expect(model.levels[findNet(model, 'GV')]).toBe('control');
  });
  test('a sound one has 12.0 to 13.8 V at the board while the blower runs', () => {
    const healthy = traceOf(model, []);
    expect(volts(model, healthy, 'B', 'CH', blowing(healthy))).toBeGreaterThan(12);
    expect(volts(model, healthy, 'B', 'CH', blowing(healthy))).toBeLessThan(13.8);
  });
  test('a weak battery reads well idle and under 10.5 V with the blower on; the sail switch stays open', () => {
    const weak = traceOf(model, ['battery.weak']);
    expect(volts(model, weak, 'B', 'CH', 100)).toBeGreaterThan(12);
    expect(volts(model, weak, 'B', 'CH', blowing(weak))).toBeLessThan(10.5);
    expect(cue(model, weak, 'purge')).toHaveLength(0);
    expect(weak.code).toBe('green-slow');
  });
  test('a poor ground loses the same volts on the way back: the battery holds', () => {
    const poor = traceOf(model, ['ground-lead.poor']);
    expect(volts(model, poor, 'B', 'CH', blowing(poor))).toBeLessThan(10.6);
    expect(volts(model, poor, 'BP', 'NEG', blowing(poor))).toBeGreaterThan(12);
    expect(volts(model, poor, 'CH', 'NEG', blowing(poor))).toBeGreaterThan(1.5);
  });
  test('a kinked hose stands at full pressure and sinks only under load', () => {
    const kinked = traceOf(model, ['hose.kinked']);
    const pressure = (at: 'call' | 'valve') =>
      new Engine(model).traces.predict([findFault(model, 'hose.kinked')], [{ setup: NORMAL_SETUP, repaired: [] }], {
        kind: 'gauge',
        gauge: model.gauges.findIndex((g) => g.id === (at === 'call' ? 'standing-pressure' : 'running-pressure')),
      });
    expect(kinked.outcome).toBe('locks-out');
    expect(pressure('call')).toMatchObject({ value: expect.closeTo(13 * 249.089, 0) as number });
    // However far it is kinked, it is too little for the burner.
    const running = (pressure('valve') as { readonly value: number }).value / 249.089;
    expect(running).toBeGreaterThan(1);
    expect(running).toBeLessThan(9);
  });
  test('three tries of 7 s and a lockout; a call taken away ends it', () => {
    const dry = traceOf(model, ['tank.empty']);
    const tries = cue(model, dry, 'valve');
    expect(tries).toHaveLength(3);
    for (const t of tries) expect(t.to - t.from).toBeCloseTo(7000, -2);
    expect(dry.outcome).toBe('locks-out');
  });
  test('exhaust led away, it burns; breathing it back, it sputters out', () => {
    expect(cue(model, traceOf(model, ['exhaust.breathed-back']), 'steady')).toHaveLength(0);
    expect(traceOf(model, ['exhaust.breathed-back'], { actions: ['exhaust-away'] }).outcome).toBe('runs');
  });
});

describe('furnace with a standing pilot', () => {
  const model = profile('furnace-standing-pilot');
  const open = (faults: readonly string[]): number => {
    const trace = traceOf(model, faults, { actions: ['thermocouple-off'] });
    return volts(model, trace, 'TC', 'CH', 1000);
  };

  test('millivolts are a circuit of their own: direct current beside 24 V and 120 V', () => {
    expect(model.frequencies[findNet(model, 'TC')]).toBe('dc');
    expect(model.levels[findNet(model, 'TC')]).toBe('millivolt');
    expect(model.levels[findNet(model, 'SP')]).toBe('control');
    expect(model.levels[findNet(model, 'BL')]).toBe('line');
  });
  test('open circuit a sound thermocouple gives 25 mV and more, a worn one under 17; loaded at least 10', () => {
    expect(open([])).toBeGreaterThan(0.025);
    expect(open(['thermocouple.weak'])).toBeLessThan(0.017);
    expect(volts(model, traceOf(model, []), 'TC', 'CH', 1000)).toBeGreaterThan(0.01);
  });
  test('no pilot, no main gas, whatever the wiring does', () => {
    const out = traceOf(model, ['thermocouple.weak']);
    expect(cue(model, out, 'pilot')).toHaveLength(0);
    expect(volts(model, out, 'SP', 'C', 1000)).toBeGreaterThan(20);
    expect(cue(model, out, 'fire')).toHaveLength(0);
  });
  test('a gust is over when the pilot is lit again; a worn thermocouple is not', () => {
    expect(traceOf(model, ['pilot.blown-out'], { actions: ['relight'] }).outcome).toBe('runs');
    expect(cue(model, traceOf(model, ['thermocouple.weak'], { actions: ['relight'] }), 'pilot')).toHaveLength(0);
    expect(cue(model, traceOf(model, ['thermocouple.weak'], { actions: ['hold-knob'] }), 'pilot').length).toBe(1);
  });
});

describe('gas dryer burner', () => {
  const model = profile('dryer-burner');
  const healthy = traceOf(model, []);
  const glow = cue(model, healthy, 'glow')[0]!;
  const click = cue(model, healthy, 'click')[0]!;

  test('without a controller: glow, the sensor opens, gas over the glow, and the flame keeps the sensor open', () => {
    expect(model.controller).toBeUndefined();
    expect(click.from).toBeGreaterThan(glow.from);
    expect(cue(model, healthy, 'flame')[0]!.from).toBeGreaterThan(click.from);
    expect(glow.to).toBeGreaterThan(click.from);
  });
  test('the closed sensor shunts the second coil; open, nearly all of the line stands across the coil', () => {
    expect(volts(model, healthy, 'X', 'BR', glow.from + 1000)).toBeLessThan(1);
    expect(volts(model, healthy, 'X', 'BR', click.from + 5000)).toBeGreaterThan(110);
  });
  test('a sensor that stays closed glows for ever; a weak igniter too, and neither passes gas', () => {
    for (const fault of ['flame-sensor.stuck-closed', 'igniter.weak']) {
      const trace = traceOf(model, [fault]);
      expect(cue(model, trace, 'long-glow').length).toBe(1);
      expect(cue(model, trace, 'click')).toHaveLength(0);
    }
  });
  test('an open coil and a good one show the same volts: ohms decide', () => {
    const broken = traceOf(model, ['hold-coil.coil-open']);
    expect(volts(model, broken, 'BU', 'BR', glow.from)).toBeCloseTo(volts(model, healthy, 'BU', 'BR', glow.from), 0);
    expect(cue(model, broken, 'flame')).toHaveLength(0);
  });
  test('swapped polarity: neutral reads line voltage against the case', () => {
    const swapped = traceOf(model, ['earth.swapped']);
    expect(volts(model, healthy, 'N', 'CH', 500)).toBeLessThan(1);
    expect(volts(model, swapped, 'N', 'CH', 500)).toBeGreaterThan(110);
  });
});

describe('low water on larger steam boilers', () => {
  const model = profile('steam-intermittent-pilot', 'float-and-auxiliary');
  const at = (trace: Trace, part: string): string => {
    const p = model.parts.find((x) => x.id === part)!;
    return p.kind.states[trace.segments.at(-1)!.partStates[p.index]!]!;
  };
  test('a sludged float neither feeds nor cuts off: the auxiliary trips, the primary stays closed', () => {
    const sludged = traceOf(model, ['float-chamber.sludged']);
    expect(at(sludged, 'lwco')).toBe('closed');
    expect(at(sludged, 'auxiliary')).toBe('tripped');
  });
  test('with a dead feed pump the primary cuts off first, and the auxiliary stays in', () => {
    const dead = traceOf(model, ['feeder.dead']);
    expect(at(dead, 'lwco')).toBe('open');
    expect(at(dead, 'auxiliary')).toBe('closed');
  });
});

describe('every family', () => {
  test.each(FAMILIES)('%s: most faults are told apart, and few show nothing', (id) => {
    const c = coverage(new Engine(profile(id)));
    expect(c.faults.length).toBeGreaterThanOrEqual(30);
    expect(c.distinct).toBeGreaterThanOrEqual(0.85 * (c.faults.length - c.silent.length));
    // What shows nothing is a safety that would not open, or a supply still strong enough.
    for (const h of c.silent) expect(h.id).toMatch(/\.(stuck-closed|low)$/);
  });
});

describe('the isolation test: a separate 24 V source feeds the module with its plug pulled', () => {
  const model = profile('steam-intermittent-pilot');
  const lit = (fault?: string): boolean =>
    cue(model, traceOf(model, fault === undefined ? [] : [fault], { actions: ['separate-feed'] }), 'main').length > 0;

  test('a sound module and burner run their whole sequence, whatever the safeties and the damper do', () => {
    expect(lit()).toBe(true);
    for (const around of ['lwco.open', 'damper.end-switch-open', 'P1/1.open', 'transformer.secondary-open'])
      expect([around, lit(around)]).toEqual([around, true]);
  });
  test('a bad module or valve does not', () => {
    for (const own of ['module.dead', 'main-valve.coil-open', 'pilot-orifice.blocked'])
      expect([own, lit(own)]).toEqual([own, false]);
  });
  test('it goes round safeties: a ledger entry, and nothing for an apprentice', () => {
    const engine = new Engine(model);
    const test = engine.tests.find((t) => t.id === 'action separate-feed: seen main')!;
    expect(goesRoundSafety(model, test)).toBe(true);
    expect(mayPropose(model, test, { role: 'apprentice', grants: [] })).toBe(false);
    expect(mayPropose(model, test, TRAINED)).toBe(true);
  });
});
