import { TRAINED } from '../src/rules';
import { followed, proofOutlook, watchedTry } from '../src/analysis';
import { Engine } from '../src/diagnosis';
import { waysOfFailing } from '../src/inference';
import { testTitle } from '../src/presentation';
import { findNet, findPhase } from '../src/profile';
import { commandedAt } from '../src/proof/commanded';
import type { Evidence, Observation } from '../src/question';
import { type Episode, FIRST_EPISODE } from '../src/simulation';
import { USUAL_STANDARD } from '../src/standards';
import { goesRoundSafety, mayPropose, minutesFor } from '../src/test-choice';
import { stillPrepared } from '../src/test-choice/tests';
import { condemned, hypothesis } from './condemned';
import { profile } from './models';

const standing = (engine: Engine, evidence: Evidence) => {
  const { suspects, proof } = engine.assess(evidence, { pairs: false });
  return { first: suspects[0]!.repair, proved: proof?.standing === 'proved' };
};
/** The evidence with some cues answered the other way. */
const flipped = (engine: Engine, evidence: Evidence, ...phases: string[]): Evidence => ({
  ...evidence,
  items: evidence.items.map((i) =>
    i.observation.kind === 'seen' && phases.includes(engine.model.phases[i.observation.phase]!.id)
      ? { ...i, observation: { ...i.observation, answer: !i.observation.answer } }
      : i,
  ),
});
const nobody: ReadonlySet<string> = new Set();
const proposed = (engine: Engine, evidence: Evidence): string[] =>
  engine
    .next({ evidence, declined: nobody, person: TRAINED }, engine.assess(evidence, { pairs: false }))
    .map((t) => t.test.id);

describe('what is no proof', () => {
  test('a cock that stands along the pipe is not proved shut, however empty the pipe is', () => {
    const engine = new Engine(profile('steam-standing-pilot'));
    const shut = hypothesis(engine, 'gas-cock.shut');
    const gauged = followed(engine, shut, watchedTry(engine, shut), [
      'gauge gas-inlet',
      'look flame-shape',
      'look gas-on',
    ]);
    expect(standing(engine, followed(engine, shut, gauged, ['look gas-cock']))).toEqual({
      first: 'gas-cock:correct',
      proved: true,
    });
    const cock = engine.model.looks.findIndex((l) => l.id === 'gas-cock');
    const along = engine.model.looks[cock]!.answers.findIndex((a) => a.id === 'along');
    const denied: Evidence = {
      ...gauged,
      items: [...gauged.items, { id: 'l', episode: 0, observation: { kind: 'look', look: cock, answer: along } }],
    };
    expect(standing(engine, denied).proved).toBe(false);
  });

  test('a relay whose contact is open is not proved bad until its coil was measured live', () => {
    const engine = new Engine(profile('furnace-valve-control'));
    const relay = hypothesis(engine, 'fan-relay.contact-open');
    const contact = followed(engine, relay, watchedTry(engine, relay), [
      'volts BV C blower',
      'volts L1D N blower',
      'volts BL N blower',
    ]);
    expect(standing(engine, contact).proved).toBe(false);
    const coil = followed(engine, relay, contact, ['volts FD C blower']);
    expect(standing(engine, coil)).toEqual({ first: 'fan-relay:replace', proved: true });
  });

  test('an output is missed only where a sound control commands it all the time', () => {
    const engine = new Engine(profile('furnace-valve-control'));
    const { model } = engine;
    const at = (output: string): string[] =>
      commandedAt(
        model,
        model.controller!.outputs.findIndex((o) => o.id === output),
      ).map((p) => model.phases[p]!.id);
    expect(at('igniter')).toEqual(['glow']);
    expect(at('fan')).toEqual(['main-click', 'blower']);
    // The fan's lead is off its plug: the try stops and starts again, and in the pauses nothing is commanded.
    const dead = hypothesis(engine, 'valve-control.fan-dead');
    const watched = followed(engine, dead, watchedTry(engine, dead), ['volts VR C call']);
    const readAt = (step: string): number => {
      const found = followed(engine, dead, watched, [`volts FO VC ${step}`]);
      return condemned(engine, dead, found);
    };
    expect(readAt('call')).toBeLessThan(0.999);
    expect(readAt('main-click')).toBeGreaterThan(0.999);
  });

  test('a dead control was fed in the kind of try in which it did nothing, not only while the knob was held', () => {
    const engine = new Engine(profile('storage-water-heater'));
    const dead = hypothesis(engine, 'control.dead');
    const held = followed(engine, dead, watchedTry(engine, dead), [
      'action hold-knob: volts TV G pilot',
      'look dial-look',
      'look sensor-ohms',
    ]);
    expect(condemned(engine, dead, held)).toBeLessThan(0.999);
    const fed = followed(engine, dead, held, ['volts TV G pilot']);
    expect(condemned(engine, dead, fed)).toBeGreaterThan(condemned(engine, dead, held));
  });

  test('one thing seen wrongly is forgiven, two are not', () => {
    const engine = new Engine(profile('furnace-condensing'));
    const igniter = hypothesis(engine, 'igniter.open');
    const proved = followed(engine, igniter, watchedTry(engine, igniter), ['volts IP N glow', 'ohms igniter']);
    expect(standing(engine, proved)).toEqual({ first: 'igniter:replace', proved: true });
    expect(standing(engine, flipped(engine, proved, 'flame')).proved).toBe(true);
    expect(standing(engine, flipped(engine, proved, 'flame', 'steady')).proved).toBe(false);
  });

  test('a power supply that sinks is not proved bad while its load hangs on it', () => {
    const engine = new Engine(profile('combi-condensing'));
    const dead = hypothesis(engine, 'power-supply.dead');
    const loaded = followed(engine, dead, watchedTry(engine, dead), [
      'volts L1S N call',
      'volts LF N call',
      'volts V24 V0 call',
    ]);
    expect(standing(engine, loaded).proved).toBe(false);
  });
});

