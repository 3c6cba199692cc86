import fc from 'fast-check';
import {
  expanded,
  INSTRUMENTS_OF_A_BAG as BAG,
  judgeZones,
  leadOhms,
  LIMITS,
  measured,
  measuredOhms,
  measuredTimes,
  measuredWinding,
  narrowedBy,
  ofBook,
  type Uncertain,
  type Zones,
} from '../src/bench';

type Row = readonly [what: string, value: Uncertain, zones: Zones, wanted: number, u: number, verdict: string];

const celsius = (t: number, within = 3): Uncertain => ({ value: t + 273.15, u: within });
/** Nobody knows how warm a winding is: a room, or one that ran within the half hour. */
const [ROOM, RAN] = [celsius(15, 25), celsius(45, 55)];
const ohms = (reading: number, leads?: number): Uncertain => measuredOhms(reading, BAG.ohms, leadOhms(leads));
const winding = (reading: number, leads: number | undefined, at: Uncertain): Uncertain =>
  measuredWinding(reading, BAG.ohms, leadOhms(leads), at);
const read = (limit: keyof typeof LIMITS, reading: number): Uncertain =>
  measured(reading, BAG[LIMITS[limit].instrument]);
const INWC = 249.089;
const at = (limit: keyof typeof LIMITS, unit: number, ...rows: readonly (readonly [number, number, string])[]): Row[] =>
  rows.map(([reading, u, verdict]) => [
    `${limit} ${reading}`,
    read(limit, reading * unit),
    LIMITS[limit],
    reading * unit,
    u * unit,
    verdict,
  ]);

const COIL = ofBook(15, 0.1, 0.2);
const ELEMENT: Zones = { good: { from: 9, to: 12 }, marginal: { from: 8, to: 13 } };
const CAPACITOR = ofBook(5e-6, 0.06, 0.1);
/** A secondary as it would be at 120 V. */
const secondary = (primary: number, volts: number): Uncertain =>
  measuredTimes(measured(volts, BAG['volts-ac']), measured(primary, BAG['volts-ac']), 120 / primary);
const running = (turns: number): Uncertain => {
  const amps = measured(0.68 * turns, BAG.clamp);
  const volts = measured(370, BAG['volts-ac']);
  return measuredTimes({ value: amps.value / turns, u: amps.u / turns }, volts, 1 / (2 * Math.PI * 60 * 370));
};

