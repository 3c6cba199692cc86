import { Engine } from '../src/diagnosis';
import {
  drawExercise,
  asksRun,
  exerciseCode,
  exerciseFromCall,
  EXERCISE_KINDS,
  type Exercise,
  gradeRun,
  hideable,
  type KeptStand,
  keptUntil,
  type Laid,
  layOut,
  lessonOf,
  LEVELS,
  markOf,
  meanMisfit,
  type Move,
  opening,
  perform,
  plan,
  play,
  PLAYERS,
  profileFor,
  progressOf,
  confusedIn,
  criticalActs,
  readExerciseCode,
  Stand,
  stateAfter,
  stepsOf,
  truthsOf,
  wireColours,
} from '../src/practice';
import { bypassLimit } from '../src/rules';
import { endingsNow, hintWords, lessonView, standView } from '../src/presentation';
import { AS_IT_STANDS, PLAIN, variantsOf, withVariant } from '../src/profile';
import type { Hypothesis } from '../src/inference';
import { kindOf, type Question } from '../src/question';
import { FIRST_EPISODE } from '../src/simulation';
import type { CallEvent } from '../src/visit';
import { FAMILIES, profile, profileText } from './models';

const engines = new Map(FAMILIES.map((id) => [id, undefined as Engine | undefined]));
const engineOf = (id: string): Engine => {
  let engine = engines.get(id);
  if (!engine) engines.set(id, (engine = new Engine(profile(id))));
  return engine;
};

/** An exercise with a named way of failing, on a machine without options. */
function laidWith(id: string, family: string, kind: Exercise['kind'] = 'single', seed = 77): Laid {
  const engine = engineOf(id);
  const hidden = family === 'nothing' ? engine.healthy : engine.hypotheses.find((h) => h.family === family)!;
  return layOut({ level: 1, seed, profile: id, kind, hidden: hidden.index }, profileText(id), engine);
}

/** Somebody who has taken the panel off, and holds its switch in where one opened with it. */
function opened(laid: Laid): Stand {
  const stand = new Stand(laid);
  perform(stand, { do: 'panel', off: true });
  if (stand.machine().door === 'open') perform(stand, { do: 'hold-door', held: true });
  return stand;
}

/** Time goes on in steps of a frame, and the display with it. */
function settle(stand: Stand, seconds = 3): ReturnType<Stand['shows']> {
  let shown = stand.shows(0, 1);
  for (let i = 1; i <= seconds * 5; i++) {
    stand.runTo(stand.clock + 200);
    shown = stand.shows(i * 200, 1);
  }
  return shown;
}

describe('an exercise’s link', () => {
  test('is the same exercise for whoever has it, and does not say what is hidden', () => {
    for (let seed = 1; seed < 60; seed++) {
      const level = seed % LEVELS.length;
      const kind = EXERCISE_KINDS[seed % EXERCISE_KINDS.length]!;
      const exercise = { level, seed: seed * 7919, profile: 'dryer-burner', kind, hidden: seed as never };
      expect(readExerciseCode(exerciseCode(exercise))).toEqual(exercise);
    }
    const same = { level: 3, profile: 'dryer-burner', kind: 'single', hidden: 12 as never } as const;
    const pins = [11, 12, 13, 14].map((seed) => exerciseCode({ ...same, seed }).split('.')[2]);
    expect(new Set(pins).size).toBe(4);
  });

  test.each(['', 'x', '9', '3.zz', '3.a.b', '3.a.b.<script>', `3.${'a'.repeat(40)}.b.x`])(
    '“%s” is none, and what to do is said',
    (code) => expect(readExerciseCode(code)).toMatchObject({ problem: expect.stringMatching(/link/) }),
  );

  test('of a place that its appliance does not have is refused in words', () => {
    const exercise = { level: 1, seed: 1, profile: 'dryer-burner', kind: 'single', hidden: 9999 as never } as const;
    expect(() => layOut(exercise, profileText('dryer-burner'), engineOf('dryer-burner'))).toThrow(/Begin another one/);
  });
});

describe('what is drawn', () => {
  test.each(FAMILIES)('%s: every kind of exercise has something to hide that shows, but where it is healthy', (id) => {
    const engine = engineOf(id);
    for (const kind of ['single', 'bad-part'] as const) expect(hideable(engine, kind, {}).length).toBeGreaterThan(5);
    expect(hideable(engine, 'nothing', {})).toEqual([engine.healthy]);
    for (const h of hideable(engine, 'cause', {})) expect(h.cause).not.toBe(h.breaks);
    for (const h of hideable(engine, 'fitful', {})) expect(h.occurs).toBeLessThan(1);
  });

  test.each(FAMILIES)(
    '%s: every fault that makes a try end otherwise can be drawn, and stands before somebody',
    (id) => {
      const engine = engineOf(id);
      const ends = (h: Hypothesis): string =>
        JSON.stringify(
          kindOf({ kind: 'outcome' }).predict(engine.model, engine.traces.last(h.faults, [FIRST_EPISODE]), {
            kind: 'outcome',
          }),
        );
      const sound = ends(engine.healthy);
      const drawn = new Map(
        EXERCISE_KINDS.flatMap((kind) => hideable(engine, kind, {}).map((h) => [h, kind] as const)),
      );
      const showing = engine.hypotheses.filter((h) => h.kind === 'fault' && h.repair !== 'none' && ends(h) !== sound);
      expect(showing.length).toBeGreaterThan(20);
      expect(showing.filter((h) => !drawn.has(h)).map((h) => h.family)).toEqual([]);
      for (const h of showing) {
        const exercise = { level: 1, seed: 5, profile: id, kind: drawn.get(h)!, hidden: h.index };
        const stand = new Stand(layOut(exercise, profileText(id), engine));
        stand.runTo(30_000);
        expect(stand.machine().clock).toBe(30_000);
      }
    },
  );

  test('kinds come about as often as they should, and what somebody confuses comes more often', () => {
    const engine = engineOf('furnace-condensing');
    const drawn = Array.from({ length: 400 }, (_, seed) =>
      drawExercise(engine, { level: 6, seed, profile: 'furnace-condensing' }),
    );
    const share = (kind: string): number => drawn.filter((e) => e.kind === kind).length / drawn.length;
    expect(share('single')).toBeGreaterThan(0.52);
    expect(share('single')).toBeLessThan(0.68);
    expect(share('nothing')).toBeGreaterThan(0.05);
    expect(share('cause')).toBeGreaterThan(0.09);
    const rod = (confuses: readonly string[]): number =>
      Array.from({ length: 400 }, (_, seed) =>
        drawExercise(engine, { level: 6, seed, profile: 'furnace-condensing' }, { confuses }),
      ).filter((e) => engine.hypotheses[e.hidden]!.family.startsWith('flame-rod')).length;
    expect(rod(['flame-rod'])).toBeGreaterThan(1.8 * rod([]));
  });

  test('levels are played on their own families, and the same seed draws the same', () => {
    for (const { level, profiles } of LEVELS)
      for (let seed = 0; seed < 10; seed++) {
        const id = profileFor(level, seed, FAMILIES);
        if (profiles) expect(profiles).toContain(id);
        expect(profileFor(level, seed, FAMILIES)).toBe(id);
      }
  });

  test('a customer tells what the machine does: a dead one does nothing, one that is sound works now', () => {
    expect(laidWith('furnace-condensing', 'fuse.open').exercise.complaint).toMatch(/Nothing at all|sits there|Dead/);
    expect(laidWith('furnace-condensing', 'nothing', 'nothing').exercise.complaint).toMatch(/works now|fine|normal/);
  });
});