describe('what comes and goes', () => {
  test('a gauge that nothing else changes condemns by itself, one that much else disturbs does not', () => {
    const combi = new Engine(profile('combi-condensing'));
    const water = hypothesis(combi, 'system-water.low');
    const open = followed(combi, water, watchedTry(combi, water), ['volts V24 V0 call', 'volts WP V0 call']);
    expect(standing(combi, open)).toEqual({ first: water.repair, proved: false });
    expect(standing(combi, followed(combi, water, open, ['gauge water-pressure'])).proved).toBe(true);
    const boiler = new Engine(profile('hydronic-boiler'));
    const gap = hypothesis(boiler, 'spark.wide');
    expect(standing(boiler, followed(boiler, gap, watchedTry(boiler, gap), ['gauge spark-gap'])).proved).toBe(true);
    const furnace = new Engine(profile('furnace-condensing'));
    const gas = hypothesis(furnace, 'gas-supply.low');
    const gauge = furnace.tests.find(({ question: q }) => {
      const quantity =
        q.kind === 'gauge' ? furnace.model.quantities[furnace.model.gauges[q.gauge]!.quantity]! : undefined;
      return quantity?.rules.some((r) => r.when?.text.includes('fault(gas-supply.')) === true;
    })!;
    expect(standing(furnace, followed(furnace, gas, watchedTry(furnace, gas), [gauge.id])).proved).toBe(false);
  });

  test('a tripped switch that clicks in and then holds is proved, though a loose wire could have come right just then', () => {
    const engine = new Engine(profile('pool-heat-pump'));
    const tripped = hypothesis(engine, 'high-pressure.tripped');
    const found = followed(engine, tripped, watchedTry(engine, tripped), [
      'volts R C call',
      'look air-look',
      'volts PS C call',
      'volts TD C call',
      'look high-button',
      'look filter-look',
    ]);
    expect(standing(engine, found).proved).toBe(false);
    expect(standing(engine, followed(engine, tripped, found, ['action reset-high-pressure: outcome']))).toEqual({
      first: 'high-pressure:reset',
      proved: true,
    });
  });

  test('after the pilot was lit by hand, the questions of before are questions again', () => {
    const engine = new Engine(profile('steam-standing-pilot'));
    const out = hypothesis(engine, 'pilot.blown-out');
    const before = watchedTry(engine, out);
    expect(proposed(engine, before)).not.toContain('seen fire');
    const after = followed(engine, out, before, [
      'look gas-cock',
      'look nut-look',
      'action hold-knob: volts TC G pilot',
    ]);
    expect(proposed(engine, after).some((id) => id === 'outcome' || id.startsWith('seen '))).toBe(true);
    // What is seen then is no repetition: the pilot that was out burns.
    const burns = followed(engine, out, after, ['outcome']);
    const groups = engine.assess(burns, { pairs: false }).items.filter((i) => i.item.observation.kind === 'outcome');
    expect(new Set(groups.map((i) => i.group)).size).toBe(2);
  });
});

