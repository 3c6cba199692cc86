import { findReadings, parseSought, partsToCarry } from '../src/analysis';
import { Engine } from '../src/diagnosis';
import { guideOf } from '../src/presentation';
import { runCurves } from '../src/presentation/run-curves';
import { IDENTIFY, mayBe } from '../src/profile';
import type { Observation } from '../src/question';
import { FIRST_EPISODE, NORMAL_SETUP, quantityAt, waitsOf } from '../src/simulation';
import { findUnit } from '../src/units';
import { FAMILIES, profile } from './models';

const steam = new Engine(profile('steam-intermittent-pilot'));
const guide = guideOf(steam, { units: 'us' });

describe('guide of an appliance', () => {
  test('every point has a reading for every step, taken when the step has just come', () => {
    for (const p of guide.points) expect(p.good).toHaveLength(guide.phases.length);
    const at = (net: string, phase: string) =>
      guide.points.find((p) => p.net === net)!.good[guide.phases.findIndex((p) => p.id === phase)]!;
    // Power waits at the damper when the thermostat has just called, and has gone through when it is open.
    expect(at('ES', 'call')).toBe('0 V');
    expect(at('ES', 'spark')).toMatch(/^2[56](\.\d)? V$/);
    expect(at('L1', 'call')).toBe('120 V');
  });
  test('a dead wire reads 0 V, as a display would have it; only a thermocouple’s circuit is told in millivolts', () => {
    for (const id of FAMILIES) {
      const engine = new Engine(profile(id));
      const { levels, nets } = engine.model;
      for (const p of guideOf(engine, { units: 'us' }).points)
        if (levels[nets.indexOf(p.net)] !== 'millivolt') expect([id, p.net, ...p.good].join()).not.toMatch(/mV/);
    }
    const furnace = new Engine(profile('furnace-standing-pilot'));
    expect(guideOf(furnace, { units: 'us' }).points.some((p) => p.good.some((g) => / mV$/.test(g ?? '')))).toBe(true);
  });
  test('a fault is described by what is seen, and nothing is said of what looks sound', () => {
    const signature = (id: string) => guide.faults.find((f) => f.id === id)!.signature;
    expect(signature('damper.end-switch-open').join()).toContain('breaks off before “Spark at the pilot”');
    expect(signature('water.low').join()).toContain('No water to be seen');
    expect(signature('lwco.stuck-closed')).toEqual([]);
  });
  test('dead-test limits are those of the parts', () =>
    expect(guide.deadTests).toContainEqual({
      part: 'main valve coil',
      limits: '17.6 Ω to 26.4 Ω',
      closedContact: false,
    }));
});

describe('search by readings', () => {
  test('clauses name a point and what stands there', () => {
    expect(parseSought('26 V on TH, nothing on SP')).toEqual([
      { net: 'TH', volts: 26 },
      { net: 'SP', volts: 0 },
    ]);
    expect(parseSought('12.6V DC at B and 300 mV on TV')).toEqual([
      { net: 'B', volts: 12.6 },
      { net: 'TV', volts: 0.3 },
    ]);
    for (const words of ['damper', '26 V', 'nothing', '26 V on TH, and so on', ''])
      expect(parseSought(words)).toBeUndefined();
  });
  test('in but not out: the device between is named, at the steps at which it can be', () => {
    const found = findReadings(steam, parseSought('26 V on TH, nothing on SP')!);
    expect(found.map((f) => f.phase)).toContain('Thermostat calls');
    expect(found.every((f) => !f.sound)).toBe(true);
    for (const f of found) for (const x of f.faults) expect(x.words).toMatch(/spill|chimney/i);
  });
  test('what a sound appliance shows is said so; a point that is not there finds nothing', () => {
    expect(findReadings(steam, [{ net: 'r', volts: 26 }]).some((f) => f.sound)).toBe(true);
    expect(findReadings(steam, [{ net: 'XYZ', volts: 26 }])).toEqual([]);
  });
});

