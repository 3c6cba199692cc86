import { TRAINED } from '../src/rules';
import { judgeDeadTest, judgeSparkGap, judgeThermocouple } from '../src/bench';
import { Engine } from '../src/diagnosis';
import { closedContact } from '../src/parts/part-kind';
import { instruction, provesWords } from '../src/presentation';
import { findNet, findPhase } from '../src/profile';
import type { Evidence } from '../src/question';
import { NORMAL_SETUP } from '../src/simulation';
import { USUAL_STANDARD } from '../src/standards';
import { minutesFor } from '../src/test-choice';
import { profile } from './models';

const model = profile('furnace-condensing');
const engine = new Engine(model);
const evidence: Evidence = {
  episodes: [{ setup: NORMAL_SETUP, repaired: [] }],
  items: ['inducer', 'glow'].map((id) => ({
    id,
    episode: 0,
    observation: { kind: 'seen', phase: findPhase(model, id)!.index, answer: id === 'inducer' },
  })),
};
const next = (standard = USUAL_STANDARD) =>
  engine.next({ evidence, declined: new Set(), person: TRAINED, standard }, engine.assess(evidence));

describe('testing standards change limits, kinds and costs, never the appliance', () => {
  const contact = closedContact('contact');
  const reading = (value: number) => ({ kind: 'value', value, dimension: 'resistance' }) as const;

  // Limits of both: common practice, no source.
  test('0.4 Ω across a closed contact is good by one standard and bad by another', () => {
    expect(judgeDeadTest(contact, reading(0.4)).verdict).toBe('good');
    expect(judgeDeadTest(contact, reading(0.4), { ...USUAL_STANDARD, contactOhms: 0.1 }).verdict).toBe('bad');
  });
  test('a winding 15 % off is marginal, or good for those who take 20 %', () => {
    const coil = { branch: '', title: 'coil', low: 12, high: 18 };
    expect(judgeDeadTest(coil, reading(17.2)).verdict).toBe('marginal');
    expect(judgeDeadTest(coil, reading(17.2), { ...USUAL_STANDARD, windingShare: 0.2 }).verdict).toBe('good');
  });
  test('a thermocouple of 18 mV: clean and retest; enough for the 17 mV standard; 37 mV is no fault, and the sign is the meter’s', () => {
    expect(judgeThermocouple(0.018).verdict).toBe('marginal');
    expect(judgeThermocouple(0.018, { ...USUAL_STANDARD, thermocoupleVolts: 0.017 }).verdict).toBe('good');
    expect(judgeThermocouple(-0.037).verdict).toBe('good');
    expect(judgeThermocouple(0.009).verdict).toBe('bad');
    expect(judgeThermocouple(0.022, { ...USUAL_STANDARD, thermocoupleVolts: 0.025 }).verdict).toBe('marginal');
  });
  test('a spark gap of 3/16 in is accepted and noted, or too wide for who takes 1/8 in only', () => {
    const strict = { ...USUAL_STANDARD, sparkGap: 0.003175 };
    expect(judgeSparkGap(0.0032).verdict).toBe('good');
    expect(judgeSparkGap(0.0032, strict).verdict).toBe('good');
    expect(judgeSparkGap(0.0048).verdict).toBe('marginal');
    expect(judgeSparkGap(0.0048, strict).verdict).toBe('bad');
    expect(judgeSparkGap(0.006).verdict).toBe('bad');
    expect(judgeSparkGap(0.001).verdict).toBe('bad');
  });
  test('an igniter inside its maker’s range is good, not marginal: 40 to 90 Ω cold', () => {
    const element = { branch: '', title: 'element, cold', low: 40, high: 90 };
    for (const ohms of [55, 65, 76]) expect(judgeDeadTest(element, reading(ohms)).verdict).toBe('good');
    expect(judgeDeadTest(element, reading(85)).verdict).toBe('marginal');
    expect(judgeDeadTest(element, reading(95)).verdict).toBe('bad');
  });

  test('who probes across pays less for it, and more for dead ohms', () => {
    const across = engine.tests.find((t) => t.id.startsWith('volts R LI'))!;
    const dead = engine.tests.find((t) => t.id === 'ohms limit')!;
    const school = { ...USUAL_STANDARD, probing: 'across' as const };
    expect(minutesFor(model, across, school)).toBe(across.minutes);
    expect(minutesFor(model, across, USUAL_STANDARD)).toBeGreaterThan(across.minutes);
    expect(minutesFor(model, dead, { ...USUAL_STANDARD, probing: 'dead-ohms' })).toBe(dead.minutes);
  });

  test('terminal by terminal: the wiring order, and what each point proves', () => {
    const walk = next({ ...USUAL_STANDARD, order: 'terminal-by-terminal' });
    const orders = walk.map((t) => t.test.order);
    expect(orders).toEqual([...orders].sort((a, b) => a - b));
    expect(walk.length).toBeGreaterThan(3);
    const igniter = {
      kind: 'volts',
      red: findNet(model, 'IP'),
      black: findNet(model, 'N'),
      phase: model.phases[2]!.index,
      input: 'high-impedance',
    } as const;
    expect(provesWords(model, igniter)).toMatch(
      /^Live at IP: control board, connector P3 pin 1 pass, and the break is further on\. Dead at IP/,
    );
    expect(provesWords(model, { ...igniter, red: findNet(model, 'R'), black: findNet(model, 'LI') })).toMatch(
      /high limit.*it is open/,
    );
    expect(provesWords(model, { ...igniter, red: findNet(model, 'L1') })).toMatch(/^Live at L1: the source is there/);
    expect(provesWords(model, { kind: 'outcome' })).toBeUndefined();
  });

  test('volts are asked as what flows there: AC, DC, DC millivolts', () => {
    const asks = (id: 'mobile-furnace' | 'furnace-standing-pilot', prefix: string): string => {
      const e = new Engine(profile(id));
      return instruction(
        e.model,
        e.tests.find((t) => t.id.includes(prefix))!,
      ).act;
    };
    expect(asks('mobile-furnace', 'volts B CH')).toMatch(/^DC volts/);
    expect(asks('furnace-standing-pilot', 'volts SP C')).toMatch(/^AC volts/);
    expect(asks('furnace-standing-pilot', 'thermocouple-off: volts TC')).toMatch(/DC millivolts/);
  });
});
