import jStat from 'jstat';
import {
  ageOf,
  assumedRates,
  cameBackFor,
  caseFacts,
  changeOf,
  type CountedFamily,
  type CountedTest,
  factorsOf,
  firstUnder,
  isRateBook,
  itemFor,
  type Kept,
  learnFamily,
  learnRates,
  learnTests,
  loadVan,
  mendedBy,
  partsAfter,
  namedWay,
  type Need,
  planLoad,
  priceOf,
  SHELF,
  sameAgain,
  shareOf,
  shortOf,
  standsOut,
  substitutesOf,
  sum,
  suspectedWays,
  suspicionsOf,
  wayOf,
  weighedEngine,
  withLearnedTests,
} from '../src/book';
import { testFacts } from '../src/book/test-facts';
import { Engine } from '../src/diagnosis';
import { Random } from '../src/simulation';
import { type CallEvent, caseEvents, reduceCall } from '../src/visit';
import { FAMILIES, profile } from './models';
import { recordedCase, stepsOf } from './recorded-case';

/** A Poisson number by counting exponential waits. */
function poisson(mean: number, random: Random): number {
  let n = 0;
  for (let t = random.exponential(1); t < mean; t += random.exponential(1)) n++;
  return n;
}

describe('rates from the book', () => {
  test('nothing counted: what was assumed stands, however wide', () => {
    const assumed = new Map([
      ['a', 0.2],
      ['b', 0.05],
    ]);
    for (const [key, { rate, assumed: was, low, high }] of learnRates(assumed, new Map(), 0)) {
      expect(rate).toBeCloseTo(assumed.get(key)!, 10);
      expect(was).toBeCloseTo(assumed.get(key)!, 10);
      expect(high / low).toBeGreaterThan(5);
    }
  });

  test('the level follows the count, and proportions the counts the more of them there are', () => {
    const assumed = new Map([
      ['often', 3],
      ['seldom', 1],
    ]);
    const learned = (times: number): number => {
      const cases = new Map([
        ['often', 1 * times],
        ['seldom', 3 * times],
      ]);
      const rates = learnRates(assumed, cases, 10 * times);
      expect(sum([...rates.values()].map((r) => r.assumed))).toBeCloseTo(0.4, 10);
      return rates.get('seldom')!.rate / rates.get('often')!.rate;
    };
    expect(learned(1)).toBeGreaterThan(1 / 3);
    expect(learned(10)).toBeGreaterThan(learned(1));
    expect(learned(400)).toBeCloseTo(3, 1);
  });

  test('with hidden true rates nine in ten intervals hold the truth; with ten cases none is wider than threefold', () => {
    let [held, all] = [0, 0];
    for (let seed = 1; seed <= 12; seed++)
      for (const id of ['dryer-burner', 'steam-standing-pilot']) {
        const random = new Random(seed * 7907 + id.length);
        const assumed = assumedRates(profile(id));
        const off = new Map([...assumed].map(([way, rate]) => [way, rate * Math.exp(0.9 * random.normal())]));
        const level = 0.9 / sum(off.values());
        const years = 140;
        const cases = new Map([...off].map(([way, rate]) => [way, poisson(rate * level * years, random)]));
        for (const [way, { low, high, cases: n }] of learnRates(assumed, cases, years)) {
          const truth = off.get(way)! * level;
          all++;
          if (low <= truth && truth <= high) held++;
          if (n >= 10) expect(high / low).toBeLessThanOrEqual(3);
        }
      }
    expect(held / all).toBeGreaterThan(0.85);
    expect(held / all).toBeLessThan(0.95);
  });

  test('a make that fails oftener weighs more on its machines only, and little where there are few of them', () => {
    const assumed = assumedRates(profile('furnace-condensing'));
    const cases = new Map([['igniter.open', 30]]);
    const make = (igniters: number, years: number) => ({ cases: new Map([['igniter.open', igniters]]), years });
    const counted: CountedFamily = {
      cases,
      years: 300,
      untold: 0,
      makes: new Map([
        ['Harrowgate', make(20, 60)],
        ['Ostrander', make(10, 240)],
        ['Lindqvale', make(1, 2)],
      ]),
      ages: new Map([['15+', make(25, 80)]]),
    };
    const book = {
      format: 'zetalysis-rates/1',
      families: { 'furnace-condensing': learnFamily(assumed, counted) },
    } as const;
    const of = (name: string, age?: number): number =>
      factorsOf(book, { profile: 'furnace-condensing', make: name, ...(age !== undefined && { age }) })[
        'igniter.open'
      ]!;
    expect(of('Harrowgate')).toBeGreaterThan(1.5 * of('nobody’s'));
    expect(of('Ostrander')).toBeLessThan(of('nobody’s'));
    expect(of('Lindqvale') / of('nobody’s')).toBeLessThan(of('Harrowgate') / of('nobody’s'));
    expect(of('nobody’s', 20)).toBeGreaterThan(of('nobody’s', 3));
    expect(factorsOf(book, { profile: 'dryer-burner' })).toEqual({});
    expect(factorsOf(undefined, { profile: 'furnace-condensing' })).toEqual({});
    // As a file: it is read again, and anything else is not.
    expect(isRateBook(JSON.parse(JSON.stringify(book)))).toBe(true);
    expect(isRateBook({ ...book, format: 'zetalysis-rates/2' })).toBe(false);
    expect(isRateBook({ 'igniter.open': 2 })).toBe(false);
  });

  test('breaks that nobody could tell change the level and no proportion', () => {
    const assumed = new Map([
      ['a', 1],
      ['b', 2],
    ]);
    const counted = { cases: new Map([['a', 20]]), years: 100, untold: 0, makes: new Map(), ages: new Map() };
    const all = learnFamily(assumed, counted);
    const half = learnFamily(assumed, { ...counted, untold: 20 });
    expect(half.ways['a']!.rate / all.ways['a']!.rate).toBeCloseTo(2, 1);
    expect(half.ways['a']!.rate / half.ways['b']!.rate).toBeCloseTo(all.ways['a']!.rate / all.ways['b']!.rate, 0);
  });

  test.each([
    [0, '0-5'],
    [4.9, '0-5'],
    [5, '5-10'],
    [15, '15+'],
    [60, '15+'],
    [undefined, undefined],
  ])('a machine of %s years is %s', (age, group) => expect(ageOf(age)).toBe(group));
});

