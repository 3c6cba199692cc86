import { type Display, force, type FunctionId, hear, listen, type Wanted, wantedOf } from '../src/instruments';
import { lineWords } from '../src/question';
import { profile } from './models';

/** Volts of a 24 V circuit on an alternating current, and nothing foretold. */
const CONTROL: Wanted = { functions: ['v-ac', 'v-ac-low'], nothing: 0.5, ghost: 15, foretold: [] };

interface Shows {
  readonly value: number | 'OL' | undefined;
  readonly set?: FunctionId;
  readonly unit?: string;
  readonly step?: number;
}

/** What a display shows, four times a second from 0 s. */
function played(wanted: Wanted, shown: readonly Shows[]) {
  const displays = shown.map(({ value, set = 'v-ac', unit = 'V', step = 0.01 }, i): Display => {
    return { at: i * 250, function: set, value: value === 'OL' ? undefined : value, unit, step, over: value === 'OL' };
  });
  return displays.reduce(hear, listen(wanted));
}
const volts = (...values: readonly (number | 'OL' | undefined)[]): Shows[] => values.map((value) => ({ value }));
const times = (n: number, value: number | 'OL' | undefined): Shows[] => Array.from({ length: n }, () => ({ value }));

describe('a reading is armed by a change, and taken when it stands', () => {
  test('what stands there when it is asked is not taken, however long it stands', () => {
    const state = played(CONTROL, times(40, 25.9));
    expect(state.heard).toEqual({ is: 'armed' });
    expect(force(state)).toEqual({ typed: '25.90 Vac' });
  });

  test('a flicker of the last digits is no change', () =>
    expect(played(CONTROL, volts(25.9, 25.92, 25.88, 25.91, 25.9, 25.93, 25.9, 25.9, 25.9)).heard).toEqual({
      is: 'armed',
    }));

  test('a probe that moves: it settles, and stands after a second and a half', () => {
    const moved = [...times(4, 25.9), ...volts(undefined, 20, 23.9, 24.3)];
    expect(played(CONTROL, moved).heard).toEqual({ is: 'settling' });
    expect(played(CONTROL, [...moved, ...times(7, 24.31)]).heard).toEqual({
      is: 'stands',
      typed: '24.31 Vac',
      unsteady: false,
    });
  });

  test('what does not settle in three seconds is kept from the least to the most of them', () => {
    const wandering = volts(15.4, 17.9, 16.2, 18.1, 15.2, 17.7, 16.4, 18.0, 15.3, 17.6, 16.0, 18.1, 15.2);
    expect(played(CONTROL, [...times(4, 25.9), ...wandering]).heard).toEqual({
      is: 'stands',
      typed: '15.20 to 18.10 Vac',
      unsteady: true,
    });
  });

  test('before three seconds are over nothing is said of what wanders', () =>
    expect(played(CONTROL, [...times(4, 25.9), ...volts(15.4, 17.9, 16.2, 18.1, 15.2, 17.7)]).heard).toEqual({
      is: 'settling',
    }));

  test('what hung and then touches is not taken for unsteady: what it showed on the way does not count', () => {
    const hung = volts(0.4, 0.9, 1.6, 0.7, 1.4, 0.6, 1.9, 0.8, 1.2, 0.5, 1.1, 2.1, 1.6, 0.7, 1.4, 0.6);
    expect(played(CONTROL, [...hung, ...volts(undefined, undefined, 24.2), ...times(3, 24.3)]).heard).toEqual({
      is: 'settling',
    });
    expect(played(CONTROL, [...hung, ...volts(undefined, undefined, 24.2), ...times(7, 24.3)]).heard).toMatchObject({
      is: 'stands',
      unsteady: false,
    });
  });
});

