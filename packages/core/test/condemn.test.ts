import { Engine } from '../src/diagnosis';
import { findNet, findPhase } from '../src/profile';
import { condemn } from '../src/proof/condemn';
import type { Observation } from '../src/question';
import { engine, evidence, model, noGlow, ohms, seen, volts } from './furnace';
import { profile } from './models';

describe('proof is structural', () => {
  const standing = (observations: readonly Observation[]) => {
    const { proof } = engine.assess(evidence(observations));
    return `${proof?.standing}/${proof?.cause?.standing}`;
  };

  test('cues alone never prove, however likely the suspect', () => {
    expect(standing(noGlow)).toBe('suspected/suspected');
    expect(standing([...noGlow, ...noGlow, ...noGlow])).toBe('suspected/suspected');
  });

  test('voltage there and no glow, igniter open: proved', () => {
    expect(standing([...noGlow, volts('IP', 'N', 'glow', 121), ohms('igniter', Infinity)])).toBe('proved/proved');
  });

  test('a good dead value does not prove the part bad', () => {
    const { proof } = engine.assess(evidence([...noGlow, ohms('igniter', 62)]));
    expect(proof && model.parts[proof.part]!.id === 'igniter' && proof.standing === 'proved').toBeFalsy();
  });

  test('an open safety is the break; only what it senses says whether it failed', () => {
    const open: Observation[] = [
      seen('inducer', true),
      seen('glow', false),
      { kind: 'outcome', outcome: 'stuck' },
      { kind: 'code', code: 'amber-quick' },
      volts('R', 'C', 'inducer', 26),
      volts('PS', 'C', 'inducer', 0),
    ];
    const before = engine.assess(evidence(open)).proof!;
    expect(model.parts[before.part]!.id).toBe('pressure-switch');
    expect(before.cause!.standing).toBe('suspected');
    const draft: Observation = {
      kind: 'gauge',
      gauge: model.gauges.findIndex((g) => g.id === 'draft'),
      reading: { kind: 'value', value: 0.86 * 249.089, dimension: 'pressure' },
    };
    expect(engine.assess(evidence([...open, draft])).proof!.cause!.standing).toBe('proved');
  });
});

describe('what condemns a part, and what does not', () => {
  const heatPump = new Engine(profile('pool-heat-pump'));
  const at = (id: string) => findPhase(heatPump.model, id)!.index;
  const read = (red: string, step: string, value: number): Observation => ({
    kind: 'volts',
    red: findNet(heatPump.model, red),
    black: findNet(heatPump.model, 'L2'),
    phase: at(step),
    input: 'high-impedance',
    reading: { kind: 'value', value, dimension: 'voltage' },
  });
  const pulledIn: Observation[] = [
    { kind: 'seen', phase: at('call'), answer: true },
    { kind: 'seen', phase: at('contactor'), answer: true },
    { kind: 'seen', phase: at('runs'), answer: false },
  ];
  const contactor = (observations: readonly Observation[]): number => {
    const { items, hypotheses } = heatPump.assess(evidence(observations), { pairs: false });
    return condemn(
      heatPump.model,
      hypotheses.find((h) => h.id === 'contactor.contact-open')!,
      items,
    ).share;
  };

  test('power in and not out condemns a contact that should be in', () =>
    expect(contactor([...pulledIn, read('LB', 'contactor', 240), read('T1', 'contactor', 0)])).toBe(1));

  test('the same before it pulls in is as it should be', () =>
    expect(contactor([...pulledIn, read('LB', 'call', 240), read('T1', 'call', 0)])).toBeLessThan(0.6));

  const dryer = new Engine(profile('dryer-burner'));
  const dryerCondemns = (id: string, found: readonly Observation[]): number => {
    const { items, hypotheses } = dryer.assess(evidence(found), { pairs: false });
    return condemn(
      dryer.model,
      hypotheses.find((h) => h.id === id)!,
      items,
    ).share;
  };
  const motor = (drumTurns: boolean, fed?: number): number => {
    const look = dryer.model.looks.findIndex((l) => /hum/.test(l.ask));
    const answer = dryer.model.looks[look]!.answers.findIndex((a) => a.when.text.includes('fault(motor.seized)'));
    const phase = dryer.model.phases.find((p) => p.cue.parts.some((i) => dryer.model.parts[i]!.id === 'motor'))!.index;
    const found: Observation[] = [
      { kind: 'seen', phase, answer: drumTurns },
      { kind: 'look', look, answer },
    ];
    if (fed !== undefined)
      found.push({
        kind: 'volts',
        red: findNet(dryer.model, 'MO'),
        black: findNet(dryer.model, 'N'),
        phase,
        input: 'high-impedance',
        reading: { kind: 'value', value: fed, dimension: 'voltage' },
      });
    return dryerCondemns('motor.seized', found);
  };

  test('a motor that hums is condemned when power was measured at it, not against what it was seen to do', () => {
    expect(motor(false)).toBe(0.5);
    expect(motor(false, 3)).toBe(0.5);
    expect(motor(false, 121)).toBe(1);
    expect(motor(true, 121)).toBeLessThan(1);
  });

  test('a careful look at something outside the circuit decides alone', () => {
    const look = dryer.model.looks.findIndex((l) => l.id === 'gas-cock');
    const answers = dryer.model.looks[look]!.answers;
    const shut = answers.findIndex((a) => a.when.text === 'fault(gas-cock.shut)');
    expect(dryerCondemns('gas-cock.shut', [{ kind: 'look', look, answer: shut }])).toBe(1);
    expect(dryerCondemns('gas-cock.shut', [{ kind: 'look', look, answer: 1 - shut }])).toBe(0);
  });

  test('a control is not condemned before its lone sensor was looked at', () => {
    const heater = new Engine(profile('storage-water-heater'));
    const { model: own } = heater;
    const step = (id: string) => findPhase(own, id)!.index;
    const look = (id: string, answer: string): Observation => {
      const index = own.looks.findIndex((l) => l.id === id);
      return { kind: 'look', look: index, answer: own.looks[index]!.answers.findIndex((a) => a.id === answer) };
    };
    const fed: Observation[] = [
      { kind: 'code', code: 'dark' },
      { kind: 'seen', phase: step('pilot'), answer: true },
      { kind: 'seen', phase: step('valve'), answer: false },
      {
        kind: 'volts',
        red: findNet(own, 'TV'),
        black: findNet(own, 'G'),
        phase: step('pilot'),
        input: 'high-impedance',
        reading: { kind: 'value', value: 0.43, dimension: 'voltage' },
      },
      look('dial-look', 'right'),
    ];
    const control = (observations: readonly Observation[]): number => {
      const { items, hypotheses } = heater.assess(evidence(observations), { pairs: false });
      return condemn(
        own,
        hypotheses.find((h) => h.id === 'control.dead')!,
        items,
      ).share;
    };
    expect(control(fed)).toBeLessThan(1);
    expect(control([...fed, look('sensor-ohms', 'fits')])).toBe(1);
  });
});