// Both sides of every limit: common practice, no source. Widths: JCGM 100, guard bands: JCGM 106, from memory.
const ROWS: readonly Row[] = [
  ['carbide', ohms(62.4, 0.4), LIMITS['igniter-carbide'], 62, 1.1, 'good'],
  ['carbide', ohms(90.2, 0.4), LIMITS['igniter-carbide'], 89.8, 1.4, 'marginal'],
  ['carbide', ohms(33, 0.3), LIMITS['igniter-carbide'], 32.7, 0.73, 'bad'],
  ['carbide', ohms(125.3, 0.3), LIMITS['igniter-carbide'], 125, 1.8, 'bad'],
  ['24 V igniter', ohms(5.1, 0.2), LIMITS['igniter-24v'], 4.9, 0.41, 'good'],
  ['24 V igniter', ohms(9.2, 0.2), LIMITS['igniter-24v'], 9, 0.46, 'bad'],
  ['coil, cold cellar', winding(13.4, 0.2, celsius(2)), COIL, 14.2, 0.58, 'good'],
  ['coil, how warm is not known', winding(13.4, 0.2, ROOM), COIL, 13.5, 1.6, 'repeat'],
  ['coil', winding(12.9, 0.1, celsius(20)), COIL, 12.8, 0.53, 'marginal'],
  ['coil', winding(11, 0.2, celsius(20)), COIL, 10.8, 0.5, 'bad'],
  ['coil, hot', winding(18.6, 0.2, celsius(60)), COIL, 15.9, 0.52, 'good'],
  ['coil', winding(18.6, 0.2, celsius(20)), COIL, 18.4, 0.62, 'marginal'],
  ['coil, just ran', winding(18.6, 0.2, RAN), COIL, 16.8, 3.8, 'repeat'],
  ['coil', winding(20.1, 0.2, celsius(20)), COIL, 19.9, 0.64, 'bad'],
  ['coil, shorted, nothing known', winding(0.2, undefined, ROOM), COIL, 0, 0.43, 'bad'],
  ['element', ohms(10.2, 0.2), ELEMENT, 10, 0.47, 'good'],
  ['element', ohms(11.9, 0.2), ELEMENT, 11.7, 0.49, 'marginal'],
  ['element', ohms(14.1, 0.2), ELEMENT, 13.9, 0.51, 'bad'],
  ['element', ohms(7.4, 0.2), ELEMENT, 7.2, 0.44, 'bad'],
  ['capacitor', measured(4.95e-6, BAG.capacitance), CAPACITOR, 4.95e-6, 0.16e-6, 'good'],
  ['capacitor', measured(4.8e-6, BAG.capacitance), CAPACITOR, 4.8e-6, 0.16e-6, 'marginal'],
  ['capacitor', measured(4.3e-6, BAG.capacitance), CAPACITOR, 4.3e-6, 0.15e-6, 'bad'],
  ['capacitor, running, one turn', running(1), CAPACITOR, 4.88e-6, 0.53e-6, 'repeat'],
  ['capacitor, running, ten turns', running(10), CAPACITOR, 4.88e-6, 0.17e-6, 'good'],
  ['secondary, idle', secondary(118, 27.8), LIMITS['transformer-idle'], 28.27, 0.55, 'good'],
  ['secondary, on', secondary(118, 25.9), LIMITS['transformer-loaded'], 26.34, 0.51, 'good'],
  ['secondary, line low', secondary(104, 22.5), LIMITS['transformer-loaded'], 25.96, 0.51, 'good'],
  ['secondary, on', secondary(119, 20.8), LIMITS['transformer-loaded'], 20.97, 0.41, 'marginal'],
  ['secondary, on', secondary(119, 18.9), LIMITS['transformer-loaded'], 19.06, 0.38, 'bad'],
  ...at(
    'flame-signal',
    1e-6,
    [2.4, 0.26, 'good'],
    [1.2, 0.24, 'marginal'],
    [0.7, 0.24, 'marginal'],
    [0.2, 0.23, 'bad'],
  ),
  ...at('rod-feed', 1, [172, 2.3, 'good'], [64, 1.1, 'marginal'], [41, 0.51, 'bad']),
  ...at(
    'thermocouple-open',
    1e-3,
    [37.5, 0.56, 'good'],
    [20.6, 0.47, 'good'],
    [20.4, 0.46, 'marginal'],
    [17.2, 0.45, 'marginal'],
    [16.2, 0.44, 'bad'],
  ),
  ...at('thermocouple-loaded', 1e-3, [11, 0.41, 'good'], [9, 0.4, 'marginal'], [7.2, 0.39, 'bad']),
  ...at('thermopile-open', 1e-3, [560, 3.6, 'good'], [402, 2.7, 'marginal'], [318, 2.2, 'bad']),
  ...at('thermopile-loaded', 1e-3, [204, 1.5, 'good'], [201, 1.5, 'marginal'], [148, 1.2, 'bad']),
  ...at('coil-live', 1, [25.9, 0.33, 'good'], [19, 0.25, 'marginal'], [17.2, 0.23, 'bad']),
  ...at('stepper-pull-in', 1, [22, 0.15, 'good'], [18.9, 0.13, 'marginal'], [17.6, 0.12, 'bad']),
  ...at(
    'drop-across-contact',
    1e-3,
    [0.7, 0.35, 'good'],
    [50, 0.64, 'good'],
    [99.5, 0.92, 'marginal'],
    [200, 1.5, 'marginal'],
    [360, 2.4, 'bad'],
  ),
  ...at('line', 1, [119.9, 1.7, 'good'], [109, 1.6, 'marginal'], [105.9, 1.6, 'bad'], [135, 1.9, 'bad']),
  ...at('neutral-to-ground', 1, [3.1, 0.039, 'marginal']),
  ...at('natural-inlet', INWC, [6.9, 0.1, 'good'], [5.03, 0.081, 'marginal'], [4.6, 0.076, 'bad']),
  ...at('natural-manifold', INWC, [3.78, 0.067, 'marginal'], [4.1, 0.07, 'bad']),
  ...at('propane-inlet', INWC, [11.2, 0.15, 'good'], [8.2, 0.12, 'bad']),
  ...at('let-by', INWC, [0, 0.023, 'good'], [0.03, 0.023, 'bad']),
  ...at('board-12v', 1, [11.8, 0.091, 'good'], [10.4, 0.083, 'marginal'], [9.8, 0.08, 'bad']),
];