describe('how what is measured goes through a run', () => {
  test.each(FAMILIES)('%s: between its points a curve is where the quantity is', (id) => {
    const { model, traces, healthy } = new Engine(profile(id));
    const { trace } = traces.last(healthy.faults, [FIRST_EPISODE]);
    const measured = [...new Set(model.gauges.map((g) => g.quantity))];
    const curves = runCurves(model, trace, { units: 'si' });
    expect(curves).toHaveLength(measured.length);
    curves.forEach(({ points, unit }, c) => {
      expect(points.map((p) => p.at)).toEqual([...points.map((p) => p.at)].sort((a, b) => a - b));
      expect([points[0]!.at, points[points.length - 1]!.at]).toEqual([0, trace.end]);
      const factor = findUnit(unit)?.factor ?? 1;
      const offset = findUnit(unit)?.offset ?? 0;
      const most = Math.max(...points.map((p) => Math.abs(p.value)), 1e-9);
      for (let at = 0; at <= trace.end; at += 731) {
        const i = Math.max(
          1,
          points.findIndex((p) => p.at >= at),
        );
        const [a, b] = [points[i - 1]!, points[i]!];
        const drawn = a.value + ((b.value - a.value) * (at - a.at)) / (b.at - a.at);
        const stands = (quantityAt(trace, measured[c]!, at) - offset) / factor;
        // Points are written with three figures.
        expect(Math.abs(drawn - stands)).toBeLessThanOrEqual(0.006 * most);
      }
    });
  });
});

describe('waits of an appliance', () => {
  const waits = (id: string) => waitsOf(profile(id)).map((w) => `${w.title} ${w.lasts / 1000}`);
  test('lockouts, purges, delays and actions with a wait', () => {
    expect(waits('furnace-condensing')).toEqual(
      expect.arrayContaining(['Lockout (ignition) 3600', 'Purge (ignition) 15']),
    );
    expect(waits('pool-heat-pump')).toContain('Five-minute delay: before it passes 300');
    expect(waits('furnace-standing-pilot')).toContain('Knob held, pilot lit by hand 300');
  });
});

describe('recognising a machine', () => {
  test('every family answers the questions, and no two families answer alike', () => {
    const said = FAMILIES.map((id) => JSON.stringify(profile(id).identity));
    for (const id of FAMILIES) expect(Object.keys(profile(id).identity).length).toBeGreaterThanOrEqual(7);
    expect(new Set(said).size).toBe(FAMILIES.length);
  });
  test('an answer excludes what says otherwise, and what says nothing stays', () => {
    expect(mayBe({ supply: '12' }, { supply: 'house' })).toBe(false);
    expect(mayBe({ supply: '12' }, { damper: 'no' })).toBe(true);
    expect(IDENTIFY.map((q) => q.id)).toContain('sight-glass');
  });
});

describe('before the visit', () => {
  const pool = new Engine(profile('pool-heater'));
  const told = (...observations: Observation[]) =>
    pool.assess({
      episodes: [{ setup: NORMAL_SETUP, repaired: [] }],
      items: observations.map((observation, i) => ({ id: `t${i}`, episode: 0, observation })),
    });
  test('“heats a little, then stops” points at what overheats, and loads those parts', () => {
    const before = partsToCarry(pool, told());
    const after = partsToCarry(pool, told({ kind: 'told', complaint: 'short' }));
    const share = (list: typeof before, part: string) => list.find((c) => c.part === part)?.share ?? 0;
    expect(share(after, 'thermal-regulator')).toBeGreaterThan(2 * share(before, 'thermal-regulator'));
    expect(share(after, 'igniter')).toBeLessThan(share(before, 'igniter'));
  });
  test('a customer’s words are weak evidence: they never settle anything', () =>
    expect(told({ kind: 'told', complaint: 'nothing' }).suspects[0]!.probability).toBeLessThan(0.4));
  test('what is built into an assembly is carried as the assembly', () => {
    const combi = new Engine(profile('combi-condensing'));
    const titles = partsToCarry(combi, combi.assess({ episodes: [{ setup: NORMAL_SETUP, repaired: [] }], items: [] }));
    expect(titles.map((c) => c.title)).toContain('gas valve');
    expect(titles.map((c) => c.title)).not.toContain('safety solenoid of the gas valve');
  });
});
