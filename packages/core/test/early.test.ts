import { Engine, standingOf } from '@zetalysis/core/diagnosis';
import { EVERYTHING } from '@zetalysis/core/rules';
import { findPhase } from '@zetalysis/core/profile';
import { lineWords, type Observation } from '@zetalysis/core/question';
import { FIRST_EPISODE } from '@zetalysis/core/simulation';
import { millis } from '@zetalysis/core/units';
import { loadCase, observationOfEntry, readField } from '@zetalysis/core/visit';
import { observationWords } from '../src/presentation/question-words';
import { FAMILIES, profile } from './models';

const minutes = (n: number): number => millis(60 * n);

const told = (model: ReturnType<typeof profile>, ...observations: Observation[]) => {
  const engine = new Engine(model);
  const evidence = {
    episodes: [FIRST_EPISODE],
    items: observations.map((observation, i) => ({ id: `${i}`, episode: 0, observation })),
  };
  const assessment = engine.assess(evidence, { pairs: false });
  const share = (repair: string): number => assessment.suspects.find((s) => s.repair === repair)?.probability ?? 0;
  return { engine, evidence, assessment, share };
};

// What was seen of it before it stood: common practice, no source.
describe('it runs after a reset, and goes off again', () => {
  test.each([
    ['furnace-condensing', ['heat-exchanger.cracked', 'main-orifice.unconverted']],
    ['furnace-valve-control', ['heat-exchanger.cracked', 'main-orifice.unconverted']],
    ['steam-standing-pilot', ['chimney.blocked', 'flame-path.sooted', 'main-orifice.unconverted']],
  ])('leads to what trips a reset while it burns: %s', (id, tripping) => {
    const { assessment } = told(profile(id), { kind: 'told', complaint: 'after-reset' });
    const { hypotheses, probabilities } = assessment;
    const gained = hypotheses.filter((h) => h.kind === 'fault' && probabilities[h.index]! > 2 * h.prior);
    expect(gained.map((h) => h.family).sort()).toEqual(tripping);
  });
});

// The five-minute delay against short cycling, and that it is late only beyond 1.3 times its longest: common practice, no source.
describe('nothing yet, so many minutes after the call', () => {
  const model = profile('pool-heat-pump');
  const phase = findPhase(model, 'contactor')!.index;
  const nothing = (after?: number): Observation => ({
    kind: 'seen',
    phase,
    answer: false,
    ...(after !== undefined && { after: minutes(after) }),
  });
  const fed: Observation[] = [{ kind: 'seen', phase: findPhase(model, 'call')!.index, answer: true }];

  test('says nothing against a delay of five minutes while it may still be waiting', () => {
    const before = told(model, ...fed).share('delay:replace');
    for (const after of [0.5, 2, 3.5])
      expect(told(model, ...fed, nothing(after)).share('delay:replace') / before).toBeCloseTo(1, 1);
  });

  test('says the more the longer one waited, and all of it beyond 1.3 times its longest', () => {
    const shares = [2, 4.5, 5.5, 7, 20].map((after) => told(model, ...fed, nothing(after)).share('delay:replace'));
    for (let i = 1; i < shares.length; i++) expect(shares[i]!).toBeGreaterThanOrEqual(shares[i - 1]! - 1e-9);
    expect(shares[3]!).toBeCloseTo(told(model, ...fed, nothing()).share('delay:replace'), 2);
    const odds = (after: number): number => {
      const { engine, assessment } = told(model, ...fed, nothing(after));
      const delay = engine.hypotheses.find((h) => h.id === 'delay.open')!;
      return assessment.probabilities[delay.index]! / assessment.probabilities[engine.healthy.index]!;
    };
    expect(odds(7)).toBeGreaterThan(5 * odds(2));
  });

  test('volts that are not through the delay yet prove nothing of it, and the same after seven minutes do', () => {
    const net = (name: string) => model.nets.indexOf(name) as never;
    const volts = (red: string, value: number, after: number): Observation => ({
      kind: 'volts',
      red: net(red),
      black: net('C'),
      phase: -1 as never,
      input: 'high-impedance',
      reading: { kind: 'value', value, dimension: 'voltage' },
      after: minutes(after),
    });
    const looked = (after: number) =>
      told(model, ...fed, nothing(after), volts('LP', 26, after), volts('TD', 0.2, after));
    expect(standingOf(looked(2).assessment)).toBe('suspected');
    expect(looked(2).share('delay:replace')).toBeLessThan(0.3);
    expect(looked(7).assessment.suspects[0]?.repair).toBe('delay:replace');
    expect(looked(7).share('delay:replace')).toBeGreaterThan(2 * looked(2).share('delay:replace'));
  });

  test('is worth another look once the slowest sound delay is over, and not after that', () => {
    const { engine, evidence, assessment } = told(model, ...fed, nothing(2));
    const [waiting] = [...engine.waiting(evidence, assessment).values()];
    expect(waiting?.item.id).toBe('1');
    expect(waiting!.until / 60_000).toBeGreaterThanOrEqual(6.5);
    expect(waiting!.until / 60_000).toBeLessThan(9);
    const again = engine
      .next({ evidence, declined: new Set(), person: EVERYTHING }, assessment)
      .find((r) => r.test.id === 'seen contactor');
    expect(again!.minutes).toBeGreaterThan(waiting!.until / 60_000 - 2);
    const late = told(model, ...fed, nothing(20));
    expect(late.engine.waiting(late.evidence, late.assessment).size).toBe(0);
  });
});

