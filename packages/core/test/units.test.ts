import fc from 'fast-check';
import Qty from 'js-quantities';
import {
  type Dimension,
  findUnit,
  formatMillivolts,
  formatQuantity,
  formatReading,
  parseQuantity,
  parseReading,
  type Reading,
} from '../src/units';

const value = (typed: string, expected?: Dimension): number => {
  const parsed = parseReading(typed, expected);
  if (!parsed.ok || parsed.value.kind !== 'value')
    throw new Error(`${typed}: ${parsed.ok ? parsed.value.kind : parsed.message}`);
  return parsed.value.value;
};
const message = (typed: string, expected?: Dimension): string => {
  const parsed = parseReading(typed, expected);
  if (parsed.ok) throw new Error(`${typed} was accepted`);
  return parsed.message;
};

describe('what people type', () => {
  test.each<[string, Dimension, number]>([
    ['15.4', 'voltage', 15.4],
    ['15.4V', 'voltage', 15.4],
    ['15,4 V', 'voltage', 15.4],
    ['.17 ohm', 'resistance', 0.17],
    ['3.2uA', 'current', 3.2e-6],
    ['3,2 µA', 'current', 3.2e-6],
    ['0.6 inwc', 'pressure', 0.6 * 249.089],
    ['0.6', 'pressure', 0.6 * 249.089],
    ['37mV', 'voltage', 0.037],
    ['1.85k', 'resistance', 1850],
    ['1.85 kΩ', 'resistance', 1850],
    ['2M', 'resistance', 2e6],
    ['1,200', 'resistance', 1200],
    ['-3 mV', 'voltage', -0.003],
    ['30 s', 'time', 30],
    ['2 min', 'time', 120],
    ['140 F', 'temperature', 333.15],
    ['60 C', 'temperature', 333.15],
    ['8.5 %', 'fraction', 0.085],
    ['60 ppm', 'fraction', 60e-6],
    ['0.17r', 'resistance', 0.17],
    ['24 vac', 'voltage', 24],
    ['3.2 mm', 'length', 0.0032],
    ['1/8', 'length', 0.003175],
    ['3/16 in', 'length', 0.0047625],
    ['0.125 in', 'length', 0.003175],
  ])('%s as %s', (typed, dimension, si) => expect(value(typed, dimension)).toBeCloseTo(si, 9));

  test('a drill by its size: inches of a gap are no inches of water, and need a unit and a sound fraction', () => {
    expect(value('1 in', 'pressure')).toBeCloseTo(249.089, 6);
    expect(message('3.2', 'length')).toMatch(/Add the unit: 3\.2 mm or 1\/8 in/);
    expect(message('1/0', 'length')).toMatch(/divides by nothing.*1\/8 in/);
    expect(message('1/8 V', 'length')).toMatch(/V measures voltage/);
    expect(message('wide', 'length')).toMatch(/a length, for example/);
  });

  test('OL is an open line, in ohms only', () => {
    for (const typed of ['OL', 'ol', 'O.L', '0L'])
      expect(parseReading(typed, 'resistance')).toEqual({ ok: true, value: { kind: 'open', dimension: 'resistance' } });
    expect(message('OL', 'voltage')).toMatch(/more than the range shows.*volts/);
  });

  test.each(['15-18', '15–18 V', '15 - 18V', '18..15', '15 to 18 V'])('%s is unsteady', (typed) => {
    expect(parseReading(typed, 'voltage')).toEqual({
      ok: true,
      value: { kind: 'range', low: 15, high: 18, dimension: 'voltage' },
    });
  });

  test('a wrong unit is refused with what to type instead', () => {
    expect(message('3.2uA', 'voltage')).toBe('µA measures current; here type volts, for example 24.6 or 37mV.');
    expect(message('24 V', 'resistance')).toMatch(/measures voltage; here type ohms/);
    expect(message('24 parsec', 'voltage')).toMatch(/"parsec" is not a unit/);
  });

  test('absurd values and words are refused', () => {
    expect(message('99999 V', 'voltage')).toMatch(/more than any instrument shows/);
    // A reading of 6 kV is mistyped; an ignition transformer of 6 kV is not.
    expect(message('6000 V', 'voltage')).toMatch(/more than any instrument shows/);
    expect(parseQuantity('6000 V', 'voltage')).toMatchObject({ ok: true, value: { value: 6000 } });
    expect(message('1e400', 'voltage')).toMatch(/not a number|more than any/);
    expect(message('hello', 'voltage')).toMatch(/is not a reading/);
    expect(message('', 'voltage')).toMatch(/Nothing typed/);
    expect(message('60', 'temperature')).toMatch(/140 F or 60 C/);
  });

  test('never throws, whatever is typed', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 30 }), (typed) => typeof parseReading(typed, 'voltage').ok === 'boolean'),
      { numRuns: 500 },
    );
  });
});