describe('shares and series', () => {
  test('Jeffreys’ interval: over all true shares nine in ten hold it (Brown, Cai and DasGupta 2001)', () => {
    const choose = (n: number, k: number): number =>
      Array.from({ length: k }, (_, i) => (n - i) / (k - i)).reduce((a, b) => a * b, 1);
    for (const n of [5, 20, 60]) {
      const mean = Array.from({ length: 199 }, (_, i) => (i + 1) / 200).map((p) =>
        sum(
          Array.from({ length: n + 1 }, (_, k) => {
            const { low, high } = shareOf(k, n);
            return low <= p && p <= high ? choose(n, k) * p ** k * (1 - p) ** (n - k) : 0;
          }),
        ),
      );
      expect(sum(mean) / mean.length).toBeGreaterThan(0.88);
      expect(sum(mean) / mean.length).toBeLessThan(0.94);
    }
    expect(shareOf(0, 0)).toMatchObject({ low: 0, high: 1 });
    expect(shareOf(7, 7)).toMatchObject({ share: 1, high: 1 });
  });

  test('a series stands out where even the least rate is higher: 5.43 for ten cases (Garwood 1936)', () => {
    expect(standsOut(10, 5.42)).toBe(true);
    expect(standsOut(10, 5.44)).toBe(false);
    expect(standsOut(4, 0.1)).toBe(false);
    expect(standsOut(30, 0)).toBe(false);
  });
});

