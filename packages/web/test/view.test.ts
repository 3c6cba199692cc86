import { TRAINED } from '@zetalysis/core/rules';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { Engine } from '@zetalysis/core/diagnosis';
import {
  drawingOf,
  instructionWords,
  proofView,
  testsView,
  viewOf,
  type ViewOptions,
} from '@zetalysis/core/presentation';
import { loadProfile } from '@zetalysis/core/profile';
import { type TestingStandard, USUAL_STANDARD } from '@zetalysis/core/standards';
import { type EventBody, reduceCall } from '@zetalysis/core/visit';
import { logged } from './events';

const source = readFileSync(join(__dirname, '../../../profiles/furnace-condensing.yaml'), 'utf8');
const engine = new Engine(loadProfile(source, 'furnace-condensing.yaml'));
const options: ViewOptions = { units: 'us', person: TRAINED, phase: undefined, standard: USUAL_STANDARD };

const log = (...bodies: EventBody[]) => logged(bodies);
const look = (...bodies: EventBody[]) => {
  const state = reduceCall(engine.model, log(...bodies));
  const assessment = engine.assess(state.evidence);
  return { state, assessment, view: viewOf(engine, state, assessment, options) };
};
const seen = (phase: string, answer: 'yes' | 'no'): EventBody => ({ type: 'seen', phase, answer });
const volts = (red: string, black: string, value: number, phase?: string): EventBody => ({
  type: 'volts',
  red,
  black,
  reading: { kind: 'value', value, dimension: 'voltage' },
  typed: `${value}`,
  ...(phase === undefined ? {} : { phase }),
});
const setup = (change: object): EventBody => ({
  type: 'setup',
  power: true,
  gas: true,
  call: true,
  unplugged: [],
  bypassed: [],
  ...change,
});
const noGlow = [seen('call', 'yes'), seen('inducer', 'yes'), seen('glow', 'no'), seen('valve', 'yes')];

