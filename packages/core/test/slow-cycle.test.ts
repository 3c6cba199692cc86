import { followed, watchedTry } from '../src/analysis';
import { measureVolts } from '../src/circuit';
import { Engine } from '../src/diagnosis';
import { type Hypothesis, predicts } from '../src/inference';
import { predictionBriefly, predictionWords, readingBriefly } from '../src/presentation';
import { kindOf, likelihood, type Observation, type Prediction, type Question } from '../src/question';
import { quantityAt, type Trace } from '../src/simulation';
import { condemned, hypothesis } from './condemned';
import { FAMILIES, profile } from './models';
import { traceOf } from './runs';
import { AS_IT_STANDS, findNet } from '../src/profile';

// What stands for seconds and then changes, again and again: somebody comes in either part of it.

const US = { units: 'us' } as const;

type Volts = Extract<Question, { kind: 'volts' }>;

/** The values a patient person would write down who looks in every 37 ms of a stretch, and how often each. */
function lookedIn(trace: Trace, q: Volts, from: number, to: number): { volts: number | undefined; times: number }[] {
  const looks = (until: number): number => Math.max(0, Math.ceil((until - from) / 37));
  return trace.circuits
    .map((c) => ({ c, times: looks(Math.min(c.to, to)) - looks(Math.min(c.from, to)) }))
    .filter(({ times }) => times > 0)
    .map(({ c, times }) => {
      const measured = measureVolts(c.circuit.solution, q.red, q.black, q.input);
      return { volts: measured.kind === 'volts' ? measured.volts : undefined, times };
    });
}

describe.each(FAMILIES)('slow cycles: %s', (id) => {
  const model = profile(id);
  const engine = new Engine(model);
  const [first] = engine.tests.filter((t) => t.question.kind === 'volts' && !t.intervention);

  test('the parts of a cycle are expected as often as somebody comes in them', () => {
    let slow = 0;
    for (const h of engine.hypotheses.filter((x) => predicts(x) && x.occurs === 1)) {
      const trace = traceOf(
        model,
        h.faults.map((f) => `${model.parts[f.part]!.id}.${model.parts[f.part]!.modes[f.mode]!.id}`),
      );
      const repeats = trace.cycle?.from ?? (trace.cut && trace.outcome === 'cycles' ? 0 : undefined);
      if (repeats === undefined) continue;
      for (const { net, black } of model.points) {
        const q: Volts = { ...(first!.question as Volts), red: net, black, phase: AS_IT_STANDS };
        const p = kindOf(q).predict(model, { trace, faults: h.faults }, q);
        if (p.kind !== 'volts' || !p.shorter) continue;
        slow++;
        const values = lookedIn(trace, q, repeats + (trace.end - repeats > 1000 ? 500 : 0), trace.end);
        // A meter and its reader do not tell apart what differs by less.
        const high = Math.max(...values.map((v) => v.volts ?? 0));
        const near = Math.max(model.levels[net] === 'millivolt' ? 0.002 : 0.6, 0.04 * high);
        const times = (of: typeof values): number => of.reduce((sum, v) => sum + v.times, 0);
        const share = (v: number): number =>
          times(values.filter((x) => x.volts !== undefined && Math.abs(x.volts - v) <= near)) / times(values);
        expect(Math.abs(share(p.shorter.value) - p.shorter.share)).toBeLessThan(0.03);
        expect(share(p.volts)).toBeGreaterThanOrEqual(share(p.shorter.value) - 0.03);
      }
    }
    // These end in a lockout, a reset by hand or a steady state.
    expect(slow > 0).toBe(!['mobile-water-heater', 'pool-heat-pump', 'storage-water-heater'].includes(id));
  });
});

