import { crossingOf, type Point, trendAt, trendOf } from '../src/history';
import { Random } from '../src/simulation';

const YEAR = 365.25 * 24 * 3600 * 1000;
const at = (years: number): number => years * YEAR;

/** Readings on a line, a year apart but for `every`, with the scatter of a normal draw. */
function drawn(n: number, line: (years: number) => number, sd: number, random: Random, every = 1): Point[] {
  return Array.from({ length: n }, (_, i) => ({
    at: at(i * every),
    value: line(i * every) + sd * random.normal(),
    u: 0,
  }));
}

test('least squares beside the certified values of NIST StRD, data set Norris (from memory)', () => {
  const pairs =
    `0.1 0.2 338.8 337.4 118.1 118.2 888 884.6 9.2 10.1 228.1 226.5 668.5 666.3 998.5 996.3 449.1 448.6 778.9 777
    559.2 558.2 0.3 0.4 0.1 0.6 778.1 775.5 668.8 666.9 339.3 338 448.9 447.5 10.8 11.6 557.7 556 228.3 228.1 998 995.8
    888.8 887.6 119.6 120.2 0.3 0.3 0.6 0.3 557.6 556.8 339.3 339.1 888 887.2 998.5 999 778.9 779 10.2 11.1 117.6 118.3
    228.9 229.2 668.4 669.1 449.2 448.9 0.2 0.5`
      .trim()
      .split(/\s+/)
      .map(Number);
  const points = Array.from({ length: 36 }, (_, i): Point => ({
    value: pairs[2 * i]!,
    at: at(pairs[2 * i + 1]!),
    u: 0,
  }));
  const trend = trendOf(points.sort((a, b) => a.at - b.at))!;
  expect(trend.points).toBe(36);
  expect(trend.perYear).toBeCloseTo(1.00211681802045, 10);
  expect(trendAt(trend, 0).value).toBeCloseTo(-0.262323073774029, 8);
  // Standard errors by the residual standard deviation of 0.884796396144373; Student’s t of 34 degrees of freedom is
  // taken as that of many, which is 2.7 % less.
  expect(trend.perYearWithin / 1.645).toBeCloseTo(0.000429796848199937, 10);
  expect(trendAt(trend, 0).within / 1.645).toBeCloseTo(0.232818234301152, 8);
});

describe('nine in ten', () => {
  test.each([
    ['five readings', 5, 0.15, 1],
    ['nine readings', 9, 0.15, 1],
    ['twenty in ten years, scattered', 20, 0.4, 0.5],
  ])('%s: the true crossing lies in the interval that often', (_, n, sd, every) => {
    const random = new Random(7);
    let [held, told] = [0, 0];
    for (let i = 0; i < 3000; i++) {
      const trend = trendOf(drawn(n, (x) => 4 - 0.3 * x, sd, random, every));
      const crossing = trend && crossingOf(trend, 0.5);
      if (!crossing) continue;
      told++;
      const truth = at(3.5 / 0.3);
      if (truth >= crossing.earliest && truth <= crossing.latest) held++;
    }
    expect(told).toBeGreaterThan(2000);
    expect(held / told).toBeGreaterThan(0.87);
    expect(held / told).toBeLessThan(0.94);
  });

  test('readings that do not slide are called sliding once in ten times, and no more', () => {
    const random = new Random(11);
    const called = Array.from({ length: 3000 }, () => trendOf(drawn(8, () => 3, 0.3, random))!.slides);
    expect(called.filter(Boolean).length / called.length).toBeLessThan(0.13);
  });
});

describe('a part that held for years and now slides', () => {
  const bent = (x: number): number => (x < 8 ? 3.8 : 3.8 - 0.4 * (x - 8));
  test('its trend begins where it bent', () => {
    const trend = trendOf(drawn(14, bent, 0.03, new Random(3)))!;
    expect(trend.from / YEAR).toBeGreaterThanOrEqual(7);
    expect(trend.from / YEAR).toBeLessThanOrEqual(9);
    expect(trend.perYear).toBeCloseTo(-0.4, 1);
  });
  test('one line is not cut in two by its scatter', () => {
    const random = new Random(5);
    const cut = Array.from({ length: 500 }, () => trendOf(drawn(12, (x) => 4 - 0.2 * x, 0.2, random))!.points < 12);
    expect(cut.filter(Boolean).length / cut.length).toBeLessThan(0.05);
  });
  test('neither is it by what the instrument cannot show', () => {
    const coarse = drawn(14, bent, 0.03, new Random(3)).map((p) => ({ ...p, u: 2 }));
    expect(trendOf(coarse)!.points).toBe(14);
  });
});

test.each([
  ['three readings', [0, 1, 2].map(at)],
  ['many of one day', [0, 0, 0, 0, 0, 0, 0]],
  ['many of one season', [0, 0.1, 0.2, 0.3, 0.4].map(at)],
  ['none', []],
])('%s say nothing of a trend', (_, moments) =>
  expect(trendOf(moments.map((m, i) => ({ at: m, value: i, u: 0 })))).toBeUndefined(),
);

describe('no crossing is told', () => {
  const line = (slope: number): Point[] =>
    Array.from({ length: 8 }, (_, i) => ({ at: at(i), value: 3 + slope * i + (i % 2 === 0 ? 0.01 : -0.01), u: 0 }));
  test('of a limit from which it slides away, or that lies behind it', () => {
    expect(crossingOf(trendOf(line(0.2))!, 1)).toBeUndefined();
    expect(crossingOf(trendOf(line(-0.2))!, 2.5)).toBeUndefined();
  });
  test('of what the instrument may only seem to show', () =>
    expect(crossingOf(trendOf(line(-0.05).map((p) => ({ ...p, u: 3 })))!, 0)).toBeUndefined());
  test('but of the one ahead it is, and it begins no earlier than its last reading', () => {
    const crossing = crossingOf(trendOf(line(-0.2))!, 1)!;
    expect(crossing.earliest).toBeGreaterThanOrEqual(at(7));
    expect(crossing.earliest).toBeLessThan(at(10));
    expect(crossing.latest).toBeGreaterThan(at(10));
  });
});