describe('what a call is worth to the book', () => {
  test.each(FAMILIES)('%s: every record that is proposed names its way of failing', (id) => {
    const engine = new Engine(profile(id));
    const { parts } = engine.model;
    for (const h of engine.hypotheses) {
      if (h.kind !== 'fault' || h.breaks === undefined) continue;
      const [{ part, mode }] = h.faults as [(typeof h.faults)[number]];
      const { words } = parts[part]!.modes[mode]!;
      const cause = h.cause === undefined ? undefined : parts[h.cause]!;
      const record = {
        part: parts[h.breaks]!.id,
        failure: cause ? 'opened, as it should' : words,
        cause: cause ? `${cause.title} ${words}` : '',
      };
      const named = namedWay(engine.model, record)!;
      // Two ways of what is built into one part may be said in the same words.
      const same = parts
        .filter((p) => p.assembly === parts[part]!.assembly)
        .flatMap((p) => p.modes.filter((m) => m.words === words).map((m) => `${p.id}.${m.id}`));
      expect(cause ? [wayOf(h)] : [...same, wayOf(h)]).toContain(named);
    }
  });

  const engine = new Engine(profile('furnace-condensing'));
  const steps = stepsOf(engine, 'furnace-2-igniter');
  const recorded = (until = steps.length, change: object = {}): CallEvent[] =>
    recordedCase(engine, steps.slice(0, until), change);
  const facts = (events: readonly CallEvent[]) =>
    caseFacts(engine, engine, reduceCall(engine.model, events, { needs: 'met' }));

  test('a proved one counts as one case of its way; what was advised on the way is looked at again', () => {
    const found = facts(recorded())!;
    expect(found).toMatchObject({ part: 'igniter', standing: 'proved', cause: '' });
    expect(Object.values(found.ways)).toEqual([1]);
    expect(Object.keys(found.ways)[0]).toMatch(/^igniter\./);
    expect(found.advised.end).toMatchObject({ right: true });
    expect(found.advised.end!.said).toBeGreaterThan(found.advised.watched!.said);
    expect(found.planned!.tests).toBeGreaterThan(0);
    expect(found.tests).toBeGreaterThan(0);
  });

  test('in words of somebody’s own it counts for what fits of the recorded part', () => {
    const found = facts(recorded(steps.length, { failure: 'gone with age', cause: 'old' }))!;
    expect(sum(Object.values(found.ways))).toBeCloseTo(1, 2);
    for (const way of Object.keys(found.ways)) expect(way).toMatch(/^igniter\./);
  });

  test('one that is only suspected counts for less than one, and for nothing where nothing stands out', () => {
    const few = engine.assess({
      episodes: reduceCall(engine.model, caseEvents(steps.slice(0, 1))).evidence.episodes,
      items: [],
    });
    expect(suspectedWays(few).size).toBe(0);
    const whole = suspectedWays(engine.assess(reduceCall(engine.model, caseEvents(steps), { needs: 'met' }).evidence));
    expect(Math.max(...whole.values())).toBeGreaterThan(0.5);
    expect(sum(whole.values())).toBeLessThanOrEqual(1 + 1e-9);
  });

  test('nothing recorded, nothing counted', () => {
    expect(facts(caseEvents(steps))).toBeUndefined();
    expect(facts(recorded(steps.length, { part: 'none', failure: '', cause: '' }))).toMatchObject({ ways: {} });
  });

  test('what other rates would have said is what an engine with those rates says', () => {
    const { evidence } = reduceCall(engine.model, caseEvents(steps.slice(0, 3)), { needs: 'met' });
    const random = new Random(5);
    for (let i = 0; i < 6; i++) {
      const factors = Object.fromEntries(
        [...assumedRates(engine.model).keys()].map((way) => [way, Math.exp(1.2 * random.normal())]),
      );
      const { suspects } = new Engine(engine.model, factors).assess(evidence, { pairs: false });
      const under = firstUnder(suspicionsOf(engine.assess(evidence, { pairs: false })), factors)!;
      expect(under.repair).toBe(suspects[0]!.repair);
      expect(Math.abs(under.share - suspects[0]!.probability)).toBeLessThan(0.01);
    }
  });

  test('a change is for the better where the right one comes first by it, and none where nothing moves', () => {
    const watched = [
      { way: 'igniter.open', repair: 'igniter:replace', share: 0.4 },
      { way: 'gas-valve.stuck', repair: 'gas-valve:replace', share: 0.5 },
      { way: 'healthy', repair: 'none', share: 0.1 },
    ];
    const call = { watched, repairs: ['igniter:replace'] };
    expect(changeOf(call, {}, { 'igniter.open': 2 })).toBe('better');
    expect(changeOf(call, { 'igniter.open': 2 }, {})).toBe('worse');
    expect(changeOf(call, {}, { 'igniter.open': 1.1 })).toBeUndefined();
    expect(changeOf({ watched, repairs: [] }, {}, { 'igniter.open': 2 })).toBe('neither');
    expect(changeOf({ watched: [], repairs: [] }, {}, {})).toBeUndefined();
  });
});