describe('a reading in a slow cycle', () => {
  const engine = new Engine(profile('pool-heater'));
  const { model } = engine;
  const half = hypothesis(engine, 'filter.half-blocked');
  const evidence = watchedTry(engine, half);
  const valve = engine.tests.find((t) => t.id === 'volts GV C call')!.question as Volts;
  const expected = engine.expect(evidence, half, valve) as Extract<Prediction, { kind: 'volts' }>;
  const fit = (value: number): number =>
    likelihood(
      kindOf(valve).fit(
        model,
        { ...valve, reading: { kind: 'value', value, dimension: 'voltage' } },
        expected,
        { top: 30 },
        undefined,
      ),
    );

  test('either value fits, a third does not', () => {
    const { shorter } = expected;
    expect(shorter).toBeDefined();
    expect([expected.volts < 1, shorter!.value > 24]).toEqual([true, true]);
    expect(Math.min(fit(expected.volts), fit(shorter!.value))).toBeGreaterThan(50 * fit(12));
    expect(predictionWords(model, valve, expected, US)).toMatch(/^0 V, at times 2\d\.\d V$/);
  });

  test('beside a point of a drawing, every voltage is said in brief', () => {
    const brief = (p: Prediction): string => predictionBriefly(model, valve, p, US);
    expect(brief(expected)).toMatch(/^0 \/ 2\d\.\d V$/);
    expect(brief({ kind: 'unsteady', low: 15, high: 18, absent: false })).toBe('15–18 V ~');
    expect(brief({ kind: 'ghost', absent: false })).toBe('ghost');
    expect(brief({ kind: 'volts', volts: 26.1, absent: false })).toBe('26.1 V');
    expect(readingBriefly({ kind: 'range', low: 15, high: 18, dimension: 'voltage' }, {}, US)).toBe('15–18 V ~');
  });

  test('a limit that opens and closes is isolated in either state, as long as it stands in each', () => {
    const limit = model.parts.find((p) => p.id === 'water-limit')!;
    const trace = traceOf(model, ['filter.half-blocked']);
    const asked: Question = { kind: 'ohms', part: limit.index, branch: '' };
    const p = kindOf(asked).predict(model, { trace, faults: half.faults }, asked);
    if (p.kind !== 'ohms' || !p.shorter) throw new Error('one state only');
    let open = 0;
    for (let at = 0; at < trace.end; at += 53) {
      const segment = trace.segments.find((s) => s.from <= at && at < s.to)!;
      if (limit.kind.states[segment.partStates[limit.index]!] === 'open') open++;
    }
    const share = open / (trace.end / 53);
    const told = p.ohms === Infinity ? 1 - p.shorter.share : p.shorter.share;
    expect(Math.abs(told - share)).toBeLessThan(0.02);
    expect(predictionWords(model, { kind: 'ohms', part: limit.index, branch: '' }, p, US)).toContain('OL');
  });

  test('a steady appliance has one value, and a quick flicker is no slow cycle', () => {
    const steady = engine.expect(evidence, engine.healthy, valve);
    expect(steady.kind === 'volts' && steady.shorter).toBeUndefined();
    // A shorted coil that resets its control many times a second is read as a wandering display.
    const furnace = profile('furnace-condensing');
    const trace = traceOf(furnace, ['gas-valve.coil-short']);
    const q: Volts = {
      ...valve,
      red: findNet(furnace, 'R'),
      black: findNet(furnace, 'C'),
      phase: furnace.phases.find((p) => p.trial)!.index,
    };
    expect(kindOf(q).predict(furnace, { trace, faults: [] }, q).kind).toBe('unsteady');
  });
});