describe('what the call page shows', () => {
  test('can be sent from a worker: plain data only', () => {
    expect(() => structuredClone(drawingOf(engine.model))).not.toThrow();
    expect(() => structuredClone(look(...noGlow).view)).not.toThrow();
  });

  test('the burn front is the first step that did not come, and the ladder follows it', () => {
    const { view } = look(...noGlow);
    expect(view.cord.beads.filter((b) => b.front).map((b) => b.id)).toEqual(['glow']);
    expect(view.at).toBe('glow');
  });

  test('after a change of setup the cord keeps what was seen, until something is seen anew', () => {
    expect(look(...noGlow, setup({ unplugged: ['P3'] })).view.cord.beads.find((b) => b.id === 'glow')!.answer).toBe(
      'no',
    );
    const anew = look(...noGlow, setup({ unplugged: ['P3'] }), seen('inducer', 'no')).view;
    expect(anew.cord.beads.find((b) => b.front)!.id).toBe('inducer');
  });

  test('power is drawn live where all suspects agree, unknown where they do not, and measured values stand at their points', () => {
    const { view } = look(...noGlow);
    expect(view.ladder.nets['L1D']!.state).toBe('live');
    expect(view.ladder.nets['IP']!.state).toBe('unknown');
    const meter: EventBody = { type: 'need', need: 'meter', answer: 'met' };
    const nought = volts('IP', 'N', 0, 'glow');
    // Nothing on line voltage counts as dead when the meter was proved before and after.
    const measured = look(...noGlow, meter, nought, meter).view;
    expect(measured.ladder.nets['IP']).toMatchObject({ state: 'dead', measured: '0 V' });
    const unproved = look(...noGlow, meter, nought).view;
    expect(unproved.ladder.nets['IP']!.state).toBe('unknown');
    expect(unproved.log.at(-1)!.marks).toEqual([expect.stringMatching(/prove the meter again/)]);
  });

  test('commons are neither live nor dead', () => {
    expect(look().view.ladder.nets['C']).toBeUndefined();
    expect(look().view.ladder.nets['N']).toBeUndefined();
  });

  test('shares and the rest sum to one', () => {
    const { view } = look(...noGlow);
    expect(view.suspects.reduce((s, x) => s + x.probability, 0) + view.rest).toBeCloseTo(1, 6);
  });

  test('a dead test is judged in the log; what was taken back is marked', () => {
    const { view } = look(
      {
        type: 'ohms',
        part: 'gas-valve',
        branch: '',
        typed: '0.2',
        reading: { kind: 'value', value: 0.2, dimension: 'resistance' },
      },
      { type: 'retracted', event: 'e0' },
    );
    expect(view.log[0]).toMatchObject({ retracted: true, undoable: false });
    expect(view.log[0]!.words).toMatch(/out of limits \(12 Ω to 18 Ω\)/);
  });

  test('a spark gap is judged as the standard wants it', () => {
    const text = readFileSync(join(__dirname, '../../../profiles/hydronic-boiler.yaml'), 'utf8');
    const boiler = new Engine(loadProfile(text, 'hydronic-boiler.yaml'));
    const gap: EventBody = {
      type: 'gauge',
      gauge: 'spark-gap',
      typed: '3/16 in',
      reading: { kind: 'value', value: 0.0047625, dimension: 'length' },
    };
    const state = reduceCall(boiler.model, log(gap));
    const words = (standard: TestingStandard) =>
      viewOf(boiler, state, boiler.assess(state.evidence, { pairs: false }), { ...options, standard }).log[0]!.words;
    expect(words(USUAL_STANDARD)).toMatch(/Gap of the spark electrode: 0\.188 inch is accepted; note it/);
    expect(words({ ...USUAL_STANDARD, sparkGap: 0.003175 })).toMatch(/too wide/);
  });

  test('the proposed tests say what to do, what is good, what each answer means, and carry the line-voltage caution', () => {
    const { state, assessment } = look(
      ...noGlow,
      { type: 'outcome', outcome: 'locks-out' },
      { type: 'code', code: 'red-quick' },
    );
    const ranked = engine.next({ evidence: state.evidence, declined: new Set(), person: TRAINED }, assessment);
    const tests = testsView(engine, state, assessment, ranked, options);
    expect(tests.length).toBeGreaterThanOrEqual(3);
    // Beyond the first three stands only what can be asked on the telephone.
    expect(tests.slice(3).every((t) => t.byTelephone)).toBe(true);
    for (const t of tests.slice(0, 3)) {
      expect(instructionWords(t.instruction).length).toBeGreaterThan(20);
      expect(t.why.length).toBeGreaterThan(0);
      if (t.line) expect(t.cautions.join(' ')).toMatch(/Line voltage/);
    }
  });

  test('units follow the person', () => {
    const draft: EventBody = {
      type: 'gauge',
      gauge: 'draft',
      typed: '0.6 inwc',
      reading: { kind: 'value', value: 149.45, dimension: 'pressure' },
    };
    const state = reduceCall(engine.model, log(draft));
    const si = viewOf(engine, state, engine.assess(state.evidence), { ...options, units: 'si' });
    expect(si.log[0]!.words).toMatch(/149 Pa/);
    expect(look(draft).view.log[0]!.words).toMatch(/0\.6 in w\.c\./);
  });

  test('the endings show what was answered, until something is changed or it is taken back', () => {
    const answered: EventBody[] = [
      { type: 'outcome', outcome: 'locks-out' },
      { type: 'code', code: 'red-quick' },
    ];
    expect(look(...noGlow).view.cord.ending).toEqual({ outcome: undefined, code: undefined });
    expect(look(...answered).view.cord.ending).toEqual({ outcome: 'locks-out', code: 'red-quick' });
    expect(look(...answered, { type: 'code', code: 'none' }).view.cord.ending.code).toBe('none');
    expect(look(...answered, setup({ unplugged: ['P3'] })).view.cord.ending).toEqual({
      outcome: undefined,
      code: undefined,
    });
    expect(look(...answered, { type: 'retracted', event: 'e0' }).view.cord.ending).toEqual({
      outcome: undefined,
      code: 'red-quick',
    });
  });

  test('what was seen before something was unplugged is marked as before; the power off for a dead test is no change', () => {
    const bead = (...bodies: EventBody[]) => look(...noGlow, ...bodies).view.cord.beads.find((b) => b.id === 'glow')!;
    expect(bead()).toMatchObject({ answer: 'no', stale: false });
    expect(bead(setup({ power: false }))).toMatchObject({ answer: 'no', stale: false });
    expect(bead(setup({ unplugged: ['P3'] }))).toMatchObject({ answer: 'no', stale: true });
    const anew: EventBody = { type: 'seen', phase: 'glow', answer: 'yes' };
    expect(bead(setup({ unplugged: ['P3'] }), anew)).toMatchObject({ answer: 'yes', stale: false });
  });

  test('a bypass and a plug that is apart are drawn where they are', () => {
    const { ladder } = look(setup({ bypassed: ['limit'], unplugged: ['P3'] })).view;
    expect(ladder.bypassed).toEqual(['limit']);
    expect(ladder.apart.length).toBeGreaterThan(0);
    expect(ladder.apart.every((id) => id.startsWith('P3/'))).toBe(true);
  });

  test('a point that this version of the profile does not have is told in the log, and breaks nothing', () => {
    const { view } = look(...noGlow, volts('ZZ', 'C', 24));
    expect(view.log.some((l) => l.words.includes('ZZ C') && l.words.endsWith(': 24 V'))).toBe(true);
    expect(view.suspects.length).toBeGreaterThan(0);
  });
});