describe('in front of the machine', () => {
  test('time brings what can be seen and heard; the next event is the next thing that comes', () => {
    const stand = new Stand(laidWith('furnace-condensing', 'nothing', 'nothing'));
    const came: string[] = [];
    for (let i = 0; i < 40; i++) {
      for (const b of stand.machine().beads) if (b.is === 'now' && !came.includes(b.id)) came.push(b.id);
      const next = stand.nextEvent();
      if (next === undefined || came.includes('heating')) break;
      expect(next).toBeGreaterThan(stand.clock);
      stand.runTo(next);
    }
    expect(came).toEqual(['call', 'inducer', 'glow', 'valve', 'flame', 'steady', 'heating']);
  });

  test('what came while the hands were busy is missed', () => {
    const stand = new Stand(laidWith('furnace-condensing', 'gas-cock.shut'));
    // Half a minute with a probe in each hand, from before the igniter glows to after.
    stand.runTo(15_000);
    for (let i = 0; i < 2; i++) stand.put({ at: 'flue' });
    const glow = stand.machine().beads.find((b) => b.id === 'inducer')!;
    expect(glow.is).toBe('now');
    stand.runTo(stand.clock + 1000);
    expect(stand.machine().beads.find((b) => b.id === 'call')!.is).toBe('now');
  });

  test('the meter shows the circuit: volts as they stand, the true wrong number of a wrong function, OL of what is open', () => {
    const stand = opened(laidWith('furnace-condensing', 'igniter.open'));
    expect(perform(stand, { do: 'put', place: { at: 'points', red: 'W', black: 'C' } })).toBeUndefined();
    expect(Number(settle(stand).digits)).toBeGreaterThan(22);
    perform(stand, { do: 'turn', set: 'v-dc' });
    expect(Math.abs(Number(settle(stand).digits))).toBeLessThan(1);
    perform(stand, { do: 'set', change: { power: false } });
    perform(stand, { do: 'turn', set: 'ohms' });
    perform(stand, { do: 'put', place: { at: 'part', part: 'igniter', branch: '' } });
    expect(settle(stand)).toMatchObject({ digits: 'OL', accident: false });
  });

  test('breaker and service switch are two: either takes the power, both give it, and a breaker that is off stays off', () => {
    const stand = new Stand(laidWith('furnace-condensing', 'igniter.open'));
    const power = () => [stand.state.setup.power, stand.machine().supply];
    expect(power()).toEqual([true, { breaker: true, service: true }]);
    perform(stand, { do: 'supply', change: { breaker: false } });
    expect(power()).toEqual([false, { breaker: false, service: true }]);
    expect(stand.clock).toBe(2 * 60_000);
    perform(stand, { do: 'supply', change: { service: false } });
    perform(stand, { do: 'supply', change: { breaker: true } });
    expect(power()).toEqual([false, { breaker: true, service: false }]);
    perform(stand, { do: 'supply', change: { service: true } });
    expect(power()).toEqual([true, { breaker: true, service: true }]);
    perform(stand, { do: 'set', change: { power: false, gas: false } });
    expect(power()).toEqual([false, { breaker: true, service: false }]);
    perform(stand, { do: 'supply', change: { breaker: false } });
    expect(perform(stand, { do: 'set', change: { power: true } })).toMatch(/breaker is off/);
    expect(stand.state.log.every(({ problem }) => problem === undefined)).toBe(true);
  });

  test('ohms on a live circuit is an accident: written once for each place, and the mark is held down by it', () => {
    const laid = laidWith('furnace-condensing', 'igniter.open');
    const stand = opened(laid);
    perform(stand, { do: 'put', place: { at: 'points', red: 'W', black: 'C' } });
    perform(stand, { do: 'turn', set: 'ohms' });
    for (let i = 0; i < 3; i++) standView(stand, i * 200, 1, 'us');
    expect(stand.moves.filter(({ body }) => body.type === 'accident')).toHaveLength(1);
    const planned = plan(laid);
    perform(stand, { do: 'hold-door', held: false });
    perform(stand, { do: 'panel', off: false });
    const moves = [...stand.moves, ...planned.moves.slice(1).map((m) => ({ ...m, at: m.at + stand.clock }))];
    const mark = markOf(laid, moves, planned);
    expect(mark.critical.map(({ id }) => id)).toEqual(['ohms-live']);
    expect(mark.total).toBe(40);
    expect(mark.uncapped).toBeGreaterThan(40);
  });

  test('a reading that is noted is an entry of a real call, with its place and its step or moment', () => {
    const stand = opened(laidWith('furnace-condensing', 'igniter.open'));
    stand.runTo(stand.clock + 6000);
    stand.put({ at: 'points', red: 'W', black: 'C' });
    expect(perform(stand, { do: 'note' })).toMatch(/blank/);
    settle(stand);
    expect(perform(stand, { do: 'note', guess: '25 V' })).toBeUndefined();
    const [read, said] = stand.moves.slice(-2).map(({ body }) => body);
    expect(read).toMatchObject({ type: 'volts', red: 'W', black: 'C' });
    expect(said).toMatchObject({ type: 'predicted', right: true });
    expect(stand.state.log.every(({ problem }) => problem === undefined)).toBe(true);
  });

  test('the whole try is written at one moment: what was seen came, the rest did not, and it is true of so much of the run', () => {
    const stand = new Stand(laidWith('furnace-condensing', 'gas-cock.shut'));
    stand.runTo(8000);
    perform(stand, { do: 'whole-try' });
    const said = stand.moves.slice(1);
    expect(said).toHaveLength(stand.laid.engine.model.phases.length);
    expect(new Set(said.map(({ at }) => at)).size).toBe(1);
    expect(said.map(({ body }) => body)).toContainEqual(
      expect.objectContaining({ type: 'seen', phase: 'inducer', answer: 'yes', after: 38 }),
    );
    expect(said.map(({ body }) => body)).toContainEqual(
      expect.objectContaining({ type: 'seen', phase: 'flame', answer: 'no' }),
    );
  });

  test('it goes on where it was left, with what was seen', () => {
    const laid = laidWith('furnace-condensing', 'igniter.open');
    const stand = new Stand(laid);
    perform(stand, { do: 'set', change: { gas: false } });
    perform(stand, { do: 'outcome', outcome: 'stuck' });
    stand.runTo(stand.clock + 60_000);
    const again = new Stand(laid, JSON.parse(JSON.stringify(stand.kept)) as KeptStand);
    expect(again.machine()).toEqual(stand.machine());
    expect(again.machine().beads.filter(({ is }) => is === 'came').length).toBeGreaterThan(0);
    expect(again.state.evidence).toEqual(stand.state.evidence);
  });

  test('from one of its moves it is played otherwise, and nothing that was seen later is seen beforehand', () => {
    const stand = new Stand(laidWith('furnace-condensing', 'nothing', 'nothing'));
    const saw = (s: Stand): string[] => s.machine().beads.flatMap(({ id, is }) => (is === 'not-yet' ? [] : [id]));
    perform(stand, { do: 'again' });
    const moves = stand.moves.length;
    const before = saw(stand);
    stand.runTo(stand.clock + 90_000);
    perform(stand, { do: 'again' });
    stand.runTo(stand.clock + 90_000);
    expect(saw(stand)).toContain('heating');
    const back = new Stand(stand.laid, keptUntil(stand.moves, moves - 1));
    expect(back.moves).toEqual(stand.moves.slice(0, moves));
    expect(saw(back)).toEqual(before);
    perform(back, { do: 'again' });
    // The stretch that comes anew has the number of one in which it was seen to heat.
    expect(saw(back)).not.toContain('heating');
  });

  test('the knob of a pilot is held by a hand: lit again it burns on, let go too early it goes out; no other machine has one', () => {
    const stand = new Stand(laidWith('furnace-standing-pilot', 'pilot.blown-out'));
    const pilot = (): boolean => stand.machine().beads.find(({ id }) => id === 'pilot')?.is === 'now';
    expect(stand.machine().knob).toBe('free');
    perform(stand, { do: 'hold-knob', held: true });
    expect(stand.machine().knob).toBe('held');
    stand.runTo(stand.clock + 5000);
    expect(pilot()).toBe(true);
    const at = stand.clock;
    perform(stand, { do: 'hold-knob', held: false });
    expect(stand.clock).toBe(at);
    stand.runTo(stand.clock + 20_000);
    // A thermocouple needs 30 to 60 s before it holds a magnet (TRADE §3).
    expect(pilot()).toBe(false);
    expect(stand.machine().setup.gas).toBe(false);
    perform(stand, { do: 'set', change: { gas: true } });
    stand.runTo(stand.clock + 20_000);
    expect(pilot()).toBe(false);
    perform(stand, { do: 'hold-knob', held: true });
    stand.runTo(stand.clock + 90_000);
    perform(stand, { do: 'hold-knob', held: false });
    stand.runTo(stand.clock + 20_000);
    expect(pilot()).toBe(true);
    expect(stand.machine().knob).toBe('free');
    // A pilot that burns by itself does not mind a short hold.
    perform(stand, { do: 'hold-knob', held: true });
    perform(stand, { do: 'hold-knob', held: false });
    expect([pilot(), stand.machine().setup.gas]).toEqual([true, true]);
    const other = new Stand(laidWith('furnace-condensing', 'nothing', 'nothing'));
    expect(other.machine().knob).toBeUndefined();
    expect(perform(other, { do: 'hold-knob', held: true })).toMatch(/No knob/);
  });

  test.each([
    ['nothing', 'nothing', 'well'],
    ['gas-supply.off', 'single', 'out'],
    ['gas-supply.low', 'single', 'out'],
    ['gas-cock.shut', 'single', 'well'],
  ] as const)(
    'with %s (%s) another appliance on the same gas, once somebody went to see it: %s',
    (fault, kind, burns) => {
      const stand = new Stand(laidWith('furnace-condensing', fault, kind));
      expect(stand.machine().others).toBe('unseen');
      perform(stand, { do: 'look', look: 'other-gas' });
      expect(stand.machine().others).toBe(burns);
    },
  );

  test.each([
    ['a reading behind the panel', { do: 'put', place: { at: 'points', red: 'W', black: 'C' } }, /panel is on/],
    ['a jumper behind it', { do: 'set', change: { bypassed: ['limit'] } }, /panel is on/],
    ['a wait of no time', { do: 'wait', minutes: 0 }, /between a moment and 60/],
    ['the panel on twice', { do: 'panel', off: false }, /on already/],
    ['steps where none are asked', { do: 'tell-run', order: [], seconds: {} }, /asks for no steps/],
    ['a point that is none', { do: 'put', place: { at: 'points', red: 'W', black: 'XX' } }, /XX/],
    ['both probes on one point', { do: 'put', place: { at: 'points', red: 'W', black: 'W' } }, /same point/],
    ['a look that is none', { do: 'look', look: 'moon' }, /moon/],
    ['a part that is none', { do: 'repair', part: 'flux', measured: true }, /flux/],
    ['a step that is none', { do: 'seen', phase: 'moon', came: true }, /moon/],
    ['nothing on the display', { do: 'note' }, /blank|touch nothing/],
    ['a line that is not open', { do: 'line', line: 'moon' }, /done, or is none/],
  ] as const)('%s is said, and nothing is written', (_name, act, words) => {
    const laid = laidWith('furnace-condensing', 'igniter.open');
    const stand = /none|one point/.test(_name) ? opened(laid) : new Stand(laid);
    const before = stand.moves.length;
    expect(perform(stand, act)).toMatch(words);
    expect(stand.moves).toHaveLength(before);
  });

  test('the panel opens its door switch: the machine dies and its code is lost; held in, it runs; three jumpers and no more', () => {
    const stand = new Stand(laidWith('furnace-condensing', 'igniter.open'));
    stand.runTo(60_000);
    expect(stand.machine().light?.code).toBe('red-slow');
    perform(stand, { do: 'panel', off: true });
    stand.runTo(stand.clock + 30_000);
    expect(stand.machine()).toMatchObject({ open: true, door: 'open', light: { code: 'dark' }, pocket: 3 });
    perform(stand, { do: 'hold-door', held: true });
    stand.runTo(stand.clock + 20_000);
    expect(stand.machine()).toMatchObject({ door: 'held', pocket: 3 });
    expect(stand.machine().beads.find(({ id }) => id === 'inducer')!.is).toBe('now');
    const parts = stand.laid.engine.model.parts.filter(
      ({ id, branches }) => id !== 'door-switch' && branches.length > 0,
    );
    const bypassed = ['door-switch', ...parts.slice(0, 3).map(({ id }) => id)];
    expect(perform(stand, { do: 'set', change: { bypassed } })).toBeUndefined();
    expect(stand.machine().pocket).toBe(0);
    expect(perform(stand, { do: 'set', change: { bypassed: [...bypassed, parts[3]!.id] } })).toMatch(/All 3 jumpers/);
    expect(perform(stand, { do: 'set', change: { bypassed: [] } })).toBeUndefined();
    perform(stand, { do: 'panel', off: false });
    stand.runTo(stand.clock + 60_000);
    expect(stand.machine()).toMatchObject({ open: false, door: undefined, light: { code: 'red-slow' } });
    // Held in by hand and taken off again is no jumper that was left.
    expect(stand.state.followed.c.bypasses).toEqual([]);
  });

  test('a panel without a switch, and a drum’s door that is none, change nothing of the run', () => {
    for (const id of ['steam-standing-pilot', 'dryer-burner']) {
      const stand = new Stand(laidWith(id, 'nothing', 'nothing'));
      stand.runTo(20_000);
      const before = stand.machine();
      perform(stand, { do: 'panel', off: true });
      expect(stand.machine()).toMatchObject({ open: true, door: undefined, since: before.since });
    }
  });

  test('a jumper round a safety has the rules’ own time and stands in the ledger until it is out', () => {
    const stand = opened(laidWith('steam-standing-pilot', 'lwco.open'));
    const lwco = stand.laid.engine.model.parts.find(({ safety }) => safety?.includes('low-water'))!.id;
    perform(stand, { do: 'set', change: { bypassed: [lwco] } });
    perform(stand, { do: 'set', change: { gas: false } });
    const ledgers = stand.state.log.flatMap(({ event: { body } }) => (body.type === 'setup' ? [body.ledger] : []));
    // What is round it is named by every entry while it is there, with the limit of its kind.
    expect(ledgers).toHaveLength(2);
    for (const ledger of ledgers) {
      expect(ledger).toMatchObject([{ id: lwco, limit: bypassLimit('low-water', false, 'steam') }]);
      expect(ledger![0]!.limit).not.toBe(600);
    }
    const moves = [...stand.moves];
    expect(criticalActs(moves, stand.state, true).map(({ id }) => id)).toContain('low-water');
  });

  test('a door held in too long is a stop: its orders one by one, then what it ends on; before that nothing ends', () => {
    const stand = opened(laidWith('furnace-condensing', 'igniter.open'));
    expect(standView(stand, 0, 1, 'us').stops).toEqual([]);
    perform(stand, { do: 'wait', minutes: 12 });
    const stops = () => standView(stand, 0, 1, 'us').stops;
    expect(stops()).toMatchObject([{ id: 'bypass-over', order: { id: 'off' } }]);
    expect(endingsNow(stand).endings.find(({ id }) => id === 'proved')!.lacks).toContain('No stop stands.');
    expect(perform(stand, { do: 'order', stop: 'bypass-over', order: 'moon' })).toMatch(/does not stand/);
    expect(perform(stand, { do: 'order', stop: 'bypass-over', order: 'off' })).toBeUndefined();
    expect(stand.machine().door).toBe('open');
    // Off in time to hurt nothing: that is all.
    expect(stops()).toEqual([]);
  });

  test('a stop that has to be ended is ended on its evidence, and what is missing is said', () => {
    const stand = opened(laidWith('furnace-condensing', 'igniter.open'));
    perform(stand, { do: 'fact', fact: 'co', value: 200 });
    const [stop] = standView(stand, 0, 1, 'us').stops;
    expect(stop!.order).toBeDefined();
    expect(perform(stand, { do: 'end-stop', stop: stop!.id, evidence: {} })).toMatch(/Still missing/);
    for (let i = 0; i < 12; i++) {
      const [now] = standView(stand, 0, 1, 'us').stops;
      if (!now?.order) break;
      const { fact, words } = now.order;
      const value = fact ? ('unit' in fact.is ? 0 : fact.is[0]!.id) : (words ?? '');
      if (words !== undefined)
        expect(perform(stand, { do: 'order', stop: now.id, order: now.order.id })).toMatch(/^Write it: /);
      expect(perform(stand, { do: 'order', stop: now.id, order: now.order.id, value })).toBeUndefined();
    }
    const [last] = standView(stand, 0, 1, 'us').stops;
    expect(last).toMatchObject({ id: stop!.id, order: undefined });
    perform(stand, { do: 'wait', minutes: 60 });
    const given = { tick: 'yes', words: 'aired, doors open', number: 0, so: '', 'not-yet': '' } as const;
    const asked = last!.evidence.filter(({ is }) => given[is] !== '');
    const evidence: Record<string, string | number> = Object.fromEntries(asked.map(({ id, is }) => [id, given[is]]));
    expect(perform(stand, { do: 'end-stop', stop: last!.id, evidence })).toBeUndefined();
    expect(standView(stand, 0, 1, 'us').stops.map(({ id }) => id)).not.toContain(stop!.id);
  });

  test('waiting counts, and so does what is done meanwhile: the wait of five minutes after gas', () => {
    const asks = (does: (stand: Stand) => void): number | undefined => {
      const stand = opened(laidWith('furnace-standing-pilot', 'thermocouple.weak'));
      perform(stand, { do: 'set', change: { gas: false } });
      does(stand);
      perform(stand, { do: 'turn', set: 'mv-dc' });
      const part = stand.laid.engine.model.parts.find((p) => p.kind.name === 'thermocouple')!;
      perform(stand, { do: 'turn', set: 'ohms' });
      perform(stand, { do: 'put', place: { at: 'part', part: part.id, branch: part.branches[0]!.name } });
      return standView(stand, 0, 1, 'us').needs.find(({ by }) => by === 'wait')?.minutes;
    };
    const long = asks(() => undefined);
    if (long === undefined) return;
    expect(long).toBeGreaterThan(4);
    expect(asks((s) => perform(s, { do: 'wait', minutes: 2 }))!).toBeLessThan(long - 1.9);
    expect(asks((s) => perform(s, { do: 'wait', minutes: 6 }))).toBeUndefined();
  });

  test('wires have the usual colours on the first levels, and later some of their own; the same for everybody', () => {
    const { model } = engineOf('furnace-condensing');
    expect(wireColours(model, { level: 1, seed: 5 })).toMatchObject({ R: 'red', W: 'white', L1: 'black' });
    const odd = Array.from({ length: 40 }, (_, seed) => wireColours(model, { level: 4, seed })['R']);
    expect(odd.filter((c) => c !== 'red').length).toBeGreaterThan(2);
    expect(odd.filter((c) => c !== 'red').length).toBeLessThan(20);
    expect(wireColours(model, { level: 4, seed: 9 })).toEqual(wireColours(model, { level: 4, seed: 9 }));
  });

  test('a new part that nobody measured is as bad as the old one; measured first, it cures', () => {
    const laid = laidWith('furnace-condensing', 'igniter.open', 'bad-part');
    const fit = (measured: boolean): boolean => {
      const stand = new Stand(laid);
      perform(stand, { do: 'repair', part: 'igniter', measured });
      return laid.appliance.runs(stand.state.evidence.episodes);
    };
    expect([fit(false), fit(true)]).toEqual([false, true]);
    const stand = new Stand(laid);
    perform(stand, { do: 'repair', part: 'igniter', measured: true });
    perform(stand, { do: 'repair', part: 'igniter', measured: true });
    const told = standView(stand, 0, 1, 'us').moves.filter(({ words }) => /reads as the old one did/.test(words));
    expect(told).toHaveLength(1);
  });

  test('what comes and goes shows in some tries, and in the same ones for everybody', () => {
    const engine = engineOf('furnace-condensing');
    const fault = engine.hypotheses.find((h) => h.kind === 'fault' && h.occurs < 1)!;
    const runs = (seed: number): string => {
      const laid = layOut(
        { level: 7, seed, profile: 'furnace-condensing', kind: 'fitful', hidden: fault.index },
        profileText('furnace-condensing'),
        engine,
      );
      const stand = new Stand(laid);
      return Array.from({ length: 8 }, () => {
        perform(stand, { do: 'again' });
        return laid.appliance.runs(stand.state.evidence.episodes) ? '.' : 'x';
      }).join('');
    };
    const seen = [1, 2, 3, 4].map(runs).join('');
    expect(seen).toMatch(/x/);
    expect(seen).toMatch(/\./);
    expect(runs(3)).toBe(runs(3));
  });
});