describe('opened, or failed', () => {
  const engine = new Engine(profile('pool-heater'));
  const { model } = engine;
  const header = model.gauges.find((g) => g.id === 'header')!;
  const value = (h: Hypothesis): number => {
    const p = engine.expect(watchedTry(engine, h), h, { kind: 'gauge', gauge: model.gauges.indexOf(header) });
    return p.kind === 'number' ? p.value : NaN;
  };
  const early = hypothesis(engine, 'water-limit.early');

  test('what a limit opened at is read as the fire goes out, not when the water has cooled', () => {
    const spec = model.parts.find((p) => p.id === 'water-limit')!.spec;
    const opens = spec['opens-at'] as number;
    expect(header.read).toBe('at-once');
    expect(Math.abs(value(hypothesis(engine, 'filter.half-blocked')) - opens)).toBeLessThan(1);
    expect(opens - value(early)).toBeGreaterThan(5);
    // Twenty seconds later it is cooler by as much as the two differ.
    const trace = traceOf(model, ['filter.half-blocked']);
    const window = trace.windows[header.phase]![0]!;
    expect(
      quantityAt(trace, header.quantity, window.from) - quantityAt(trace, header.quantity, window.from + 20_000),
    ).toBeGreaterThan(4);
  });

  test('a limit that did its job is shown by what it opened at: no sound heater comes to that step', () => {
    const half = hypothesis(engine, 'filter.half-blocked');
    const looked = followed(engine, half, watchedTry(engine, half), [
      'volts WS C short-cycle',
      'volts WL C short-cycle',
      'look filter-look',
    ]);
    const gauged = followed(engine, half, looked, ['gauge header']);
    expect(condemned(engine, half, looked)).toBeLessThan(0.999);
    expect(condemned(engine, half, gauged)).toBeGreaterThan(0.999);
  });

  test('a limit that opens is not condemned before everything that overheats it was looked at', () => {
    const open = followed(engine, early, watchedTry(engine, early), [
      'volts WS C short-cycle',
      'volts WL C short-cycle',
    ]);
    const after = (...ids: string[]): number => {
      const all = followed(engine, early, open, ids);
      return condemned(engine, early, all);
    };
    expect(after()).toBeLessThan(0.999);
    expect(after('look filter-look', 'look bypass-look')).toBeLessThan(0.999);
    expect(after('gauge header')).toBeGreaterThan(0.999);
  });

  // Common practice, no source: measure with a tee; more than the make value and still open condemns the switch.
  test('what a switch senses is measured where it can be: looks at its causes do not condemn it', () => {
    const looks = ['look filter-look', 'look bypass-look', 'look regulator-pan'];
    const open = ['volts WS C short-cycle', 'volts WL C short-cycle', ...looks];
    const all = followed(engine, early, watchedTry(engine, early), open);
    expect(condemned(engine, early, all)).toBeLessThan(0.999);

    const furnace = new Engine(profile('furnace-condensing'));
    const failed = hypothesis(furnace, 'pressure-switch.open');
    const after = (...ids: string[]): number => {
      const found = followed(furnace, failed, watchedTry(furnace, failed), ['volts R PS inducer', ...ids]);
      return condemned(furnace, failed, found);
    };
    const causes = ['vent-end', 'hose', 'inducer-wheel', 'trap'].map((id) => `look ${id}`);
    expect(after(...causes)).toBeLessThan(0.999);
    expect(after('gauge draft')).toBeGreaterThan(0.999);
  });

  test('where nothing measures it, everything that may open it must have been looked at', () => {
    const mobile = new Engine(profile('mobile-furnace'));
    const failed = hypothesis(mobile, 'sail-switch.open');
    const looks = mobile.tests.filter((t) => t.question.kind === 'look').map((t) => t.id);
    const after = (...ids: string[]): number => {
      const found = followed(mobile, failed, watchedTry(mobile, failed), ids);
      return condemned(mobile, failed, found);
    };
    const across = mobile.tests
      .filter((t) => t.question.kind === 'ohms' && t.id.includes('sail-switch'))
      .map((t) => t.id);
    expect(across.length).toBeGreaterThan(0);
    expect(after(...across)).toBeLessThan(0.999);
    expect(after(...across, ...looks)).toBeGreaterThan(0.999);
  });
});

describe('the word proved', () => {
  const trap = ['look trap', 'volts PS CS call'];
  const after = (weights: Record<string, number>) => {
    const engine = new Engine(profile('furnace-condensing'), weights);
    const open = hypothesis(engine, 'condensate-switch.open');
    const evidence = followed(engine, open, watchedTry(engine, open), trap);
    const { suspects, proof } = engine.assess(evidence, { pairs: false });
    return { first: suspects[0]!.repair, share: suspects[0]!.probability, standing: proof!.standing };
  };

  test('is not said of what its own tests condemn while the rest leaves doubt', () => {
    expect(after({})).toMatchObject({ first: 'condensate-switch:replace', standing: 'proved' });
    // A shop that meets blocked drains six times as often trusts one look at the trap less.
    const doubted = after({ 'drain.blocked': 6 });
    expect(doubted).toMatchObject({ first: 'condensate-switch:replace', standing: 'suspected' });
    expect(doubted.share).toBeLessThan(0.85);
  });

  test('a control does not show that it acts by a cue that its suspicion contradicts', () => {
    const engine = new Engine(profile('furnace-valve-control'));
    const dead = hypothesis(engine, 'valve-control.dead');
    const watched = watchedTry(engine, dead);
    const misread = {
      ...watched,
      items: watched.items.map((i) => {
        const o = i.observation;
        const pilot = o.kind === 'seen' && engine.model.phases[o.phase]!.id === 'pilot';
        return pilot ? { ...i, observation: { ...o, answer: true } as Observation } : i;
      }),
    };
    const shares = [watched, misread].map((e) => condemned(engine, dead, e));
    expect(shares[1]).toBe(shares[0]);
  });
});