describe('why somebody came back', () => {
  const visit = (title: string, causeTitle = '', standing = 'proved') => ({ part: title, title, causeTitle, standing });
  const none = { part: 'none', title: 'nothing', causeTitle: '', standing: 'proved' };
  test.each([
    ['the same part, proved before', visit('igniter'), visit('igniter'), 'again'],
    ['the same part, only suspected before', visit('igniter', '', 'suspected'), visit('igniter'), 'unproved'],
    [
      'the limit again, with the cause named before',
      visit('limit', 'air filter'),
      visit('limit', 'air filter'),
      'cause',
    ],
    ['the limit again, with a cause only now', visit('limit'), visit('limit', 'air filter'), 'cause'],
    ['what had been the cause broke itself', visit('limit', 'blower'), visit('blower'), 'cause'],
    ['another part of the same cause', visit('limit', 'air filter'), visit('heat exchanger', 'air filter'), 'cause'],
    ['another part after a proof', visit('igniter'), visit('flame rod'), 'other'],
    ['another part where nothing had been proved', visit('igniter', '', 'suspected'), visit('flame rod'), 'unproved'],
    ['nothing wrong', visit('igniter'), none, 'nothing'],
    ['still open', visit('igniter'), undefined, 'unknown'],
  ])('%s', (_, before, next, why) => {
    expect(cameBackFor(before, next)).toBe(why);
  });
});

describe('what a call needs whose machine broke shortly before', () => {
  const parts = [
    { part: 'igniter', title: 'igniter', share: 0.5 },
    { part: 'rod', title: 'flame rod', share: 0.3 },
  ];
  const sum = (of: readonly { share: number }[]): number => of.reduce((s, p) => s + p.share, 0);

  test('what it needed then comes to the front by as much as callbacks are the same again', () => {
    const known = { same: 30, of: 92 };
    const again = sameAgain(known);
    expect(again).toBeCloseTo(0.324, 3);
    const after = partsAfter(parts, { part: 'rod', title: 'flame rod' }, known);
    expect(after.map((p) => p.part)).toEqual(['rod', 'igniter']);
    expect(after[0]!.share).toBeCloseTo(again + 0.3 * (1 - again), 9);
    // What is left of all chances still needs no part.
    expect(1 - sum(after)).toBeCloseTo((1 - again) * (1 - sum(parts)), 9);
  });

  test('a part of which the engine says nothing is needed again as well; without callbacks of one’s own what is assumed counts', () => {
    const after = partsAfter(parts, { part: 'board', title: 'control' }, { same: 0, of: 0 });
    expect(after.find((p) => p.part === 'board')!.share).toBeCloseTo(0.3, 9);
    expect(sameAgain({ same: 0, of: 400 })).toBeLessThan(0.01);
  });
});

