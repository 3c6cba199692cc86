import * as fc from 'fast-check';
import { Engine } from '@zetalysis/core/diagnosis';
import { findNet, findPart, type Model } from '@zetalysis/core/profile';
import {
  kindOf,
  lineWords,
  type Observation,
  type Prediction,
  type Question,
  readAnswer,
} from '@zetalysis/core/question';
import { FIRST_EPISODE, NORMAL_SETUP, type Setup } from '@zetalysis/core/simulation';
import { parseEntryLine } from '@zetalysis/core/visit';
import { CircuitStates, findFault, leadsOf, run } from '../src/simulation';
import { observationWords } from '../src/presentation/question-words';
import { profile } from './models';
import { traceOf } from './runs';

const predicted = (
  model: Model,
  question: Question,
  faults: readonly string[],
  setup: Partial<Setup> = {},
): Prediction =>
  kindOf(question).predict(
    model,
    { trace: traceOf(model, faults, setup), faults: faults.map((f) => findFault(model, f)) },
    question,
  );
const value = (p: Prediction): number =>
  p.kind === 'number' ? p.value : p.kind === 'volts' ? p.volts : p.kind === 'ohms' ? p.ohms : NaN;

/** What a line means to the engine: the observation, or why it is none. */
function read(model: Model, line: string): Observation | string {
  const parsed = parseEntryLine(lineWords(model), line, undefined);
  if (!parsed.ok) return parsed.message;
  const answer = readAnswer(model, parsed.value);
  return answer.kind === 'observation' ? answer.observation : answer.kind === 'problem' ? answer.message : 'nothing';
}

const phaseOf = (model: Model, id: string) => model.phases.find((p) => p.id === id)!.index;

describe('amperes by a clamp', () => {
  const model = profile('furnace-condensing');
  const draws = (part: string, branch: string, phase: string, ...faults: string[]): number =>
    value(
      predicted(
        model,
        { kind: 'amps', part: findPart(model, part)!.index, branch, phase: phaseOf(model, phase) },
        faults,
      ),
    );

  test('are what Ohm says of a part alone on its source (U / |Z|)', () => {
    const { spec } = findPart(model, 'inducer')!;
    const impedance = Math.hypot(spec['ohms'] as number, spec['reactance'] as number);
    expect(draws('inducer', '', 'inducer')).toBeCloseTo(120 / impedance, 1);
  });

  test('of a carbide igniter lie where a hot one lies on 120 V: 3 to 5 A (common practice, no source)', () => {
    expect(draws('igniter', '', 'glow')).toBeGreaterThan(3);
    expect(draws('igniter', '', 'glow')).toBeLessThan(5);
  });

  test('are more where the motor does not turn, whatever keeps it, and none through an open winding', () => {
    const sound = draws('blower', 'main', 'heating');
    for (const fault of ['blower.seized', 'capacitor.open', 'blower.start-open'])
      expect(draws('blower', 'main', 'heating', fault)).toBeGreaterThan(1.5 * sound);
    expect(draws('blower', 'main', 'heating', 'blower.winding-open')).toBe(0);
  });

  test('are divided by the turns through the jaw; ten of them make a small current certain', () => {
    const once = read(model, '1.7A inducer') as Extract<Observation, { kind: 'amps' }>;
    const ten = read(model, '17A x10 inducer') as Extract<Observation, { kind: 'amps' }>;
    expect(once.reading).toEqual({ kind: 'value', value: 1.7, dimension: 'current' });
    expect(ten.reading).toEqual({ kind: 'value', value: 1.7, dimension: 'current' });
    const little = { kind: 'number', value: 0.2, tolerance: 0, absent: false } as const;
    const fit = (turns: number): number =>
      kindOf(once).fit(
        model,
        { ...once, turns, reading: { kind: 'value', value: 0.28, dimension: 'current' } },
        little,
        { top: 2 },
        undefined,
      ).fit;
    expect(fit(1)).toBeGreaterThan(1000 * fit(10));
  });

  test('on direct current a clamp that does not say it can shows nothing, and nothing is learnt', () => {
    const mobile = profile('mobile-furnace');
    expect(read(mobile, '0A blower')).toBe('nothing');
    expect(read(mobile, '0A ac blower')).toBe('nothing');
    expect(read(mobile, '4.4A dc blower')).toMatchObject({ kind: 'amps', turns: 1 });
  });

  test('a winding has to be named where there are two, and a line says what is missing', () => {
    expect(read(model, '5.3A blower')).toMatch(/Round which wire: main, start/);
    expect(read(model, '5.3A blower main')).toMatchObject({ kind: 'amps', branch: 'main' });
    expect(read(model, '5.3A x99 inducer')).toMatch(/once to 50 times/);
    expect(observationWords(model, read(model, '5.3A blower main') as Observation, { units: 'us' })).toBe(
      'Amps, blower, main: 5.3 A',
    );
  });
});

