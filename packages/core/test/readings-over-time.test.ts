import { LIMITS } from '../src/bench';
import { type MachineEntry, readingLines } from '../src/history';
import { readingsOverTime } from '../src/presentation';
import type { Dimension } from '../src/units';
import type { EventBody } from '../src/visit';
import { FAMILIES, profile } from './models';

const model = profile('furnace-condensing');
/** The first appliance with a thermometer of its own, and that thermometer. */
const [heater, thermometer] = FAMILIES.flatMap((id) => {
  const of = profile(id);
  const gauge = of.gauges.find((g) => of.quantities[g.quantity]!.dimension === 'temperature');
  return gauge ? [[of, gauge.id] as const] : [];
})[0]!;
const YEAR = 365.25 * 24 * 3600 * 1000;
const START = Date.UTC(2018, 9, 1);
const INCH = 249.08891;

const reading = (value: number, dimension: Dimension) => ({
  reading: { kind: 'value' as const, value, dimension },
  typed: String(value),
});
const signal = (amperes: number): EventBody => ({
  type: 'gauge',
  gauge: 'flame-signal',
  ...reading(amperes, 'current'),
});
const igniter = (ohms: number): EventBody => ({
  type: 'ohms',
  part: 'igniter',
  branch: '',
  ...reading(ohms, 'resistance'),
});
const repaired = (part: string, action = ''): EventBody => ({ type: 'repaired', part, action });
const on = (years: number, body: EventBody, call = `call ${years}`): MachineEntry => ({
  id: `entry ${years}`,
  at: START + years * YEAR,
  call,
  body,
});
/** A signal that slides by 0.3 µA a year from 3.9 µA, read each October, with a little scatter. */
const SLIDING = [0, 1, 2, 3, 4, 5, 6, 7].map((y) => on(y, signal((3.9 - 0.3 * y + (y % 2 ? 0.04 : -0.04)) * 1e-6)));

const line = (entries: readonly MachineEntry[], key: RegExp) =>
  readingLines(model, entries).find((l) => key.test(l.key));
const said = (entries: readonly MachineEntry[]) => readingsOverTime(model, entries, [], 'us')[0]!;

describe('readings of a machine, by what was asked', () => {
  test('stand in the order of time, the last of each call, whatever order they come in', () => {
    const found = line(
      [on(1, igniter(64)), on(0, igniter(61), 'first'), on(0.001, igniter(62), 'first')],
      /ohms igniter/,
    )!;
    expect(found.points.map((p) => p.value)).toEqual([62, 64]);
    expect(found.points[0]!.at).toBeCloseTo(START + 0.001 * YEAR, -3);
  });

  test('OL and what names nothing of this machine are left out', () => {
    const open: EventBody = {
      type: 'ohms',
      part: 'igniter',
      branch: '',
      reading: { kind: 'open' },
      typed: 'OL',
    } as EventBody;
    const strange: EventBody = { type: 'gauge', gauge: 'barometer', ...reading(1, 'pressure') };
    expect(readingLines(model, [on(0, open), on(1, strange)])).toEqual([]);
  });

  test('a part that was changed begins anew with what is read of itself, and nothing else does', () => {
    const entries = [on(0, igniter(61)), on(0, signal(3e-6)), on(1, repaired('igniter')), on(2, igniter(52))];
    expect(line(entries, /ohms igniter/)!.points.map((p) => p.value)).toEqual([52]);
    expect(line(entries, /flame-signal/)!.points).toHaveLength(1);
  });

  test('an old part that was put back does not', () =>
    expect(
      line([on(0, igniter(61)), on(1, { ...repaired('igniter'), old: true } as EventBody), on(2, igniter(60))], /ohms/)!
        .points,
    ).toHaveLength(2));

  test('a repair stands beside the readings that it is about', () => {
    const entries = [on(0, signal(3e-6)), on(1, repaired('flame-rod', 'cleaned')), on(1, repaired('pressure-hose'))];
    expect(line(entries, /flame-signal/)!.changes.map((c) => c.part)).toEqual(['flame-rod']);
  });

  test('what was judged keeps its width; what was not has that of the usual instrument', () => {
    const judged = { ...igniter(62), judged: { verdict: 'good', u: 0.7 } } as EventBody;
    expect(line([on(0, judged)], /ohms/)!.points[0]!.u).toBe(0.7);
    // 1 % and three digits of 0.1 Ω: 1.155 of 0.92 Ω (TESTS’ rule of uncertainty).
    expect(line([on(0, igniter(62))], /ohms/)!.points[0]!.u).toBeCloseTo(1.155 * 0.92, 2);
  });
});