describe('conversions agree with a unit library (js-quantities)', () => {
  test.each<[string, string, string]>([
    ['psi', 'psi', 'Pa'],
    ['bar', 'bar', 'Pa'],
    ['ft', 'ft', 'm'],
    ['inch', 'in', 'm'],
    ['gal', 'gal', 'm3'],
    ['ft³', 'ft3', 'm3'],
    ['min', 'min', 's'],
    ['h', 'h', 's'],
    ['Btu', 'btu', 'J'],
    ['Btu/h', 'btu/h', 'W'],
    ['cfm', 'ft3/min', 'm3/s'],
    ['gpm', 'gal/min', 'm3/s'],
  ])('%s', (ours, theirs, si) => {
    const expected = Qty(1, theirs).to(si).scalar;
    expect(Math.abs(findUnit(ours)!.factor / expected - 1)).toBeLessThan(2e-5);
  });

  test('temperatures', () => {
    for (const f of [-40, 32, 140, 212])
      expect(value(`${f} F`, 'temperature')).toBeCloseTo(Qty(f, 'tempF').to('tempK').scalar, 6);
  });

  test('one inch of water is 249.089 Pa, one psi 6894.757 Pa (NIST SP 811, values from memory)', () => {
    expect(findUnit('inwc')!.factor).toBe(249.089);
    expect(findUnit('psi')!.factor).toBe(6894.757);
  });
});

describe('what people read', () => {
  test.each<[number, Dimension, string]>([
    [0.2, 'resistance', '0.2 Ω'],
    [1850, 'resistance', '1.85 kΩ'],
    [Infinity, 'resistance', 'OL'],
    [3.2e-6, 'current', '3.2 µA'],
    [0.037, 'voltage', '37 mV'],
    [25.8, 'voltage', '25.8 V'],
    [0.6 * 249.089, 'pressure', '0.6 in w.c.'],
    [333.15, 'temperature', '140 °F'],
    [30, 'time', '30 s'],
    [0, 'voltage', '0 V'],
  ])('%d %s', (si, dimension, shown) => expect(formatQuantity(si, dimension)).toBe(shown));

  test('SI for those who want it', () => {
    expect(formatQuantity(149.5, 'pressure', 'si')).toBe('150 Pa');
    expect(formatQuantity(333.15, 'temperature', 'si')).toBe('60 °C');
  });

  test('what is written can be read back', () => {
    const dimensions: Dimension[] = ['voltage', 'current', 'resistance', 'pressure'];
    fc.assert(
      fc.property(fc.double({ min: 1e-5, max: 90, noNaN: true }), fc.constantFrom(...dimensions), (si, dimension) => {
        const parsed = parseQuantity(formatQuantity(si, dimension), dimension);
        // Three figures are shown, and no less than the smallest unit worth showing.
        return (
          parsed.ok &&
          Math.abs(parsed.value.value - si) <= Math.max(0.006 * si, dimension === 'pressure' ? 0.01 * 249 : 1e-6)
        );
      }),
    );
  });

  test('an unsteady reading says so', () => {
    const reading: Reading = { kind: 'range', low: 15, high: 18, dimension: 'voltage' };
    expect(formatReading(reading)).toBe('15–18 V, unsteady');
  });

  test.each([
    [{ kind: 'value', value: 0.295, dimension: 'voltage' }, '295 mV'],
    [{ kind: 'value', value: 0.0171, dimension: 'voltage' }, '17.1 mV'],
    [{ kind: 'value', value: 0, dimension: 'voltage' }, '0 mV'],
    [{ kind: 'range', low: 0.3, high: 0.45, dimension: 'voltage' }, '300–450 mV, unsteady'],
    [{ kind: 'open', dimension: 'resistance' }, 'OL'],
  ] as const)('a thermocouple’s meter stays in millivolts: %o is %s', (reading, words) =>
    expect(formatMillivolts(reading)).toBe(words),
  );
});