describe('nothing, OL and ghosts are never taken without a tap', () => {
  test.each([
    ['a dead wire', times(8, 0.02), 'nothing'],
    ['a ghost', times(8, 6.2), 'ghost'],
    ['the upper end of what couples in', times(8, 14.9), 'ghost'],
    ['more than it can show', times(8, 'OL'), 'open'],
    ['what wanders down to nothing', volts(0, 12, 24, 0.1, 13, 25, 0.2, 14, 23, 0, 12, 24, 1), 'nothing'],
  ])('%s', (_, after, why) => {
    const state = played(CONTROL, [...times(4, 25.9), ...after]);
    expect(state.heard).toMatchObject({ is: 'doubtful', why });
    expect(force(state)).toBeDefined();
  });

  test('a hanging probe that wanders stays armed', () =>
    expect(played(CONTROL, volts(0.4, 0.9, 1.6, 0.7, 1.4, 0.6, 1.9, 0.8, 1.2, 0.5, 1.1, 2.1)).heard).toEqual({
      is: 'armed',
    }));

  test('at low impedance there are no ghosts', () =>
    expect(
      played(
        CONTROL,
        [...times(4, 25.9), ...times(8, 6.2)].map((s) => ({ ...s, set: 'v-ac-low' as const })),
      ).heard,
    ).toMatchObject({ is: 'stands', typed: '6.20 Vac' }));

  test('of line voltage ghosts reach further up', () => {
    const line = { ...CONTROL, ghost: 80 };
    expect(played(line, [...times(4, 120), ...times(8, 47)]).heard).toMatchObject({ is: 'doubtful', why: 'ghost' });
    expect(played(line, [...times(4, 0.4), ...times(8, 104)]).heard).toMatchObject({ is: 'stands' });
  });

  test('OL of ohms is said, and typed as OL', () => {
    const ohms: Wanted = { functions: ['ohms'], nothing: 0, ghost: 0, foretold: [] };
    const set = { set: 'ohms' as const, unit: 'Ω', step: 0.1 };
    const state = played(ohms, [
      ...times(4, 62.1).map((s) => ({ ...s, ...set })),
      ...times(8, 'OL').map((s) => ({ ...s, ...set })),
    ]);
    expect(state.heard).toMatchObject({ is: 'doubtful', why: 'open', typed: 'OL' });
  });
});

describe('the function of the meter', () => {
  const dc = (n: number, value: number): Shows[] => times(n, value).map((s) => ({ ...s, set: 'v-dc' as const }));

  test('a wrong one is said with what to turn it to, and cannot be forced', () => {
    const state = played(CONTROL, dc(12, 0.3));
    expect(state.heard).toEqual({ is: 'wrong-function', turnTo: ['v-ac', 'v-ac-low'] });
    expect(force(state)).toBeUndefined();
  });

  test('once it is turned, what it shows counts', () =>
    expect(played(CONTROL, [...dc(4, 0.3), ...times(8, 26.1)]).heard).toMatchObject({
      is: 'stands',
      typed: '26.10 Vac',
    }));
});

describe('what nobody foretells waits for a look at the probes', () => {
  const foretold = {
    ...CONTROL,
    foretold: [
      { low: 25, high: 26.5 },
      { low: 0, high: 0 },
    ],
  };
  test.each([
    [26.1, 'stands'],
    [22.0, 'stands'],
    [17.4, 'doubtful'],
    [118, 'doubtful'],
  ])('%d V is %s', (value, is) =>
    expect(played(foretold, [...times(4, 0.3), ...times(9, value)]).heard).toMatchObject({ is }),
  );

  test('what did not move and nobody foretells can be forced, and what speaks against it is said', () =>
    expect(force(played(foretold, times(9, 118)))).toEqual({ typed: '118.00 Vac', why: 'unforeseen' }));

  test('a range is foretold where it meets what is', () =>
    expect(
      played(foretold, [...times(4, 24), ...volts(15.4, 22, 16.2, 21, 15.2, 22, 16.4, 21, 15.3, 22, 16.0, 21, 15.2)])
        .heard,
    ).toMatchObject({ is: 'stands', unsteady: true }));
});