describe('microfarads', () => {
  const model = profile('furnace-condensing');
  const engine = new Engine(model);
  const told = (line: string) =>
    engine.assess(
      {
        episodes: [FIRST_EPISODE],
        items: [{ id: '1', episode: 0, observation: read(model, line) as Observation }],
      },
      { pairs: false },
    );

  test('are typed as they are shown, and are never ohms', () => {
    for (const line of ['9.8uF capacitor', 'capacitor 9.8 µF', '9.8 mfd capacitor', '9.8 capacitor'])
      expect(read(model, line)).toMatchObject({
        kind: 'farads',
        reading: { value: expect.closeTo(9.8e-6, 12) as number },
      });
    expect(read(model, '9.8 ohm capacitor')).toMatch(/measures resistance; here type microfarads/);
  });

  test('the fewer are left the more it is the capacitor; within its plate it is cleared', () => {
    const share = (uF: number): number =>
      told(`${uF} uF capacitor`).suspects.find((s) => s.repair === 'capacitor:replace')?.probability ?? 0;
    const before = engine
      .assess({ episodes: [FIRST_EPISODE], items: [] }, { pairs: false })
      .suspects.find((s) => s.repair === 'capacitor:replace')!.probability;
    for (const uF of [1.8, 4, 6, 8]) expect([uF, share(uF) > 10 * before]).toEqual([uF, true]);
    for (const uF of [9.4, 10, 10.6]) expect([uF, share(uF) < before]).toEqual([uF, true]);
  });

  test('with too few of them a motor stands and draws what it draws locked; with most of them it runs', () => {
    const turns = (fault: string, at: number): boolean => {
      const capacitor = findPart(model, 'capacitor')!;
      const mode = capacitor.modes.findIndex((m) => `capacitor.${m.id}` === fault && (m.severity?.place ?? 0) === at);
      const trace = run(new CircuitStates(model), [{ part: capacitor.index, mode }], NORMAL_SETUP);
      return trace.outcome === 'runs';
    };
    expect([0, 5].map((at) => turns('capacitor.weak', at))).toEqual([false, true]);
  });
});

describe('what the meter is set to', () => {
  const model = profile('dryer-burner', 'rectified-coils');

  test('a rectified feed of 118 V shows 106.2 V on V⎓ and 51.36 V on V~ (Fourier series of |sin|, coupled by a capacitor)', () => {
    const across = {
      kind: 'volts',
      red: findNet(model, 'HD'),
      black: findNet(model, 'HR'),
      phase: phaseOf(model, 'glow'),
      input: 'high-impedance',
    } as const;
    const stands = value(predicted(model, across as Question, []));
    const shows = (set: 'ac' | 'dc'): number => value(predicted(model, { ...across, function: set } as Question, []));
    expect((shows('dc') / stands) * 118).toBeCloseTo(106.2, 1);
    expect((shows('ac') / stands) * 118).toBeCloseTo(51.36, 1);
  });

  test('it is asked for where it makes a difference, and read from what was typed', () => {
    expect(read(model, '106 V HD HR')).toMatch(/rectified.*Say which: 106 Vdc HD HR or 51 Vac HD HR/);
    for (const line of ['106 Vdc HD HR', '106 V⎓ HD HR', '106Vdc HD HR'])
      expect(read(model, line)).toMatchObject({ kind: 'volts', function: 'dc' });
    expect(read(model, '51 V~ HD HR')).toMatchObject({ kind: 'volts', function: 'ac' });
    expect(read(model, '106 Vdc HD N')).toMatch(/read across the coil/);
  });

  test('the wrong one shows nothing, and says nothing of the appliance', () => {
    expect(read(model, '0 Vdc L1 N')).toMatch(
      /^On V⎓ a meter shows nothing of alternating current; read L1 N again on V~/,
    );
    expect(read(profile('mobile-furnace'), '0 Vac B CH')).toMatch(
      /^On V~ a meter shows nothing of direct current; read B CH again on V⎓/,
    );
    expect(read(model, '119 Vac L1 N')).toMatchObject({ kind: 'volts' });
    expect(read(profile('mobile-furnace'), '12.4 Vdc B CH')).toMatchObject({ kind: 'volts' });
  });

  test('106 V on V⎓ and 51 V on V~ say the same of every part', () => {
    const engine = new Engine(model);
    const shares = (line: string) => {
      const { suspects } = engine.assess(
        { episodes: [FIRST_EPISODE], items: [{ id: '1', episode: 0, observation: read(model, line) as Observation }] },
        { pairs: false },
      );
      return Object.fromEntries(suspects.map((s) => [s.repair, s.probability]));
    };
    const [dc, ac] = [shares('106.6 Vdc HD HR'), shares('51.5 V~ HD HR')];
    for (const [repair, share] of Object.entries(dc))
      if (share > 0.02) expect(Math.abs((ac[repair] ?? 0) / share - 1)).toBeLessThan(0.15);
  });
});

