import { COMPONENT_TESTS, judgeMeasure, windingAt, windingAt20, windingCourse } from '@zetalysis/core/bench';
import { windingView } from '@zetalysis/core/presentation';

const KELVIN = 273.15;
const measureOf = (test: string, id: string) =>
  COMPONENT_TESTS.find((t) => t.id === test)!.measures.find((m) => m.id === id)!;
const coil = measureOf('coil-24v', 'dead');
const courseOf = (typed: Record<string, string>) => windingCourse(coil, typed, judgeMeasure(coil, typed).judged);
const COLD = { iso: 'yes', ohms: '13.4', Lz: '0.2', T: '2 C', book: '15' };

describe('a winding over its temperature', () => {
  // IEC 60028: annealed copper, 0.00393 per kelvin at 20 °C; so 100 Ω at 20 °C are 139.3 Ω at 120 °C and 84.28 Ω at −20 °C.
  test.each([
    [120, 139.3],
    [20, 100],
    [-20, 84.28],
  ])('100 Ω at 20 °C are at %d °C %d Ω', (celsius, ohms) => {
    expect(windingAt(100, celsius + KELVIN)).toBeCloseTo(ohms, 6);
    expect(windingAt20(ohms, celsius + KELVIN)).toBeCloseTo(100, 6);
  });

  test('what was read, its leads off, goes along the course of its own winding to what is judged', () => {
    const course = courseOf(COLD)!;
    expect(course.read).toEqual({ kelvin: 2 + KELVIN, ohms: expect.closeTo(13.2, 6) });
    expect(windingAt(course.at20.value, course.read.kelvin)).toBeCloseTo(13.2, 6);
  });

  test('the zones of 20 °C hold at 20 °C, lie lower where it is colder, and the narrower stays within the wider', () => {
    const { zone } = courseOf(COLD)!;
    expect(zone('good', 20 + KELVIN)).toEqual({ from: expect.closeTo(13.5, 9), to: expect.closeTo(16.5, 9) });
    for (const celsius of [-20, 2, 80]) {
      const [good, marginal] = [zone('good', celsius + KELVIN), zone('marginal', celsius + KELVIN)];
      expect(marginal.from!).toBeLessThan(good.from!);
      expect(marginal.to!).toBeGreaterThan(good.to!);
    }
    expect(zone('good', 2 + KELVIN).from!).toBeLessThan(13.2);
  });

  test('nothing is drawn of what was not judged, of an open line, nor of what is no copper winding', () => {
    expect(courseOf({ ...COLD, iso: 'no' })).toBeUndefined();
    expect(courseOf({ ...COLD, ohms: 'OL' })).toBeUndefined();
    const live = measureOf('coil-24v', 'live');
    const typed = { ld: 'yes', volts: '25.9' };
    expect(windingCourse(live, typed, judgeMeasure(live, typed).judged)).toBeUndefined();
  });

  test('drawn in the reader’s units: every corner and both points lie on the sheet', () => {
    for (const system of ['us', 'si'] as const) {
      const view = windingView(courseOf(COLD)!, system);
      expect(view.across.unit).toBe(system === 'us' ? '°F' : '°C');
      expect(view.corrected.at).toBeCloseTo(system === 'us' ? 68 : 20, 6);
      for (const { at, ohms } of [view.read, view.corrected]) {
        expect(at).toBeGreaterThanOrEqual(view.across.from);
        expect(at).toBeLessThanOrEqual(view.across.to);
        expect(ohms).toBeGreaterThan(view.up.from);
        expect(ohms).toBeLessThan(view.up.to);
      }
      expect(view.zones.map((z) => z.kind)).toEqual(['marginal', 'good']);
      expect(Math.max(...view.zones.flatMap((z) => z.high))).toBeLessThanOrEqual(view.up.to);
    }
    expect(windingView(courseOf(COLD)!, 'si').words).toContain('read 13.2 Ω at 2 °C, which is 14.2 Ω at 20 °C');
  });
});