describe('the mark', () => {
  const laid = laidWith('furnace-condensing', 'gas-valve.coil-short');
  const planned = plan(laid);

  test('the engine’s own play of what can be proved is worth a hundred; a walk from terminal to terminal proves it too, for less', () => {
    const mark = markOf(laid, planned.moves, planned);
    expect(mark).toMatchObject({ total: 100, proved: true, inVain: [], caps: [], critical: [] });
    const walked = markOf(laid, play(laid, 'walker'), planned);
    expect(walked.proved).toBe(true);
    expect(walked.total).toBeLessThan(100);
    expect(walked.total).toBeGreaterThan(65);
  });

  test('a part that is fitted before anything condemned it holds it at 35, what it would be without stands beside', () => {
    const mark = markOf(laid, play(laid, 'guesser'), planned);
    expect(mark.total).toBeLessThanOrEqual(35);
    expect(mark.caps.map(({ at }) => at)).toContain(35);
    expect(mark.uncapped).toBeGreaterThan(mark.total);
  });

  test('it follows from the moves alone, kept and read again', () => {
    for (const player of PLAYERS) {
      const moves = play(laid, player);
      const again = JSON.parse(JSON.stringify(moves)) as Move[];
      expect(markOf(laid, again, planned)).toEqual(markOf(laid, moves, planned));
    }
  });

  test('a hint costs three, a part in vain ten', () => {
    const hinted: Move[] = [
      planned.moves[0]!,
      { at: 0, body: { type: 'hint', hint: 'test' } },
      ...planned.moves.slice(1),
    ];
    expect(markOf(laid, hinted, planned).total).toBe(97);
    const at = planned.moves.findIndex(({ body }) => body.type === 'repaired');
    const vain: Move = {
      at: planned.moves[at]!.at,
      body: { type: 'repaired', part: 'blower', action: 'New: blower', measured: true },
    };
    const mark = markOf(laid, [...planned.moves.slice(0, at), vain, ...planned.moves.slice(at)], planned);
    expect(mark.inVain).toEqual(['blower']);
    expect(mark.uncapped).toBeLessThanOrEqual(90);
  });

  test('where nothing is wrong the right ending, nothing fitted and a run that was watched are what counts', () => {
    const sound = laidWith('storage-water-heater', 'nothing', 'nothing');
    const own = plan(sound);
    const mark = markOf(sound, own.moves, own);
    expect(mark.shares.find(({ id }) => id === 'proof')!.got).toBeGreaterThanOrEqual(20);
    expect(own.moves.at(-1)!.body).toMatchObject({ type: 'closed', ending: 'nothing-found' });
  });

  test('work that is not theirs ends as referred, and that is right', () => {
    const heatPump = laidWith('pool-heat-pump', 'refrigerant.lost', 'refer');
    expect(heatPump.exercise.whose).toMatch(/refrigeration/);
    const own = plan(heatPump);
    expect(own.moves.at(-1)!.body).toMatchObject({ type: 'closed', ending: 'referred' });
    expect(markOf(heatPump, own.moves, own).total).toBeGreaterThan(80);
  });

  test('an exercise that was left without an end is worth little and breaks nothing', () => {
    const moves = [opening(laid.exercise, laid.engine.model, 'x')];
    const mark = markOf(laid, moves, planned);
    expect(mark.total).toBeLessThanOrEqual(25);
    expect(mark.proved).toBe(false);
  });
});