describe('what if', () => {
  const pilotSource = readFileSync(join(__dirname, '../../../profiles/furnace-standing-pilot.yaml'), 'utf8');
  const pilot = new Engine(loadProfile(pilotSource, 'furnace-standing-pilot.yaml'));
  const world = (whatIf: string | undefined) => {
    const state = reduceCall(pilot.model, log(seen('call', 'yes')));
    return viewOf(pilot, state, pilot.assess(state.evidence), { ...options, whatIf, phase: 'pilot' });
  };

  test('a thermocouple is read in millivolts everywhere, the valve’s 24 V in volts', () => {
    const state = reduceCall(
      pilot.model,
      log(seen('call', 'yes'), volts('TC', 'CH', 0.2, 'pilot'), volts('R', 'C', 0.2, 'pilot')),
    );
    const view = viewOf(pilot, state, pilot.assess(state.evidence), { ...options, phase: 'pilot' });
    const words = view.log.map((l) => l.words).join('\n');
    expect(words).toContain('TC–CH: 200 mV, pilot burns. As open circuit: 200 mV is strong.');
    expect(words).toContain('R–C: 0.2 V, pilot burns');
    expect(view.cord.beads.find((b) => b.id === 'pilot')!.readings).toEqual(['TC–CH 200 mV', 'R–C 0.2 V']);
    expect(view.ladder.nets['TC']!.measured).toBe('200 mV');
    expect(view.ladder.nets['TC']!.good).toMatch(/^\d+(\.\d+)? mV$/);
  });

  test('a suspect’s world: what would not come and what would read otherwise is marked, in millivolts as in volts', () => {
    const view = world('thermocouple.weak');
    expect(view.whatIf).toContain('thermocouple is worn');
    expect(view.cord.beads.find((b) => b.id === 'fire')!.there).toEqual({ comes: false, differs: true });
    const sound = view.cord.beads.find((b) => b.there?.comes)!;
    expect(sound.there).toEqual({ comes: true, at: sound.expectedAt, differs: false });
    expect(view.ladder.nets['TC']!.there!.differs).toBe(true);
    expect(view.ladder.nets['R']!.there!.differs).toBe(false);
    expect(view.ladder.nets['R']!.state).toBe('live');
  });
  test('without one, nothing is marked', () => {
    const view = world(undefined);
    expect(view.whatIf).toBeUndefined();
    expect(view.cord.beads.every((b) => b.there === undefined)).toBe(true);
  });
  test('a machine without a flame has no gas to shut', () => {
    const source = readFileSync(join(__dirname, '../../../profiles/pool-heat-pump.yaml'), 'utf8');
    expect(drawingOf(loadProfile(source, 'p', {})).gas).toBe(false);
    expect(drawingOf(pilot.model).gas).toBe(true);
  });
});

describe('what it would take to prove a suspect', () => {
  const ask = (repair: string, ...bodies: EventBody[]) => {
    const { state, assessment } = look(...bodies);
    return proofView(engine, state, assessment, repair, options);
  };

  test('an igniter that does not glow: its volts and its ohms, in minutes', () => {
    const proof = ask('igniter:replace', ...noGlow)!;
    expect(proof.whole).toBe(true);
    const titles = proof.tests.map((t) => t.title).join('; ');
    expect(titles).toMatch(/igniter/i);
    expect(proof.minutes).toBeCloseTo(
      proof.tests.reduce((sum, t) => sum + t.minutes, 0),
      9,
    );
  });

  test('what was measured is not asked for again, and what is proved needs nothing', () => {
    const proved = [
      ...noGlow,
      volts('IP', 'N', 121, 'glow'),
      setup({ power: false }),
      { type: 'need', need: 'isolated', of: 'igniter', answer: 'met' } as EventBody,
      { type: 'ohms', part: 'igniter', branch: '', reading: { kind: 'open', dimension: 'resistance' } } as EventBody,
    ];
    expect(ask('igniter:replace', ...proved)?.tests ?? []).toEqual([]);
  });

  test('nobody proves that nothing is wrong', () => {
    expect(ask('none', ...noGlow)).toBeUndefined();
    expect(ask('no-such:replace', ...noGlow)).toBeUndefined();
  });
});