describe('the outlook on a proof', () => {
  const engine = new Engine(profile('pool-heat-pump'));
  const outlook = (id: string) => proofOutlook(engine, [hypothesis(engine, id)])[0]!;

  test('a thermostat can be proved in a few minutes, in fewer than what walks the whole chain', () => {
    const { whole, minutes, open } = outlook('thermostat.open');
    expect({ whole, open }).toEqual({ whole: true, open: [] });
    expect(minutes).toBeGreaterThan(1);
    expect(minutes).toBeLessThan(10);
  });

  test('a look that decides is named with how often it is right; a proof by measuring has none', () => {
    const heater = new Engine(profile('mobile-water-heater'));
    const furnace = new Engine(profile('furnace-condensing'));
    const looksOf = (of: Engine, id: string) => proofOutlook(of, [hypothesis(of, id)])[0]!.looks;
    expect(looksOf(heater, 'orifice.nested')).toContainEqual({ id: 'orifice-look', tells: 0.95 });
    expect(looksOf(furnace, 'igniter.open')).toEqual([]);
    // What cannot be proved rests on nothing.
    expect(outlook('low-pressure.open').looks).toEqual([]);
  });

  test('a test that the appliance does not have is named', () => {
    const fault = hypothesis(engine, 'thermostat.open');
    expect(() => followed(engine, fault, watchedTry(engine, fault), ['look moon'])).toThrow(/no test "look moon"/);
  });

  // Refrigerant is for licensed people: this tool stops at the switch, and so does its proof.
  test('a low-pressure switch cannot be told from lost refrigerant by looks alone, and says so', () => {
    const { whole, open } = outlook('low-pressure.open');
    expect(whole).toBe(false);
    expect(open.map((h) => h.id)).toContain('refrigerant.lost');
  });

  test('what is foretold as provable is proved when its tests are made', () => {
    for (const { fault, whole } of proofOutlook(
      engine,
      waysOfFailing(engine.hypotheses.filter((h) => h.kind === 'fault' && h.occurs === 1)).map((w) => w.hypothesis),
    )) {
      if (!whole) continue;
      const evidence = watchedTry(engine, fault);
      const situation = { evidence, declined: nobody, person: TRAINED };
      const { shares } = engine.planProof(situation, engine.assess(evidence, { pairs: false }), fault);
      const { suspects, proof } = engine.assess(followed(engine, fault, evidence, [...shares.keys()]), {
        pairs: false,
      });
      expect(suspects[0]!.repair).toBe(fault.repair);
      // By structure; one reading of a band may still leave the shares in doubt, and then the word is withheld.
      const missing = proof!.requirements.filter((r) => !r.met && r.requirement !== 'likely-enough');
      expect([fault.id, missing]).toEqual([fault.id, []]);
    }
  });
});

describe('what is prepared is not prepared twice', () => {
  const engine = new Engine(profile('steam-standing-pilot'));
  const test_ = (id: string) => engine.tests.find((t) => t.id === id)!;
  const minutes = (id: string, prepared?: string) => minutesFor(engine.model, test_(id), USUAL_STANDARD, prepared);

  test('the second winding of an isolated transformer takes half a minute', () => {
    const { model } = engine;
    const transformer = hypothesis(engine, 'transformer.secondary-open');
    const measured = followed(engine, transformer, watchedTry(engine, transformer), ['ohms transformer.primary']);
    expect(stillPrepared(model, measured)).toBe('isolated transformer');
    expect(minutes('ohms transformer.secondary')).toBe(minutes('ohms transformer.primary'));
    expect(minutes('ohms transformer.secondary', stillPrepared(model, measured))).toBe(0.5);
    expect(minutes('ohms main-coil', stillPrepared(model, measured))).toBe(minutes('ohms main-coil'));
  });

  test('while the knob is held, the pilot is seen for nothing and the millivolts cost their own reading', () => {
    expect(minutes('action hold-knob: volts TC G pilot')).toBe(8.5);
    expect(minutes('action hold-knob: volts TC G pilot', 'action hold-knob')).toBe(1.5);
    expect(minutes('action hold-knob: seen pilot', 'action hold-knob')).toBe(0.5);
  });

  test('a plan counts it so, keeps such tests together, and names what is done for them', () => {
    const coil = hypothesis(engine, 'thermocouple.open');
    const evidence = watchedTry(engine, coil);
    const situation = { evidence, declined: nobody, person: TRAINED };
    const { minutes: planned, shares } = engine.planProof(situation, engine.assess(evidence, { pairs: false }), coil);
    expect([...planned.keys()]).toEqual([...shares.keys()]);
    const preparations = [...shares.keys()].map((id) => test_(id).preparation);
    preparations.forEach((p, i) => {
      if (p !== '' && preparations.indexOf(p) < i) expect(preparations[i - 1]).toBe(p);
    });
    for (const [id, m] of planned) {
      const { preparation } = test_(id);
      const first = preparations.indexOf(preparation) === [...planned.keys()].indexOf(id);
      expect(m).toBe(minutes(id, preparation !== '' && !first ? preparation : ''));
    }
    expect(testTitle(engine.model, test_('action hold-knob: seen pilot'))).toBe(
      'Knob held, pilot lit by hand: Pilot burns',
    );
    expect(testTitle(engine.model, test_('ohms magnet'))).toMatch(/^Ohms, pilot magnet/);
  });
});