test('five hundred exercises of every level and family are played by a scripted apprentice; each mark follows from its moves alone', () => {
  const kinds = new Set<string>();
  const families = new Set<string>();
  for (let i = 0; i < 500; i++) {
    const level = i % LEVELS.length;
    const seed = 40_000 + i;
    const id = FAMILIES[i % FAMILIES.length]!;
    // One engine for each family: built as the family, whatever the level.
    const engine = engineOf(id);
    const exercise = drawExercise(engine, { level, seed, profile: id });
    const laid = layOut({ ...exercise, level: 1 }, profileText(id), engine);
    const moves = apprentice(laid);
    const planned = { minutes: 15, tests: 5, moves: [] };
    const mark = markOf(laid, moves, planned);
    expect(mark.total).toBeGreaterThanOrEqual(0);
    expect(mark.total).toBeLessThanOrEqual(100);
    expect(markOf(laid, JSON.parse(JSON.stringify(moves)) as Move[], planned)).toEqual(mark);
    kinds.add(exercise.kind);
    families.add(id);
  }
  expect([...kinds].sort()).toEqual([...EXERCISE_KINDS].sort());
  expect(families.size).toBe(FAMILIES.length);
}, 400_000);

/** Somebody who watches, writes the try down, takes a reading or two and fits something. */
function apprentice({ engine, appliance, exercise }: Laid): Move[] {
  const stand = opened({ engine, appliance, exercise });
  for (let i = 0; i < 6; i++) {
    const next = stand.nextEvent();
    if (next !== undefined) stand.runTo(Math.min(next, stand.clock + 300_000));
  }
  for (const b of stand.machine().beads) perform(stand, { do: 'seen', phase: b.id, came: b.is !== 'not-yet' });
  const { points, parts } = engine.model;
  const point = points[exercise.seed % points.length]!;
  perform(stand, {
    do: 'put',
    place: { at: 'points', red: engine.model.nets[point.net]!, black: engine.model.nets[point.black]! },
  });
  settle(stand, 1);
  perform(stand, { do: 'note' });
  const part = parts[exercise.seed % parts.length]!;
  perform(stand, { do: 'record', part: part.id, cause: 'itself' });
  perform(stand, { do: 'repair', part: part.id, measured: exercise.seed % 2 === 0 });
  perform(stand, { do: 'set', change: { power: false, gas: false } });
  perform(stand, { do: 'close', ending: 'left-off', given: { why: 'x', told: 'y', tag: 'z' } });
  return [...stand.moves];
}