describe('loading a van', () => {
  /** Some calls, parts with prices, all drawn. */
  function day(seed: number) {
    const random = new Random(seed);
    const prices = new Map(['a', 'b', 'c', 'd', 'e'].map((part) => [part, 5 + Math.floor(40 * random.next())]));
    const needs = Array.from({ length: 4 }, () => {
      const parts = [...prices.keys()].filter(() => random.next() < 0.6);
      return parts.map((part): Need => ({ part, chance: random.next() / (parts.length + 1) }));
    });
    return { prices, needs, money: Math.floor(30 + 90 * random.next()) };
  }

  test('no other set of at most as much money mends more: every set is tried', () => {
    for (let seed = 1; seed <= 12; seed++) {
      const { prices, needs, money } = day(seed);
      const load = loadVan(needs, prices, money);
      expect(load.price).toBeLessThanOrEqual(money);
      expect(load.mended).toBeCloseTo(mendedBy(needs, load.units), 10);
      let best = 0;
      const parts = [...prices.keys()];
      for (let code = 0; code < 5 ** parts.length; code++) {
        const units = new Map(parts.map((part, i) => [part, Math.floor(code / 5 ** i) % 5]));
        if (priceOf(units, prices) <= money) best = Math.max(best, mendedBy(needs, units));
      }
      expect(load.mended).toBeCloseTo(best, 10);
    }
  });

  test('a second unit is worth the chance that two are needed; calls that need none are mended anyway', () => {
    const needs = [[{ part: 'a', chance: 0.5 }], [{ part: 'a', chance: 0.5 }], []];
    expect(mendedBy(needs, new Map())).toBeCloseTo(2, 10);
    expect(mendedBy(needs, new Map([['a', 1]]))).toBeCloseTo(2.75, 10);
    expect(mendedBy(needs, new Map([['a', 2]]))).toBeCloseTo(3, 10);
    expect(mendedBy(needs, new Map([['a', 9]]))).toBeCloseTo(3, 10);
  });

  test('without money, prices or calls nothing is loaded', () => {
    const needs = [[{ part: 'a', chance: 0.9 }]];
    expect(loadVan(needs, new Map([['a', 10]]), 9.99).units.size).toBe(0);
    expect(loadVan(needs, new Map([['a', 10]]), -5).units.size).toBe(0);
    expect(loadVan(needs, new Map(), 100).units.size).toBe(0);
    expect(loadVan([], new Map([['a', 10]]), 100)).toMatchObject({ price: 0, mended: 0 });
  });
});

describe('stock', () => {
  const kept = (id: string, price: number | null, fits: string[], held: Kept['held'] = []): Kept => ({
    id,
    title: id,
    price,
    fits: fits.map((part) => ({ profile: 'p', part })),
    held,
  });
  const dear = kept('dear', 40, ['igniter', 'rod'], [{ place: 'van', units: 1, least: 2 }]);
  const shelved = kept('shelved', 30, ['igniter'], [{ place: SHELF, units: 3, least: 1 }]);
  const cheap = kept('cheap', 10, ['igniter']);
  const unpriced = kept('unpriced', null, ['igniter']);

  test('what is along is taken first, then what lies on the shelf, then the cheapest', () => {
    const all = [unpriced, cheap, shelved, dear];
    expect(itemFor(all, 'van', 'p', 'igniter')).toBe(dear);
    expect(itemFor(all, 'other', 'p', 'igniter')).toBe(shelved);
    expect(itemFor([unpriced, cheap], 'van', 'p', 'igniter')).toBe(cheap);
    expect(itemFor(all, 'van', 'q', 'igniter')).toBeUndefined();
  });

  test('whatever goes where it goes stands in for it', () => {
    const rod = kept('rod', 5, ['rod']);
    expect(substitutesOf([dear, cheap, rod], dear).map((i) => i.id)).toEqual(['cheap', 'rod']);
    expect(substitutesOf([dear, cheap, rod], rod).map((i) => i.id)).toEqual(['dear']);
  });

  test('what is under its minimum, by place', () => {
    expect(shortOf([shelved, dear]).map((s) => [s.item.id, s.place, s.missing])).toEqual([['dear', 'van', 1]]);
  });

  test('what is along costs nothing and is not bought again; no more than lies there is loaded', () => {
    const needs = [[{ part: 'a', chance: 0.5 }], [{ part: 'a', chance: 0.5 }], [{ part: 'b', chance: 0.4 }]];
    const prices = new Map([
      ['a', 10],
      ['b', 10],
    ]);
    const held = new Map([['a', 1]]);
    const set = loadVan(needs, prices, 10, { held, spare: new Map([['b', 1]]) });
    expect([...set.units]).toEqual([['b', 1]]);
    expect(set.price).toBe(10);
    // None of the first two needs one, or one does and it is there; the third is mended with b or needs nothing.
    expect(set.mended).toBeCloseTo(2 - 0.25 + 1, 9);
    expect(loadVan(needs, prices, 100, { held, spare: new Map() }).units.size).toBe(0);
    expect(loadVan(needs, prices, 100, { held: new Map(), spare: undefined }).units.get('a')).toBe(2);
  });
});