describe.each(['steam-intermittent-pilot', 'steam-standing-pilot'])('%s: a probe bridged to the boiler', (id) => {
  const boiler = new Engine(profile(id));
  const { model } = boiler;
  const feed = id === 'steam-standing-pilot' ? 'TH' : 'R';
  const call = findPhase(model, 'call')!.index;
  const read = (red: string, value: number): Observation => ({
    kind: 'volts',
    red: findNet(model, red),
    black: findNet(model, 'C'),
    phase: call,
    input: 'high-impedance',
    reading: { kind: 'value', value, dimension: 'voltage' },
  });
  const look = model.looks.findIndex((l) => l.id === 'gauge-glass');
  const half = model.looks[look]!.answers.findIndex((a) => a.id === 'half');
  const bridged: Episode = { ...FIRST_EPISODE, setup: { ...FIRST_EPISODE.setup, actions: ['bridge-probe'] } };
  /** Damper shut, power before the cut-off and none behind it, water in the glass; then what is read with the bridge on. */
  const assess = (...withBridge: readonly Observation[]) => {
    const damper = findPhase(model, 'damper')!.index;
    const before: readonly Observation[] = [
      { kind: 'seen', phase: damper, answer: false },
      { kind: 'outcome', outcome: 'dead' },
      read(feed, 26),
      read('LW', 0.5),
      { kind: 'look', look, answer: half },
    ];
    const items = [...before.map((o) => [0, o] as const), ...withBridge.map((o) => [1, o] as const)].map(
      ([episode, observation], i) => ({ id: `${i}`, episode, observation }),
    );
    return boiler.assess({ episodes: [FIRST_EPISODE, bridged, FIRST_EPISODE], items });
  };
  const named = (a: ReturnType<typeof assess>) => ({ first: a.suspects[0]!.repair, standing: a.proof?.standing });

  test('without it the probe may be fouled as well', () => {
    expect(named(assess()).standing).toBe('suspected');
    expect(
      assess()
        .suspects.slice(0, 2)
        .map((s) => s.repair),
    ).toEqual(['lwco:replace', 'cutoff-probe:clean']);
  });

  test('still no power: the cut-off is condemned, though nobody pulled its probe', () =>
    expect(named(assess(read(feed, 26), read('LW', 0.4)))).toEqual({ first: 'lwco:replace', standing: 'proved' }));

  test('power: the cut-off is sound, and its probe must be looked at', () =>
    expect(named(assess(read('LW', 25.7)))).toEqual({ first: 'cutoff-probe:clean', standing: 'suspected' }));

  test('it is never proposed to an apprentice, and is written into the ledger', () => {
    const action = model.actions.find((a) => a.id === 'bridge-probe')!;
    expect(action.goesRound).toBe('low-water');
    const tests = boiler.tests.filter(
      (t) => t.intervention && 'action' in t.intervention && t.intervention.action === 'bridge-probe',
    );
    expect(tests.length).toBeGreaterThan(0);
    for (const t of tests)
      expect([
        goesRoundSafety(model, t),
        mayPropose(model, t, { role: 'apprentice', grants: [] }),
        mayPropose(model, t, TRAINED),
      ]).toEqual([true, false, true]);
  });
});