describe('a moment of a run', () => {
  test.each(FAMILIES)('%s: once a run is over, its moment is its end', (id) => {
    const model = profile(id);
    const engine = new Engine(model);
    const { trace } = engine.traces.last([], [FIRST_EPISODE]);
    const after = trace.end + 1;
    for (const phase of model.phases) {
      const question = { kind: 'seen', phase: phase.index } as const;
      expect(engine.traces.predict([], [FIRST_EPISODE], { ...question, after })).toEqual(
        engine.traces.predict([], [FIRST_EPISODE], question),
      );
    }
  });

  test.each(FAMILIES)(
    '%s: what a sound one has not come to yet is no surprise before its time, and comes after it',
    (id) => {
      const model = profile(id);
      const engine = new Engine(model);
      const { trace } = engine.traces.last([], [FIRST_EPISODE]);
      for (const { index, unwanted } of model.phases) {
        const [first] = trace.cues[index]!;
        if (unwanted || !first || first.from < 2000) continue;
        const at = (after: number) => engine.traces.predict([], [FIRST_EPISODE], { kind: 'seen', phase: index, after });
        expect(at(first.from - 1)).toMatchObject({ answer: 0 });
        expect(at(first.from + 1)).toMatchObject({ answer: 1 });
      }
    },
  );

  test('a code read while it still tries is that moment’s code: the lockout code is no part of it yet', () => {
    const model = profile('furnace-condensing');
    const engine = new Engine(model);
    const broken = engine.hypotheses.find((h) => h.id === 'igniter.open')!;
    const { trace } = engine.traces.last(broken.faults, [FIRST_EPISODE]);
    expect(trace.lockedOutAt).toBeGreaterThan(60_000);
    const early = engine.traces.predict(broken.faults, [FIRST_EPISODE], { kind: 'code', after: 5000 });
    expect(early).not.toEqual(engine.traces.predict(broken.faults, [FIRST_EPISODE], { kind: 'code' }));
    expect(engine.traces.predict(broken.faults, [FIRST_EPISODE], { kind: 'outcome', after: 5000 })).not.toEqual(
      engine.traces.predict(broken.faults, [FIRST_EPISODE], { kind: 'outcome' }),
    );
  });
});

describe('how a moment is written', () => {
  const model = profile('furnace-condensing');
  const names = lineWords(model);

  test('behind a reading, in the field: the log says it', () => {
    const read = readField(names, '0 V MV C after 2 min', {});
    expect(read).toMatchObject({ ok: true, value: { body: { type: 'volts', red: 'MV', after: 120 } } });
    const observation = observationOfEntry(model, read.ok ? read.value.body : ({} as never))!;
    expect(observation.after).toBe(120_000);
    expect(observationWords(model, observation, { units: 'us' })).toMatch(/, 2 min after the call$/);
  });

  test.each([
    ['0.2 ohm gas-valve after 2 min', /no moment/],
    ['24 MV C after lunch', /After how long\?/],
    ['24 MV C after 3 psi', /After how long\?/],
  ])('%s is refused with a reason', (typed, message) => {
    const read = readField(names, typed, {});
    expect(read.ok).toBe(false);
    expect(read.ok ? '' : read.message).toMatch(message);
  });

  test('beside what was found, in a case', () => {
    const head = 'format: zetalysis-case/1\ntitle: t\nprofile: furnace-condensing\nevents:\n';
    const read = loadCase(`${head}  - {outcome: dead, after: 90 s}\n`, 'a.yaml', model);
    expect(read.steps[0]).toMatchObject({ event: { type: 'outcome', outcome: 'dead', after: 90 } });
    expect(() => loadCase(`${head}  - {note: hello, after: 90 s}\n`, 'a.yaml', model)).toThrow(
      /belongs to what is seen/,
    );
    expect(() => loadCase(`${head}  - {outcome: dead, after: 90}\n`, 'a.yaml', model)).toThrow(/needs a unit/);
  });
});