describe('a test lamp', () => {
  const model = profile('furnace-condensing');

  test('lights on the volts of its wires and is dark on none, a ghost included', () => {
    const q = {
      kind: 'lamp',
      red: findNet(model, 'R'),
      black: findNet(model, 'C'),
      phase: phaseOf(model, 'call'),
    } as Question;
    const fit = (lights: boolean, p: Prediction): number =>
      kindOf(q).fit(model, { ...q, lights } as Observation, p, { top: 1 }, undefined).fit;
    const at = (volts: number): Prediction => ({ kind: 'volts', volts, absent: false });
    expect([fit(true, at(26)), fit(true, at(0.2)), fit(true, { kind: 'ghost', absent: false })]).toEqual([1, 0, 0]);
    const volts = fc.double({ min: 0, max: 30, noNaN: true });
    fc.assert(fc.property(volts, volts, (a, b) => a > b || fit(true, at(a)) <= fit(true, at(b)) + 1e-12));
  });

  test('is read from a line, and says what is missing', () => {
    expect(read(model, 'lamp lit R C')).toMatchObject({ kind: 'lamp', lights: true });
    expect(read(model, 'lamp dark R')).toMatchObject({ kind: 'lamp', lights: false });
    expect(read(model, 'lamp R C')).toMatch(/Did it light\?/);
    expect(read(model, 'lamp lit')).toMatch(/Name the two points/);
    expect(read(profile('furnace-standing-pilot'), 'lamp lit TC CH')).toMatch(
      /Name the two points|no lamp lights on millivolts/,
    );
  });
});

describe('ohms between two points as they are wired', () => {
  const model = profile('furnace-condensing');
  const ohms = (faults: string[], setup: Partial<Setup> = {}): number =>
    value(
      predicted(model, { kind: 'between', red: findNet(model, 'GV'), black: findNet(model, 'C') } as Question, faults, {
        power: false,
        heatCall: false,
        ...setup,
      }),
    );

  test('a chafed harness reads next to nothing with the valve plugged in and without it, a sound one its coil', () => {
    const coil = findPart(model, 'gas-valve')!.spec['ohms'] as number;
    expect(Math.abs(ohms([]) / coil - 1)).toBeLessThan(0.1);
    expect(ohms(['valve-harness.short'])).toBeLessThan(0.6 * coil);
    expect(ohms(['valve-harness.short'], { unplugged: ['P2'] })).toBeLessThan(0.6 * coil);
    expect(ohms([], { unplugged: ['P2'] })).toBeGreaterThan(20 * coil);
  });

  test('are read from a line, and never taken for volts', () => {
    expect(read(model, '0.4 ohm GV C')).toMatchObject({ kind: 'between', reading: { value: 0.4 } });
    expect(read(model, 'OL GV C')).toMatchObject({ kind: 'between', reading: { kind: 'open' } });
    expect(read(model, '25 GV C')).toMatchObject({ kind: 'volts' });
  });
});

describe('what is taken apart for now', () => {
  const model = profile('furnace-condensing');

  test('is open meanwhile for all that is read', () => {
    const at = (apart: readonly string[]): number =>
      value(
        predicted(
          model,
          {
            kind: 'volts',
            red: findNet(model, 'GV'),
            black: findNet(model, 'C'),
            phase: phaseOf(model, 'valve'),
            input: 'high-impedance',
          } as Question,
          [],
          { apart },
        ),
      );
    expect(at([])).toBeGreaterThan(20);
    expect(traceOf(model, [], { apart: ['gas-valve'] }).outcome).not.toBe('runs');
    expect(traceOf(model, [], { apart: ['limit'] }).outcome).not.toBe('runs');
    expect(traceOf(model, [], { apart: ['no-such-thing'] }).outcome).toBe('runs');
  });

  test('of a point that feeds several parts, only the lead that is lifted', () => {
    const leads = leadsOf(model, findNet(model, 'R')).map(({ name }) => name);
    expect(leads).toEqual(expect.arrayContaining(['R>thermostat', 'R>limit', 'R>board']));
    expect(traceOf(model, [], { apart: ['R'] }).outcome).toBe('runs');
    expect(traceOf(model, [], { apart: ['R>thermostat'] }).outcome).toBe('dead');
    const noLimit = traceOf(model, [], { apart: ['R>limit'] });
    expect([noLimit.outcome, noLimit.code]).not.toEqual(['runs', 'none']);
    expect(traceOf(model, [], { apart: ['R>nothing'] }).outcome).toBe('runs');
    // A point with one lead needs no more than its name.
    expect(leadsOf(model, findNet(model, 'TC'))).toMatchObject([{ name: 'TC' }]);
  });

  test('a relay at rest passes nothing from COM to NO, unless it is welded', () => {
    const steam = profile('steam-standing-pilot');
    const words = lineWords(steam);
    expect(parseEntryLine(words, 'pump-relay com no OL', undefined)).toMatchObject({
      ok: true,
      value: { type: 'ohms', part: 'pump-relay', branch: 'contact' },
    });
    expect(parseEntryLine(words, 'pump-relay com nc 0', undefined)).toMatchObject({
      ok: false,
      message: expect.stringMatching(/COM to NO/),
    });
    const question = { kind: 'ohms', part: findPart(steam, 'pump-relay')!.index, branch: 'contact' } as Question;
    expect(predicted(steam, question, [])).toMatchObject({ kind: 'ohms', ohms: Infinity });
    expect(value(predicted(steam, question, ['pump-relay.contact-welded']))).toBeLessThan(1);
  });
});