describe('the lesson', () => {
  test('says of every move what could be believed, what it told and what was best; the truth has the first row', () => {
    const laid = laidWith('furnace-condensing', 'gas-valve.coil-short');
    const planned = plan(laid);
    const moves = play(laid, 'walker');
    const lesson = lessonOf(laid, moves, planned);
    expect(lesson.rows[0]).toBe(laid.exercise.truth!.repair);
    for (const { believed } of lesson.moves)
      expect(believed.reduce((sum, { share }) => sum + share, 0)).toBeCloseTo(1, 6);
    const told = lesson.moves.flatMap(({ bits }) => bits ?? []);
    expect(Math.max(...told)).toBeGreaterThan(0.5);
    const own = lessonOf(laid, planned.moves, planned);
    const others = (l: typeof own): number => l.moves.filter(({ best }) => best !== undefined).length;
    expect(others(own)).toBeLessThan(others(lesson));
    const at = moves.findIndex(({ body }) => body.type === 'repaired');
    expect(lesson.moves[at - 1]!.believed[0]!.share).toBeGreaterThan(0.9);
    const view = lessonView(
      laid,
      { moves },
      stateAfter(laid.engine.model, moves),
      lesson,
      { state: stateAfter(laid.engine.model, planned.moves) },
      'us',
    );
    // The chain splits: what is left gets less, and ends with what it was.
    const left = lesson.moves.map((m) => m.left.filter(Boolean).length);
    expect(left[0]).toBeGreaterThan(4);
    expect(left.at(-1)).toBe(1);
    expect(
      lesson.moves
        .at(-1)!
        .left.map((l, i) => (l ? view.chain[i] : ''))
        .join(''),
    ).toBe('gas valve');
    const best = view.moves.find(({ bits = 0 }) => bits > 0.5)!;
    expect(best.perMinute).toBeGreaterThan(0);
    // The true run: it glows here too, and never burns.
    expect(view.run.find(({ title }) => /flame|lights/i.test(title))).toMatchObject({
      here: undefined,
      book: expect.any(Number),
    });
    expect(view.title).toMatch(/gas valve/);
    expect(view.moves.every(({ words }) => words.length > 0)).toBe(true);
  });

  /** What was believed wrongly, after these acts and an end. */
  function shown(laid: Laid, does: (stand: Stand) => void): string[] {
    const stand = opened(laid);
    does(stand);
    perform(stand, { do: 'close', ending: 'not-proved', given: { why: 'x', watches: 'y' } });
    const planned = { minutes: 10, tests: 3, moves: stand.moves };
    return lessonOf(laid, stand.moves, planned).misconceptions.map(({ id }) => id);
  }

  test('ohms of a glow igniter that was on a minute ago', () => {
    const laid = laidWith('furnace-condensing', 'igniter.weak');
    const ohms = (wait: number): string[] =>
      shown(laid, (stand) => {
        stand.runTo(stand.clock + 60_000);
        perform(stand, { do: 'set', change: { power: false } });
        stand.runTo(stand.clock + wait);
        for (const need of ['meter', 'isolated']) perform(stand, { do: 'need', need, of: 'igniter' });
        perform(stand, { do: 'turn', set: 'ohms' });
        perform(stand, { do: 'put', place: { at: 'part', part: 'igniter', branch: '' } });
        settle(stand);
        perform(stand, { do: 'note' });
      });
    expect(ohms(0)).toContain('hot-igniter');
    expect(ohms(15 * 60_000)).not.toContain('hot-igniter');
  });

  test('AC asked of a circuit that has none of it', () => {
    const laid = laidWith('mobile-furnace', 'gas-valve.coil-open');
    const wrong = shown(laid, (stand) => {
      perform(stand, {
        do: 'put',
        place: {
          at: 'points',
          red: stand.laid.engine.model.nets[stand.laid.engine.model.points[0]!.net]!,
          black: stand.laid.engine.model.nets[stand.laid.engine.model.points[0]!.black]!,
        },
      });
      settle(stand);
      perform(stand, { do: 'note' });
    });
    expect(wrong).toContain('wrong-function');
  });

  test('a safety that opened rightly is replaced: the safety was blamed; another part: a symptom was replaced', () => {
    const engine = engineOf('furnace-condensing');
    const filter = engine.hypotheses.find((h) => h.family === 'filter.blocked')!;
    const limit = engine.model.parts[filter.breaks!]!.id;
    const laid = laidWith('furnace-condensing', 'filter.blocked', 'cause');
    expect(shown(laid, (stand) => perform(stand, { do: 'repair', part: limit, measured: false }))).toContain(
      'safety-blamed',
    );
    expect(shown(laid, (stand) => perform(stand, { do: 'repair', part: 'blower', measured: false }))).toContain(
      'symptom',
    );
  });

  test('a few ohms, and the leads were not zeroed', () => {
    const laid = laidWith('furnace-condensing', 'gas-valve.coil-short');
    const coil = (zero: boolean): string[] =>
      shown(laid, (stand) => {
        perform(stand, { do: 'set', change: { power: false } });
        for (const need of ['meter', 'isolated']) perform(stand, { do: 'need', need, of: 'gas-valve' });
        perform(stand, { do: 'turn', set: 'ohms' });
        if (zero) perform(stand, { do: 'lead-zero' });
        perform(stand, { do: 'put', place: { at: 'part', part: 'gas-valve', branch: '' } });
        settle(stand);
        perform(stand, { do: 'note' });
      });
    expect(coil(false)).toContain('leads');
    expect(coil(true)).not.toContain('leads');
  });

  test('a ghost on a wire that nothing joins; low impedance shows that it is none', () => {
    const engine = engineOf('furnace-condensing');
    const { points } = engine.model;
    // Wherever a light meter would pick something up on this machine.
    const found = engine.hypotheses
      .filter((h) => h.kind === 'fault' && h.occurs === 1)
      .flatMap((h) => {
        const laid = laidWith('furnace-condensing', h.family);
        const lived = laid.appliance.live([FIRST_EPISODE]);
        const ghost = points.find(({ net, black }) => {
          const asked: Question = { kind: 'volts', red: net, black, phase: AS_IT_STANDS, input: 'high-impedance' };
          return kindOf(asked).predict(laid.appliance.model, lived, asked).kind === 'ghost';
        });
        return ghost ? [{ laid, ghost }] : [];
      });
    expect(found.length).toBeGreaterThan(0);
    const { laid, ghost } = found[0]!;
    const { nets } = laid.engine.model;
    const volts = (set: 'v-ac' | 'v-ac-low'): string[] =>
      shown(laid, (stand) => {
        stand.runTo(stand.clock + 400_000);
        perform(stand, { do: 'turn', set });
        perform(stand, { do: 'put', place: { at: 'points', red: nets[ghost.net]!, black: nets[ghost.black]! } });
        settle(stand);
        perform(stand, { do: 'note' });
      });
    expect(volts('v-ac')).toContain('ghost');
    expect(volts('v-ac-low')).not.toContain('ghost');
  });

  test('a tired transformer that was read with nothing on it, and something else was blamed', () => {
    const laid = laidWith('furnace-condensing', 'transformer.weak');
    const read = (heatCall: boolean): string[] =>
      shown(laid, (stand) => {
        perform(stand, { do: 'set', change: { heatCall } });
        stand.runTo(stand.clock + 20_000);
        perform(stand, { do: 'put', place: { at: 'points', red: 'R', black: 'C' } });
        settle(stand);
        perform(stand, { do: 'note' });
        perform(stand, { do: 'record', part: 'thermostat', cause: 'itself' });
      });
    expect(read(false)).toContain('unloaded');
    expect(read(true)).not.toContain('unloaded');
  });

  test('gas that stands was read, and it fails when it flows', () => {
    const laid = laidWith('furnace-condensing', 'gas-supply.low');
    const read = (heatCall: boolean): string[] =>
      shown(laid, (stand) => {
        perform(stand, { do: 'set', change: { heatCall } });
        perform(stand, { do: 'need', need: 'gauge' });
        stand.runTo(stand.clock + 90_000);
        perform(stand, { do: 'take', instrument: 'g' });
        perform(stand, { do: 'put', place: { at: 'gauge', gauge: 'gas-inlet' } });
        settle(stand, 6);
        perform(stand, { do: 'note' });
      });
    expect(read(false)).toContain('standing');
    expect(read(true)).not.toContain('standing');
  });

  test('a delay was called dead', () => {
    const laid = laidWith('furnace-condensing', 'nothing', 'nothing');
    const said = (after: number): string[] =>
      shown(laid, (stand) => {
        perform(stand, { do: 'again' });
        stand.runTo(stand.clock + after);
        perform(stand, { do: 'outcome', outcome: after > 100_000 ? 'runs' : 'dead' });
      });
    expect(said(4000)).toContain('delay');
    expect(said(400_000)).not.toContain('delay');
  });

  test('the same point again tells nothing: known twice', () => {
    const laid = laidWith('furnace-condensing', 'igniter.open');
    const twice = shown(laid, (stand) => {
      stand.runTo(stand.clock + 8000);
      perform(stand, { do: 'put', place: { at: 'points', red: 'W', black: 'C' } });
      for (let i = 0; i < 2; i++) {
        settle(stand);
        perform(stand, { do: 'note' });
      }
    });
    expect(twice).toContain('known-twice');
  });
});