describe('what to load for a day', () => {
  const kept = (id: string, part: string, price: number, [shelf, van]: [number, number]) => ({
    id,
    title: id,
    price,
    room: price / 10,
    fits: [{ profile: 'p', part }],
    held: [
      { place: SHELF, units: shelf, least: 0 },
      { place: 'van', units: van, least: 0 },
    ],
  });
  const items = [
    kept('igniter', 'igniter', 30, [2, 0]),
    kept('rod', 'rod', 20, [1, 1]),
    kept('valve', 'valve', 150, [1, 0]),
    kept('coil', 'coil', 10, [0, 0]),
  ];
  const call = (id: string, shares: Readonly<Record<string, number>>) => ({
    id,
    profile: 'p',
    parts: Object.entries(shares).map(([part, share]) => ({ part, title: `the ${part}`, share })),
  });
  const calls = [call('one', { igniter: 0.5, valve: 0.3 }), call('two', { rod: 0.4, coil: 0.2, board: 0.1 })];
  const none = new Set<string>();
  const asked = { calls, items, van: 'van', measure: 'price', left: none, taken: none, broke: () => 0 } as const;
  const states = (plan: ReturnType<typeof planLoad>) =>
    Object.fromEntries(plan.lines.map((l) => [l.need.part, l.state]));

  test('what is along stays, what is worth its money is loaded, what nobody has is to be ordered or written down', () => {
    const plan = planLoad({ ...asked, most: 50 });
    expect(states(plan)).toEqual({ igniter: 'load', rod: 'along', valve: 'shelf', coil: 'order', board: 'unkept' });
    expect(plan.spent).toBe(50);
    expect(plan.ofCall.get('one')).toBeCloseTo(0.7, 9);
    expect(plan.ofCall.get('two')).toBeCloseTo(0.7, 9);
    expect([plan.standing, plan.mended]).toEqual([expect.closeTo(0.9, 9), expect.closeTo(1.4, 9)]);
  });

  test('once it is loaded there is nothing more to load for as much', () => {
    const loaded = items.map((i) => (i.id === 'igniter' ? kept('igniter', 'igniter', 30, [1, 1]) : i));
    const plan = planLoad({ ...asked, items: loaded, most: 50 });
    expect(states(plan)).toMatchObject({ igniter: 'along', rod: 'along', valve: 'shelf' });
    expect(plan.spent).toBe(50);
  });

  test('what is hardly ever needed is not listed where nobody has it, and still is not mended without it', () => {
    const rare = [call('three', { igniter: 0.5, rod: 0.01, board: 0.012 })];
    const plan = planLoad({ ...asked, calls: rare, most: 50 });
    expect(states(plan)).toEqual({ igniter: 'load', rod: 'along' });
    expect(plan.ofCall.get('three')).toBeCloseTo(1 - 0.012, 9);
    expect(plan.standing).toBeCloseTo(1 - 0.5 - 0.012, 9);
  });

  test('what somebody takes along is paid first, what they leave out is not loaded and not along', () => {
    const plan = planLoad({ ...asked, most: 160, taken: new Set(['valve']), left: new Set(['rod']) });
    expect(states(plan)).toMatchObject({ valve: 'load', igniter: 'shelf', rod: 'shelf' });
    expect(plan.spent).toBe(150);
  });

  test('room instead of money; the most common parts as far as the same room goes', () => {
    const plan = planLoad({
      ...asked,
      measure: 'room',
      most: 15,
      broke: (p) => (p === 'rod' ? 9 : p === 'igniter' ? 4 : 0),
    });
    expect(plan.spent).toBe(5);
    expect(states(plan)['valve']).toBe('shelf');
    expect(plan.common).toBeCloseTo(0.9 + 0.5, 9);
  });
});

