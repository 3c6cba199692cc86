import { Engine } from '../src/diagnosis';
import {
  drawExercise,
  exerciseCode,
  EXERCISE_KINDS,
  type Exercise,
  hideable,
  type Laid,
  layOut,
  lessonOf,
  LEVELS,
  markOf,
  type Move,
  opening,
  perform,
  plan,
  play,
  PLAYERS,
  profileFor,
  progressOf,
  confusedIn,
  readExerciseCode,
  Stand,
  stateAfter,
} from '../src/practice';
import { endingsNow, hintWords, lessonView, standView } from '../src/presentation';
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
    for (let i = 0; i < 2; i++) stand.put({ at: 'points', red: 'W', black: 'C' });
    const glow = stand.machine().beads.find((b) => b.id === 'inducer')!;
    expect(glow.is).toBe('now');
    stand.runTo(stand.clock + 1000);
    expect(stand.machine().beads.find((b) => b.id === 'call')!.is).toBe('now');
  });

  test('the meter shows the circuit: volts as they stand, the true wrong number of a wrong function, OL of what is open', () => {
    const stand = new Stand(laidWith('furnace-condensing', 'igniter.open'));
    expect(perform(stand, { do: 'put', place: { at: 'points', red: 'W', black: 'C' } })).toBeUndefined();
    expect(Number(settle(stand).digits)).toBeGreaterThan(22);
    perform(stand, { do: 'turn', set: 'v-dc' });
    expect(Math.abs(Number(settle(stand).digits))).toBeLessThan(1);
    perform(stand, { do: 'set', change: { power: false } });
    perform(stand, { do: 'turn', set: 'ohms' });
    perform(stand, { do: 'put', place: { at: 'part', part: 'igniter', branch: '' } });
    expect(settle(stand)).toMatchObject({ digits: 'OL', accident: false });
  });

  test('ohms on a live circuit is an accident: written once for each place, and the mark is held down by it', () => {
    const laid = laidWith('furnace-condensing', 'igniter.open');
    const stand = new Stand(laid);
    perform(stand, { do: 'put', place: { at: 'points', red: 'W', black: 'C' } });
    perform(stand, { do: 'turn', set: 'ohms' });
    for (let i = 0; i < 3; i++) standView(stand, i * 200, 1, 'us');
    expect(stand.moves.filter(({ body }) => body.type === 'accident')).toHaveLength(1);
    const planned = plan(laid);
    const moves = [...stand.moves, ...planned.moves.slice(1).map((m) => ({ ...m, at: m.at + stand.clock }))];
    const mark = markOf(laid, moves, planned);
    expect(mark.critical.map(({ id }) => id)).toEqual(['ohms-live']);
    expect(mark.total).toBe(40);
    expect(mark.uncapped).toBeGreaterThan(40);
  });

  test('a reading that is noted is an entry of a real call, with its place and its step or moment', () => {
    const stand = new Stand(laidWith('furnace-condensing', 'igniter.open'));
    stand.runTo(6000);
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

  test('it goes on where it was left, by its moves alone', () => {
    const laid = laidWith('hydronic-boiler', 'module.pv-dead');
    const stand = new Stand(laid);
    stand.runTo(40_000);
    perform(stand, { do: 'set', change: { gas: false } });
    perform(stand, { do: 'outcome', outcome: 'stuck' });
    const again = new Stand(laid, JSON.parse(JSON.stringify(stand.moves)) as Move[], stand.clock);
    expect(again.machine().setup).toEqual(stand.machine().setup);
    expect(again.clock).toBe(stand.clock);
    expect(again.state.evidence).toEqual(stand.state.evidence);
  });

  test.each([
    ['a point that is none', { do: 'put', place: { at: 'points', red: 'W', black: 'XX' } }, /XX/],
    ['both probes on one point', { do: 'put', place: { at: 'points', red: 'W', black: 'W' } }, /same point/],
    ['a look that is none', { do: 'look', look: 'moon' }, /moon/],
    ['a part that is none', { do: 'repair', part: 'flux', measured: true }, /flux/],
    ['a step that is none', { do: 'seen', phase: 'moon', came: true }, /moon/],
    ['nothing on the display', { do: 'note' }, /blank|touch nothing/],
    ['a line that is not open', { do: 'line', line: 'moon' }, /done, or is none/],
  ] as const)('%s is said, and nothing is written', (_name, act, words) => {
    const stand = new Stand(laidWith('furnace-condensing', 'igniter.open'));
    expect(perform(stand, act)).toMatch(words);
    expect(stand.moves).toHaveLength(1);
  });

  test('a new part that nobody measured is as bad as the old one; measured first, it cures', () => {
    const laid = laidWith('furnace-condensing', 'igniter.open', 'bad-part');
    const fit = (measured: boolean): boolean => {
      const stand = new Stand(laid);
      perform(stand, { do: 'repair', part: 'igniter', measured });
      return laid.appliance.runs(stand.state.evidence.episodes);
    };
    expect([fit(false), fit(true)]).toEqual([false, true]);
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
  const stand = new Stand({ engine, appliance, exercise });
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
    expect(view.title).toMatch(/gas valve/);
    expect(view.moves.every(({ words }) => words.length > 0)).toBe(true);
  });

  /** What was believed wrongly, after these acts and an end. */
  function shown(laid: Laid, does: (stand: Stand) => void): string[] {
    const stand = new Stand(laid);
    does(stand);
    perform(stand, { do: 'close', ending: 'not-proved', given: { why: 'x', watches: 'y' } });
    const planned = { minutes: 10, tests: 3, moves: stand.moves };
    return lessonOf(laid, stand.moves, planned).misconceptions.map(({ id }) => id);
  }

  test('ohms of a glow igniter that was on a minute ago', () => {
    const laid = laidWith('furnace-condensing', 'igniter.weak');
    const ohms = (wait: number): string[] =>
      shown(laid, (stand) => {
        stand.runTo(60_000);
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

  test('the same point again tells nothing: known twice', () => {
    const laid = laidWith('furnace-condensing', 'igniter.open');
    const twice = shown(laid, (stand) => {
      stand.runTo(8000);
      perform(stand, { do: 'put', place: { at: 'points', red: 'W', black: 'C' } });
      for (let i = 0; i < 2; i++) {
        settle(stand);
        perform(stand, { do: 'note' });
      }
    });
    expect(twice).toContain('known-twice');
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
