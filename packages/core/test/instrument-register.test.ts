import { INSTRUMENTS_OF_A_BAG, offBy } from '../src/bench';
import {
  calibrationDue,
  classWords,
  INSTRUMENT_KINDS,
  instrumentsBy,
  MEASURED_BY,
  readClass,
  usualClass,
} from '../src/instruments';

test.each([
  ['1 % + 3', 1, 3],
  ['0.5%+2d', 0.5, 2],
  ['0,8 % + 3 digits', 0.8, 3],
  ['2 %', 2, 0],
  ['1', 1, 0],
])('a class is read as it stands on a sheet: %s', (typed, percent, digits) =>
  expect(readClass(typed)).toEqual({ ok: true, value: { percent, digits } }),
);

test.each(['good', '30 %', '1 % + 300', '', '% + 3', '1 + + 3'])(
  '"%s" is no class, and what one looks like is said',
  (typed) => {
    const read = readClass(typed);
    expect(read.ok).toBe(false);
    expect(!read.ok && read.message).toMatch(/for example 1 % \+ 3/);
  },
);

test('what is written is read again as the same', () => {
  for (const known of [
    { percent: 0.9, digits: 2 },
    { percent: 2, digits: 0 },
  ])
    expect(readClass(classWords(known))).toEqual({ ok: true, value: known });
});

test('a better meter is off by less at the same reading; what nobody wrote down counts as usual', () => {
  const better = instrumentsBy({ ohms: { percent: 0.2, digits: 1 } });
  expect(offBy(better.ohms!, 100)).toBeCloseTo(0.2 + 0.1, 9);
  expect(offBy(INSTRUMENTS_OF_A_BAG.ohms, 100)).toBeCloseTo(1 + 0.3, 9);
  expect(better['volts-ac']).toBeUndefined();
});

test('every kind says what it measures, each with the class of a usual one', () => {
  for (const kind of INSTRUMENT_KINDS)
    for (const m of MEASURED_BY[kind]) expect(usualClass(m).digits).toBeGreaterThan(0);
});

test.each([
  [null, false],
  ['2026-11-29', true],
  ['2026-11-30', false],
  ['2027-01-01', false],
])('due %s on 2026-11-30: %s', (due, is) => expect(calibrationDue(due, '2026-11-30')).toBe(is));