describe('a sound run, told', () => {
  const laid = layOut(
    {
      level: 0,
      seed: 12,
      profile: 'furnace-condensing',
      kind: 'nothing',
      hidden: engineOf('furnace-condensing').healthy.index,
    },
    profileText('furnace-condensing'),
    engineOf('furnace-condensing'),
  );
  const steps = stepsOf(laid);
  const order = steps.map(({ id }) => id);
  const seconds = Object.fromEntries(steps.map((s) => [s.id, s.seconds]));

  test('its steps come in the trade’s order, within what TRADE gives them', () => {
    expect(asksRun(laid.exercise)).toBe(true);
    expect(order).toEqual(['call', 'inducer', 'glow', 'valve', 'flame', 'steady', 'heating']);
    expect(gradeRun(steps, { order, seconds })).toEqual({ order: 1, times: 1 });
    // The other way round every pair is wrong, but those that come together.
    expect(gradeRun(steps, { order: [...order].reverse(), seconds: {} }).order).toBeLessThan(0.2);
    const late = Object.fromEntries(steps.map((s) => [s.id, s.seconds * 1.2]));
    expect(gradeRun(steps, { order, seconds: late }).times).toBe(1);
    const later = Object.fromEntries(steps.map((s) => [s.id, s.seconds * 1.5 + 10]));
    expect(gradeRun(steps, { order, seconds: later }).times).toBe(0);
  });

  test('what is missing is said, the first telling counts, and the mark is made of it', () => {
    const stand = new Stand(laid);
    const asked = standView(stand, 0, 1, 'us').asks!.map(({ id }) => id);
    expect([...asked].sort()).toEqual([...order].sort());
    expect(asked).not.toEqual(order);
    expect(perform(stand, { do: 'tell-run', order: order.slice(1), seconds })).toMatch(/every step its place/);
    expect(perform(stand, { do: 'tell-run', order, seconds: { call: 0 } })).toMatch(/Guess, in seconds/);
    expect(stand.moves).toHaveLength(1);
    expect(perform(stand, { do: 'tell-run', order, seconds })).toBeUndefined();
    expect(perform(stand, { do: 'tell-run', order: [...order].reverse(), seconds })).toMatch(/first telling counts/);
    expect(standView(stand, 0, 1, 'us').asks).toBeUndefined();
    const planned = plan(laid);
    const mark = markOf(laid, planned.moves, planned);
    expect(mark.shares.map(({ id }) => id)).toContain('times');
    expect(mark).toMatchObject({ proved: true });
    const silent = planned.moves.filter(({ body }) => body.type !== 'run-told');
    expect(markOf(laid, silent, planned).total).toBe(
      mark.total - 10 - mark.shares.find(({ id }) => id === 'times')!.got,
    );
  });
});