test('what is typed has the digits of the display, the unit where it matters, and no sign of volts', () => {
  const of = (wanted: Wanted, before: Shows, after: Shows): unknown => {
    const { heard } = played(wanted, [
      ...Array.from({ length: 4 }, () => before),
      ...Array.from({ length: 9 }, () => after),
    ]);
    return 'typed' in heard ? heard.typed : heard.is;
  };
  const plain = (functions: readonly FunctionId[]): Wanted => ({ functions, nothing: 0, ghost: 0, foretold: [] });
  const shows = (set: FunctionId, unit: string, step: number, value: number): Shows => ({ set, unit, step, value });
  expect(of(plain(['v-dc']), shows('v-dc', 'V', 0.01, 0.2), shows('v-dc', 'V', 0.01, -11.84))).toBe('11.84 Vdc');
  expect(of(plain(['mv-dc']), shows('mv-dc', 'mV', 0.1, 2), shows('mv-dc', 'mV', 0.1, 27.3))).toBe('27.3 mV');
  expect(of(plain(['ohms']), shows('ohms', 'Ω', 0.1, 2), shows('ohms', 'kΩ', 0.001, 1.85))).toBe('1.850 kΩ');
  expect(
    of(plain(['pressure']), shows('pressure', 'in w.c.', 0.01, 0), shows('pressure', 'in w.c.', 0.01, -0.62)),
  ).toBe('-0.62 in w.c.');
  expect(of(plain(['temperature']), shows('temperature', '°F', 1, 70), shows('temperature', '°F', 1, 180))).toBe(
    '180 °F',
  );
});

describe('which function a question wants', () => {
  const furnace = lineWords(profile('furnace-condensing'));
  const dryer = lineWords(profile('dryer-burner', 'rectified-coils'));
  const mobile = lineWords(profile('mobile-furnace'));
  const at = (red: string, black: string) => ({ dimension: 'voltage' as const, probes: [red, black] });
  test.each([
    ['24 V alternating', furnace, at('R', 'C'), 'v-ac'],
    ['12 V of a battery', mobile, at('B', 'CH'), 'v-dc'],
    ['ohms of a part', furnace, { dimension: 'resistance' as const, probes: [] }, 'ohms'],
    ['a flame signal in series', furnace, { dimension: 'current' as const, probes: [] }, 'ua-dc'],
    ['a clamp round a wire', furnace, { dimension: 'current' as const, probes: [], clamp: true }, 'a-ac'],
    ['a draft', furnace, { dimension: 'pressure' as const, probes: [] }, 'pressure'],
    ['a thermocouple', furnace, { ...at('R', 'C'), unit: 'mV' as const }, 'mv-dc'],
  ])('%s', (_, words, asked, first) => expect(wantedOf(words, asked)?.functions[0]).toBe(first));

  test('a wire ten times through the jaw shows ten times the current: that is foretold, and not the current itself', () => {
    const asked = { dimension: 'current' as const, probes: [], clamp: true, foretold: [{ low: 0.4, high: 0.44 }] };
    const shown = (amps: number): Shows[] =>
      [...times(3, 0), ...times(8, amps)].map((s) => ({ ...s, set: 'a-ac', unit: 'A' }));
    const tenfold = wantedOf(furnace, { ...asked, turns: 10 })!;
    expect(played(tenfold, shown(4.2)).heard).toEqual({ is: 'stands', typed: '4.20 A', unsteady: false });
    expect(played(tenfold, shown(0.42)).heard).toMatchObject({ is: 'doubtful', why: 'unforeseen' });
    expect(played(wantedOf(furnace, asked)!, shown(4.2)).heard).toMatchObject({ is: 'doubtful', why: 'unforeseen' });
    expect(played(wantedOf(furnace, asked)!, shown(0.42)).heard).toMatchObject({ is: 'stands' });
  });

  test('behind a rectifier either function shows something, and across its edge none', () => {
    const [red, black] = dryer.rectified;
    expect(wantedOf(dryer, at(red!, black!))?.functions).toEqual(['v-dc', 'v-ac']);
    const outside = dryer.nets.find((n) => !dryer.rectified.includes(n))!;
    expect(wantedOf(dryer, at(red!, outside))).toBeUndefined();
  });

  test('what no instrument shows is not listened for', () =>
    expect(wantedOf(furnace, { dimension: 'time', probes: [] })).toBeUndefined());
});