describe('limits', () => {
  test('are those of the Bench: a flame signal’s', () => {
    const { zones, whose } = line([on(0, signal(3e-6))], /flame/)!.limits!;
    expect(whose).toBe('profile');
    expect(zones.good).toEqual(LIMITS['flame-signal'].good);
  });

  test('a draft’s are shares of what makes its switch, in the unit of the draft', () => {
    const draft: EventBody = { type: 'gauge', gauge: 'draft', ...reading(0.8 * INCH, 'pressure') };
    const { zones } = line([on(0, draft)], /draft/)!.limits!;
    const makes = Number(model.parts.find((p) => p.safety === 'air-proof')!.spec['closes-at']);
    expect(zones.marginal.from! / makes).toBeCloseTo(LIMITS['draft-margin'].marginal.from!, 9);
    expect(zones.good.from! / makes).toBeCloseTo(LIMITS['draft-margin'].good.from!, 9);
  });

  test('of the plate of this machine stand before them, with who read it', () => {
    const kept = {
      test: 'glow-igniter',
      measure: 'cold',
      field: 'plate',
      typed: '50-70',
      source: 'sheet 4',
      by: 'imre',
    } as const;
    const [found] = readingLines(model, [on(0, igniter(62))], [kept]);
    expect(found!.limits).toMatchObject({
      whose: 'plate',
      source: 'sheet 4, imre',
      zones: { good: { from: 50, to: 70 } },
    });
  });
});

describe('what is said', () => {
  test('of a signal that slides: how fast, since when, and between which months it will be marginal', () => {
    const { says, slides, crossing, unit, trend } = said(SLIDING);
    expect(unit).toBe('µA');
    expect(slides).toBe(true);
    expect(says).toMatch(
      /^It falls by 0\.3 ± 0\.0\d+ µA a year since 2018\. It will be marginal between \w+ 20\d\d and/,
    );
    // By hand: 3.9 − 0.3·t = 1.0 at 9.67 years.
    const truth = START + ((3.9 - 1) / 0.3) * YEAR;
    expect(crossing!.earliest).toBeLessThan(truth);
    expect(crossing!.latest).toBeGreaterThan(truth);
    expect((crossing!.latest - crossing!.earliest) / YEAR).toBeLessThan(2);
    expect(crossing!.value).toBe(1);
    expect(trend[0]!.value).toBeCloseTo(3.9, 1);
  });

  test('that it went on after the rod was cleaned', () =>
    expect(said([...SLIDING, on(5.6, repaired('flame-rod', 'cleaned'))]).says).toMatch(
      /It went on after this was done: flame rod, cleaned, May 2024\.$/,
    ));

  test('and not when nothing was read since', () =>
    expect(said([...SLIDING, on(7.5, repaired('flame-rod', 'cleaned'))]).says).not.toContain('went on'));

  test('of what holds, of one reading, of a few', () => {
    const steady = [0, 1, 2, 3, 4, 5].map((y) => on(y, signal((3 + (y % 2 ? 0.1 : -0.1)) * 1e-6)));
    expect(said(steady)).toMatchObject({ slides: false, trend: [], crossing: undefined });
    expect(said(steady).says).toMatch(/^It holds/);
    expect(said([on(0, signal(3e-6))]).says).toMatch(/^Read once/);
    expect(said([on(0, signal(3e-6)), on(0.1, signal(3e-6))]).says).toMatch(/^Read on 2 calls: too few/);
  });

  test('what slides stands first, however often something else was read', () => {
    const steady = Array.from({ length: 20 }, (_, i) => on(i / 3, igniter(60 + (i % 2)), `i${i}`));
    expect(said([...steady, ...SLIDING]).title).toBe('Flame signal');
  });

  test('pascal in SI, inches of water in US units, the same line', () => {
    const draft = SLIDING.map((e, i): MachineEntry => ({
      ...e,
      body: { type: 'gauge', gauge: 'draft', ...reading((0.9 - 0.02 * i) * INCH, 'pressure') },
    }));
    const us = readingsOverTime(model, draft, [], 'us')[0]!;
    const si = readingsOverTime(model, draft, [], 'si')[0]!;
    expect([us.unit, si.unit]).toEqual(['in w.c.', 'Pa']);
    expect(si.points[0]!.value / us.points[0]!.value).toBeCloseTo(INCH, -1);
    expect(si.crossing!.latest).toBe(us.crossing!.latest);
  });

  test('a temperature that rises by two kelvin a year rises by 3.6 °F, and not by −456', () => {
    const air = [0, 1, 2, 3, 4, 5].map((y) =>
      on(y, {
        type: 'gauge',
        gauge: thermometer,
        ...reading(310 + 2 * y + (y % 2 ? 0.05 : -0.05), 'temperature'),
      }),
    );
    const of = (system: 'us' | 'si') => readingsOverTime(heater, air, [], system)[0]!.says;
    expect(of('us')).toMatch(/^It rises by 3\.6 ± \d\.\d+ °F a year/);
    expect(of('si')).toMatch(/^It rises by 2 ± \d\.\d+ °C a year/);
  });
});