describe('two at once', () => {
  const engine = engineOf('furnace-condensing');
  const found = Array.from({ length: 12 }, (_, seed) =>
    layOut(
      {
        level: 7,
        seed,
        profile: 'furnace-condensing',
        kind: 'two',
        hidden: hideable(engine, 'two', {})[seed * 3]!.index,
      },
      profileText('furnace-condensing'),
      engine,
    ),
  );
  const both = found.filter(({ exercise }) => exercise.second !== undefined);

  test('neither runs without the other being mended; they are of different parts', () => {
    expect(both.length).toBeGreaterThan(8);
    for (const { exercise, appliance } of both) {
      const [a, b] = truthsOf(exercise).map(({ faults }) => faults.map(({ part }) => part));
      const runs = (...repaired: number[][]): boolean =>
        appliance.runs([FIRST_EPISODE, { ...FIRST_EPISODE, repaired: repaired.flat() as never }]);
      expect([runs(a!), runs(b!), runs(a!, b!)]).toEqual([false, false, true]);
    }
  });

  test('both are asked for: who mends one gets half of the proof at most, and it is not proved', () => {
    const laid = both.find((l) => markOf(l, plan(l).moves, plan(l)).proved)!;
    const planned = plan(laid);
    const mark = markOf(laid, planned.moves, planned);
    expect(mark.total).toBeGreaterThanOrEqual(90);
    const lesson = lessonOf(laid, planned.moves, planned);
    expect(lesson.rows.slice(0, 2)).toEqual(truthsOf(laid.exercise).map(({ repair }) => repair));
    const at = planned.moves.findIndex(({ body }) => body.type === 'repaired');
    const one = [...planned.moves.slice(0, at + 1), planned.moves.at(-1)!];
    const half = markOf(laid, one, planned);
    expect(half.proved).toBe(false);
    expect(half.shares.find(({ id }) => id === 'proof')!.got).toBeLessThanOrEqual(15);
    expect(half.critical.map(({ id }) => id)).toContain('false-proof');
  });
});