test.each(ROWS)('%s: corrected, as wide as it is, and judged', (_what, { value, u }, zones, wanted, width, verdict) => {
  // Two figures of a width, as they are written.
  expect(Math.abs(value - wanted)).toBeLessThan(Math.max(0.005 * Math.abs(wanted), 0.1 * width));
  expect(u / width).toBeCloseTo(1, 1);
  // Where the temperature was not asked it is assumed.
  expect(judgeZones({ value, u }, zones, verdict === 'repeat').verdict).toBe(verdict);
});

describe('zones', () => {
  const zones: Zones = { good: { from: 10, to: 20 }, marginal: { from: 5, to: 25 } };

  test('what is known well is judged by where it lies', () =>
    expect([4, 5, 9, 10, 20, 21, 25, 26].map((value) => judgeZones({ value, u: 0 }, zones).verdict)).toEqual([
      'bad',
      'marginal',
      'marginal',
      'good',
      'good',
      'marginal',
      'marginal',
      'bad',
    ]));

  test('near a limit it is marginal; on the side that can hurt somebody it is bad', () => {
    const near = { value: 19.9, u: 0.3 };
    expect(judgeZones(near, zones).verdict).toBe('marginal');
    expect(judgeZones(near, { ...zones, unsafe: 'high' }).verdict).toBe('bad');
    expect(judgeZones(near, { ...zones, unsafe: 'low' }).verdict).toBe('marginal');
    expect(judgeZones({ value: 10.1, u: 0.3 }, { ...zones, unsafe: 'low' }).verdict).toBe('bad');
  });

  test('a method too coarse for its zone condemns and clears nothing', () => {
    expect(judgeZones({ value: 15, u: 6 }, zones)).toEqual({ verdict: 'repeat', because: 'too-coarse' });
    expect(judgeZones({ value: 0.1, u: 0.36 }, { good: { to: 0.1 }, marginal: { to: 0.2 } })).toEqual({
      verdict: 'repeat',
      because: 'too-coarse',
    });
  });

  test('what a part read when it was good narrows what is good, and never widens it', () => {
    const own = narrowedBy(LIMITS['flame-signal'], 2.4e-6, 0.2);
    const now = { value: 1.5e-6, u: 0.25e-6 };
    expect(judgeZones(now, LIMITS['flame-signal']).verdict).toBe('good');
    expect(judgeZones(now, own).verdict).toBe('marginal');
    // One that was never within the limits says nothing.
    expect(narrowedBy(LIMITS['flame-signal'], 0.3e-6, 0.2)).toBe(LIMITS['flame-signal']);
    fc.assert(
      fc.property(
        fc.double({ min: 0.1, max: 40, noNaN: true }),
        fc.double({ min: 0.1, max: 40, noNaN: true }),
        (b, x) => {
          const value = { value: x, u: 0 };
          if (judgeZones(value, narrowedBy(zones, b, 0.2)).verdict === 'good')
            expect(judgeZones(value, zones).verdict).toBe('good');
        },
      ),
    );
  });

  test('a wider interval never turns marginal into good or good into bad', () => {
    const rank = { good: 0, marginal: 1, repeat: 1, bad: 2 };
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 30, noNaN: true }),
        fc.double({ min: 0, max: 4, noNaN: true }),
        fc.double({ min: 0, max: 4, noNaN: true }),
        (value, u, more) => {
          const narrow = judgeZones({ value, u }, zones).verdict;
          const wide = judgeZones({ value, u: u + more }, zones).verdict;
          if (narrow === 'marginal') expect(wide).not.toBe('good');
          if (narrow === 'good') expect(wide).not.toBe('bad');
          if (narrow === 'bad') expect(rank[wide]).toBeGreaterThan(0);
        },
      ),
    );
  });

  test('widths add as squares: one alone is 1.155 times itself', () => {
    expect(expanded(1)).toBeCloseTo(1.1547, 4);
    expect(expanded(3, 4)).toBeCloseTo(5.7735, 4);
  });
});
