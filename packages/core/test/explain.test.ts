import { EVERYTHING } from '../src/rules';
import { Engine } from '../src/diagnosis';
import { explain, instruction, instructionWords, questionTitle } from '../src/presentation';
import { findNet, findPhase } from '../src/profile';
import { type Evidence, terminals } from '../src/question';
import { NORMAL_SETUP } from '../src/simulation';
import { cautionsFor, mayPropose, setupFor } from '../src/test-choice';
import { profile } from './models';

const model = profile('furnace-condensing');
const engine = new Engine(model);
const phase = (id: string) => findPhase(model, id)!.index;
const part = (id: string) => model.parts.find((p) => p.id === id)!;

const ev: Evidence = {
  episodes: [{ setup: NORMAL_SETUP, repaired: [] }],
  items: [
    { id: 'glow', episode: 0, observation: { kind: 'seen', phase: phase('glow'), answer: false } },
    {
      id: 'ohms',
      episode: 0,
      observation: {
        kind: 'ohms',
        part: part('igniter').index,
        branch: '',
        reading: { kind: 'open', dimension: 'resistance' },
      },
    },
    {
      id: 'volts',
      episode: 0,
      observation: {
        kind: 'volts',
        red: findNet(model, 'IP'),
        black: findNet(model, 'N'),
        phase: phase('glow'),
        input: 'high-impedance',
        reading: { kind: 'value', value: 121, dimension: 'voltage' },
      },
    },
  ],
};

describe('explanation', () => {
  const { items } = engine.assess(ev);
  const of = (id: string) =>
    explain(
      model,
      engine.hypotheses.find((h) => h.id === id)!,
      engine.healthy,
      items,
      { units: 'us' },
    );

  test('names the measured value, the expected one and the sound one', () => {
    const reason = of('igniter.open').find((r) => r.item === 'ohms')!;
    expect(reason.weight).toBeGreaterThan(0);
    expect(reason.sentence).toMatch(/OL\. Expected here: OL\. A sound appliance: 60 Ω\./);
  });

  test('says what speaks against a suspect, and what it would have given', () => {
    const reason = of('board.igniter-dead').find((r) => r.item === 'volts')!;
    expect(reason.weight).toBeLessThan(0);
    expect(reason.sentence).toMatch(/This fault would give 0 V/);
  });

  test('strongest first', () => {
    const weights = of('igniter.open').map((r) => Math.abs(r.weight));
    expect(weights).toEqual([...weights].sort((a, b) => b - a));
  });
});

describe('instructions and cautions', () => {
  test('every test can be said in words, with probes and step named', () => {
    for (const test of engine.tests) {
      const { act, how } = instruction(model, test);
      // Few enough words to be read with a probe in each hand; no round brackets, the page's type draws them square.
      expect(act).toMatch(/^\S.*[^.]$/);
      expect(how).toMatch(/^$|[.?]$/);
      expect(instructionWords(instruction(model, test))).not.toMatch(/undefined|~|\.\.|"/);
      expect(questionTitle(model, test.question)).not.toMatch(/undefined/);
    }
  });

  test('line voltage, ohms, bypass and gas carry their cautions; the igniter its own', () => {
    const find = (match: (id: string) => boolean) => engine.tests.find((t) => match(t.id))!;
    expect(
      cautionsFor(
        model,
        find((id) => id.startsWith('volts IP N')),
      ).join(' '),
    ).toMatch(/Line voltage/);
    expect(
      cautionsFor(
        model,
        find((id) => id === 'ohms igniter'),
      ).join(' '),
    ).toMatch(/Never touch the element.*Power off/);
    expect(
      cautionsFor(
        model,
        find((id) => id.startsWith('bypass limit')),
      ).join(' '),
    ).toMatch(/jumper is a momentary test/);
    expect(
      cautionsFor(
        model,
        find((id) => id === 'gauge gas-inlet'),
      ).join(' '),
    ).toMatch(/Shut the gas/);
    expect(
      instruction(
        model,
        find((id) => id.startsWith('bypass limit')),
      ).before,
    ).toMatch(/stay beside it, and take it off again/);
  });

  test('every point on line voltage is marked, in the profile and in its tests', () => {
    const hot = engine.traces.last(engine.healthy.faults, [{ setup: NORMAL_SETUP, repaired: [] }]).trace;
    for (const point of model.points) {
      const most = Math.max(
        ...hot.circuits.map((c) =>
          Math.hypot(
            c.circuit.solution.re[point.net]! - c.circuit.solution.re[point.black]!,
            c.circuit.solution.im[point.net]! - c.circuit.solution.im[point.black]!,
          ),
        ),
      );
      // The rod's feed is 110 V behind 220 kΩ: no line voltage, though a meter shows as much.
      if (!['FR', 'FS'].includes(model.nets[point.net]!))
        if (most > 50 || model.levels[point.net] === 'line')
          expect([model.nets[point.net], point.line]).toEqual([model.nets[point.net], true]);
        else expect([model.nets[point.net], point.line]).toEqual([model.nets[point.net], false]);
    }
  });

  test('roles: a lead may what an apprentice may not', () => {
    const line = engine.tests.find((t) => t.line)!;
    expect(mayPropose(model, line, EVERYTHING)).toBe(true);
    expect(mayPropose(model, line, { role: 'apprentice', grants: [] })).toBe(false);
  });
});

describe('where a part is touched', () => {
  test('its own terminals, and through a connector the next named net; never the common', () => {
    const names = [...terminals(model, part('gas-valve'))].map((n) => model.nets[n]);
    expect(names).toEqual(expect.arrayContaining(['VT', 'GV', 'VC']));
    expect(names).not.toContain('C');
  });

  test('an intervention changes the setup once, and leaves the rest', () => {
    const once = setupFor(NORMAL_SETUP, { unplug: 'P2' });
    expect(once).toEqual({ ...NORMAL_SETUP, unplugged: ['P2'] });
    expect(setupFor(once, { unplug: 'P2' }).unplugged).toEqual(['P2']);
    expect(setupFor(once, { bypass: 'limit' })).toEqual({ ...once, bypassed: ['limit'] });
    expect(setupFor(once, undefined)).toBe(once);
  });
});