describe('an exercise of a proved call', () => {
  const id = 'furnace-condensing';
  const called = laidWith(id, 'gas-valve.coil-short', 'single', 4711);
  const moves = play(called, 'planner');
  const events: CallEvent[] = moves.map(({ at, body }, i) => ({
    id: `01890000-0000-7000-8000-${String(i).padStart(12, '0')}`,
    call: 'c',
    seq: i + 1,
    at: new Date(Date.UTC(2026, 10, 1) + at).toISOString(),
    device: 'd',
    person: 'imre',
    body: body as CallEvent['body'],
  }));

  test('has the same fault, and of many machines the one that reads most as was measured', () => {
    const made = exerciseFromCall(profileText(id), id, PLAIN, events, 5) as Exercise;
    const laid = layOut(made, profileText(id));
    expect(laid.exercise.truth!.family).toBe('gas-valve.coil-short');
    expect(laid.exercise.build).toEqual(PLAIN);
    const { evidence } = stateAfter(called.engine.model, moves);
    const mended = evidence.episodes.findIndex(({ repaired }) => repaired.length > 0);
    const items = evidence.items.filter(({ episode }) => episode < mended);
    const off = (of: Exercise): number => meanMisfit(layOut(of, profileText(id)).appliance, items, evidence.episodes);
    const others = Array.from({ length: 12 }, (_, i) => off({ ...made, seed: 900 + i })).sort((a, b) => a - b);
    expect(off(made)).toBeLessThanOrEqual(others[3]!);
    expect(plan(laid).moves.at(-1)!.body).toMatchObject({ type: 'closed', ending: 'proved' });
  });

  test('what the record names is it, where the repair proved what no reading did', () => {
    const unread = events.filter(({ body }) => !['volts', 'ohms', 'gauge', 'farads'].includes(body.type));
    const made = exerciseFromCall(profileText(id), id, PLAIN, unread, 5) as Exercise;
    expect(called.engine.hypotheses[made.hidden]!.breaks).toBe(called.exercise.truth!.breaks);
    const open = unread.filter(({ body }) => body.type !== 'closed');
    expect(exerciseFromCall(profileText(id), id, PLAIN, open, 5)).toMatchObject({ problem: expect.any(String) });
  });

  test('one with an option of its family is built so; one that is wired in its own way is none, and neither is one that proved nothing', () => {
    const [variant] = variantsOf(profileText(id), id);
    const build = withVariant(variant!.id);
    const made = exerciseFromCall(profileText(id), id, build, events, 5) as Exercise;
    expect(layOut(made, profileText(id)).exercise.build).toEqual(build);
    const own = { options: [], order: { line: ['x'] } };
    expect(exerciseFromCall(profileText(id), id, own, events, 5)).toMatchObject({
      problem: expect.stringMatching(/own way/),
    });
    expect(exerciseFromCall(profileText(id), id, PLAIN, events.slice(0, 3), 5)).toMatchObject({
      problem: expect.stringMatching(/Nothing was proved/),
    });
  });
});

test('help says what is left and what is best, and costs', () => {
  const stand = new Stand(laidWith('furnace-condensing', 'igniter.open'));
  expect(hintWords(stand, 'half')).toMatch(/are left/);
  expect(hintWords(stand, 'test')).toMatch(/^Best now: /);
  expect(hintWords(stand, 'why')).toMatch(/bits/);
  expect(endingsNow(stand).endings.map(({ id }) => id)).toContain('referred');
});

describe('the course', () => {
  const played = (mark: Partial<Parameters<typeof progressOf>[0][number]> = {}) => ({
    level: 2,
    mark: 90,
    proved: true,
    critical: false,
    minutes: 12,
    planned: 10,
    confused: [],
    ...mark,
  });

  test('five in a row without a critical act, quick enough, four of five proved: passed', () => {
    const five = Array.from({ length: 5 }, () => played());
    expect(progressOf(five)[2]).toMatchObject({ passed: true, inARow: 5, missing: [] });
    expect(progressOf(five.slice(1))[2]).toMatchObject({ passed: false, missing: ['1 more without a critical act'] });
    expect(progressOf([...five, played({ critical: true })])[2]).toMatchObject({ passed: false, inARow: 0 });
    expect(progressOf(five.map((p) => ({ ...p, minutes: 16 })))[2]!.passed).toBe(false);
    expect(progressOf([...five.slice(0, 3), played({ proved: false }), played({ proved: false })])[2]!.passed).toBe(
      false,
    );
    expect(progressOf([...five.slice(0, 4), played({ proved: false })])[2]!.passed).toBe(true);
  });

  test('a part that came up twice is confused', () => {
    expect(confusedIn([played({ confused: ['igniter'] }), played()])).toEqual([]);
    expect(confusedIn([played({ confused: ['igniter'] }), played({ confused: ['igniter', 'limit'] })])).toEqual([
      'igniter',
    ]);
  });
});