describe('what a shop learns of its tests', () => {
  const model = profile('furnace-condensing');
  const look = model.looks.find(({ proposed, before }) => proposed && !before)!;
  const which = `look ${look.id}`;
  const counted = (timed: number, minutes: number, held = 0, misled = 0): CountedTest => ({
    test: which,
    timed,
    logMinutes: timed * Math.log(minutes),
    held,
    misled,
  });

  test('minutes go from what is assumed to what they took, the surer the more often', () => {
    const long = 3 * look.minutes;
    const [few, many] = [2, 200].map((n) => learnTests(model, [counted(n, long)]).minutes[which]!);
    expect(few!.rate).toBeGreaterThan(look.minutes);
    expect(few!.rate).toBeLessThan(many!.rate);
    expect(many!.rate).toBeCloseTo(long, 0);
    expect(many!.high / many!.low).toBeLessThan(few!.high / few!.low);
    expect(few!.assumed).toBe(look.minutes);
    // Four assumed and two of one's own: the mean of their logarithms.
    expect(few!.rate).toBeCloseTo(look.minutes * 3 ** (2 / 6), 9);
  });

  test('looks that mislead more often tell less, and nine in ten intervals hold the true share', () => {
    const learned = learnTests(model, [counted(0, 1, 100, 40)]);
    expect(learned.minutes).toEqual({});
    const worse = withLearnedTests(model, learned).looks.find((l) => l.id === look.id)!;
    expect(worse.tells).toBeLessThan(look.tells);
    expect(worse.tells).toBeGreaterThan(0.6);
    const random = new Random(3);
    let held = 0;
    const trials = 400;
    for (let i = 0; i < trials; i++) {
      // True shares as far from what is assumed as the prior believes them to be: of twenty looks so many.
      const truth = jStat.beta.inv(random.next(), 20 * (1 - look.tells), 20 * look.tells);
      const misled = Array.from({ length: 30 }, () => random.next() < truth).filter(Boolean).length;
      const { low, high } = learnTests(model, [counted(0, 1, 30, misled)]).misleads[which]!;
      if (low <= truth && truth <= high) held++;
    }
    expect(held / trials).toBeGreaterThan(0.85);
    expect(held / trials).toBeLessThan(0.96);
  });

  test('a test that nobody makes is as assumed, one that this family has not is none', () => {
    expect(learnTests(model, [{ ...counted(5, 2), test: 'look at-the-moon' }])).toEqual({ minutes: {}, misleads: {} });
    expect(withLearnedTests(model, { minutes: {}, misleads: {} })).toEqual(model);
  });

  test('a call tells how long its looks and readings took, and whether a look misled', () => {
    const engine = new Engine(model);
    const steps = stepsOf(engine, 'furnace-4-limit-opens');
    const minute = (event: CallEvent, i: number): CallEvent => ({
      ...event,
      at: new Date(Date.parse('2026-01-05T08:00:00Z') + i * 4 * 60_000).toISOString(),
    });
    const events = recordedCase(engine, steps, { standing: 'proved' }).map(minute);
    const { timed } = caseFacts(engine, engine, reduceCall(model, events, { needs: 'met' }))!;
    expect(timed.length).toBeGreaterThan(0);
    for (const { test: of, minutes } of timed) {
      expect(of).toMatch(/^(look|gauge|point|dead|plug|action) /);
      if (minutes !== undefined) expect(minutes % 4).toBe(0);
    }
    expect(timed).toContainEqual(expect.objectContaining({ test: 'look filter', misled: false }));
    // Answered otherwise, the same call proved: that look misled.
    const wrong = events.map((e) => (e.body.type === 'look' ? { ...e, body: { ...e.body, answer: 'clean' } } : e));
    const other = caseFacts(engine, engine, reduceCall(model, wrong, { needs: 'met' }))!;
    expect(other.timed).toContainEqual(expect.objectContaining({ test: 'look filter', misled: true }));
  });

  test('what is set up for a test takes its own part of the time, and a part measured dead its own', () => {
    const engine = new Engine(model);
    const [plug] = model.plugs;
    const told = caseEvents(stepsOf(engine, 'furnace-2-igniter'));
    const { id, seq } = told.at(-1)!;
    const pulled = { power: true, gas: true, call: true, unplugged: [plug!.id], bypassed: [], actions: [] };
    // The last answer is the ohms; six minutes before it the connector was off, and that took two.
    const set = { ...told.at(-1)!, id: 'pulled', body: { type: 'setup', ...pulled } } as CallEvent;
    const minutes = [...told.slice(0, -1).map((_, i) => 5 * i), 5 * told.length - 8, 5 * told.length - 2];
    const timed = (of: readonly CallEvent[]): CallEvent[] =>
      of.map((event, i) => ({
        ...event,
        seq: i + 1,
        at: new Date(Date.parse('2026-01-05T08:00:00Z') + minutes[i]! * 60_000).toISOString(),
      }));
    const events = timed([...told.slice(0, -1), set, { ...told.at(-1)!, id, seq: seq + 1 }]);
    const state = reduceCall(model, events, { needs: 'met' });
    const facts = testFacts(engine, state, state.evidence, state.evidence.items, 1, undefined);
    expect(facts).toContainEqual({ test: `plug ${plug!.id}`, minutes: 2, misled: undefined });
    expect(facts).toContainEqual({ test: 'dead igniter', minutes: 6, misled: undefined });
    const learned = learnTests(model, [{ ...counted(400, 2), test: `plug ${plug!.id}` }]);
    const after = new Engine(withLearnedTests(model, learned)).tests;
    for (const [i, test] of engine.tests.entries()) {
      const off = test.intervention && 'unplug' in test.intervention && test.intervention.unplug === plug!.id;
      const [now, change] = [after[i]!.minutes, learned.minutes[`plug ${plug!.id}`]!.rate - plug!.minutes];
      expect(now).toBeCloseTo(test.minutes + (off ? change : 0), 6);
    }
  });

  test('advice is made by them: a look that takes long is proposed later, and its minutes are said', () => {
    const assumed = assumedRates(model);
    const family = { cases: new Map(), years: 10, untold: 0, makes: new Map(), ages: new Map() };
    const tests = learnTests(model, [counted(300, 40)]);
    const families = { [model.id]: learnFamily(assumed, family, tests) };
    const book = { format: 'zetalysis-rates/1', families } as const;
    expect(isRateBook(JSON.parse(JSON.stringify(book)))).toBe(true);
    const slow = weighedEngine(model, { book, of: { profile: model.id } });
    expect(slow.model.looks.find((l) => l.id === look.id)!.minutes).toBeGreaterThan(30);
    const id = new Engine(model).tests.find(
      (x) => x.question.kind === 'look' && model.looks[x.question.look] === look,
    )!;
    expect(slow.tests.some((x) => x.id === id.id)).toBe(true);
  });
});
