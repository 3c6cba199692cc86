import { Engine } from '../src/diagnosis';
import { type CallView, viewOf } from '../src/presentation';
import {
  type DeclaredStop,
  endingWith,
  type Family,
  lineProblem,
  minutesFired,
  openLines,
  proofLineWith,
  proofListsFor,
  type Range,
  requirementsOf,
  stayMinutes,
  TRAINED,
} from '../src/rules';
import { type CallEvent, type EventBody, overviewOf, reduceCall } from '../src/visit';
import { USUAL_STANDARD } from '../src/standards';
import { FAMILIES, profile } from './models';
import { A, L, stopsOf, T, ToldCall } from './rules-call';

// The proof of a repair, §6 of the rules (common practice, no source, but where a line names one).

const repaired = (family: Family, ...touches: string[]): ToldCall =>
  new ToldCall(family).note({ type: 'repaired', part: 'x', title: 'x', touches });
const open = (call: ToldCall): string[] => openLines(call.now()).map(({ id }) => id);
const done = (line: string, value?: number, more: { fuel?: string; plate?: Range } = {}) =>
  ({ type: 'proof-line', line, answer: 'done', ...(value !== undefined && { value }), ...more }) as const;
const marksOf = (call: ToldCall): string[] => (call.now().marks.get(call.newest) ?? []).map((m) => m.mark);

test.each<[Family, string, number | undefined]>([
  ['furnace', 'run-furnace', 30],
  ['mobile-furnace', 'run-furnace', 30],
  ['pool-heater', 'run-pool', 30],
  ['pool-heat-pump', 'run-heat-pump', 20],
  ['dryer', 'run-dryer', 15],
  ['steam', 'run-steam', undefined],
  ['hydronic', 'run-hydronic', undefined],
  ['combi', 'run-combi', undefined],
  ['storage-heater', 'run-heater', undefined],
])('the run of %s is %s, and takes its minutes', (family, id, minutes) => {
  const [run] = proofListsFor(family, []);
  const line = run!.lines.find((l) => l.id === id)!;
  expect(line.number?.least).toBe(minutes);
  expect(run!.lines.map((l) => l.id)).toContain('stay');
});

describe('stay', () => {
  test.each<[Record<string, string | number>, number | undefined]>([
    [{}, undefined],
    [{ showed: 'steady' }, 0],
    [{ showed: 'came-and-went' }, 60],
    [{ showed: 'came-and-went', 'shows-after': 4 }, 15],
    [{ showed: 'came-and-went', 'shows-after': 12 }, 24],
    [{ showed: 'came-and-went', 'shows-after': 45 }, 60],
    [{ showed: 'cause-left' }, 60],
    [{ showed: 'cause-left', 'trips-after': 14 }, 14],
    [{ showed: 'cause-left', 'trips-after': 90 }, 90],
  ])('%j takes %s minutes', (facts, minutes) => {
    const call = repaired('furnace');
    for (const [fact, value] of Object.entries(facts)) call.says(fact, value);
    expect(stayMinutes(call.now().c)).toBe(minutes);
  });

  test('a safety that was reset without its cause mended counts as a cause that is left', () => {
    const call = (mended: boolean) =>
      repaired('furnace').reset('limit').cause('limit', mended).says('showed', 'steady').says('trips-after', 14);
    expect(stayMinutes(call(false).now().c)).toBe(14);
    expect(stayMinutes(call(true).now().c)).toBe(0);
  });

  test('claimed too early it does not count; once the time is over it does, and a new repair begins anew', () => {
    const call = repaired('steam').says('showed', 'came-and-went').says('shows-after', 10);
    call.after(19).note(done('stay'));
    expect(marksOf(call)).toEqual(['too-early']);
    expect(open(call)).toContain('stay');
    call.after(1).note(done('stay'));
    expect(marksOf(call)).toEqual([]);
    expect(open(call)).not.toContain('stay');
    call.after(1).note({ type: 'repaired', part: 'y', title: 'y', touches: [] });
    expect(open(call)).toContain('stay');
  });

  test('while one stays the call does not end as proved', () => {
    const call = repaired('steam').says('showed', 'came-and-went').after(5);
    const proof = requirementsOf(endingWith('proved')!, call.now()).find((r) => r.id === 'proof')!;
    expect(proof.met).toBe(false);
  });
});

describe('numbers of the proof', () => {
  test('minutes count, and more of them than it could run since the repair are marked', () => {
    const call = repaired('pool-heater').after(12).set({ gas: false }).after(30);
    expect(minutesFired(call.now().c)).toBe(12);
    call.note(done('run-pool', 30));
    expect(marksOf(call)).toEqual(['beyond-clock']);
    expect(open(call)).not.toContain('run-pool');
    call.set({ gas: true }).after(20).note(done('run-pool', 32));
    expect(marksOf(call)).toEqual([]);
  });

  test('what is not within its limits does not count, whoever sends it', () => {
    const call = repaired('furnace', 'flame-sensing').note(done('signal', 0.4), L);
    expect(marksOf(call)).toEqual(['out-of-limits']);
    expect(open(call)).toContain('signal');
    expect(open(call.note(done('signal', 1)))).not.toContain('signal');
  });

  // Inlet and manifold by fuel, in w.c.: common practice, no source.
  test.each<[string, number, string | undefined, Range | undefined, boolean]>([
    ['inlet', 7, 'natural', undefined, true],
    ['inlet', 11, 'natural', undefined, false],
    ['inlet', 11, 'propane', undefined, true],
    ['inlet', 7, 'propane', undefined, false],
    ['inlet', 7, undefined, undefined, false],
    ['inlet', 4.6, undefined, { least: 4.5, most: 10 }, true],
    ['manifold', 3.5, 'natural', undefined, true],
    ['manifold', 3.5, 'propane', undefined, false],
    ['manifold', 10, 'propane', undefined, true],
    ['manifold', 3.5, 'natural', { least: 2.4, most: 2.8 }, false],
    ['manifold', 2.6, 'natural', { least: 2.8, most: 2.4 }, false],
    // The plate has no word on what gas may pass a shut valve.
    ['let-by', 0.3, 'natural', { least: 0, most: 1 }, false],
  ])('%s %s on %s with the plate %j: %s', (id, value, fuel, plate, good) => {
    expect(lineProblem(proofLineWith(id)!, { value, plate }, fuel) === undefined).toBe(good);
    const call = repaired('furnace', 'gas-control').note(
      done(id, value, { ...(fuel !== undefined && { fuel }), ...(plate && { plate }) }),
    );
    expect(open(call).includes(id)).toBe(!good);
  });

  test('an unknown fuel is asked for, and a limit that is upside down is named', () => {
    expect(lineProblem(proofLineWith('inlet')!, { value: 7 }, undefined)).toMatch(/which fuel/);
    expect(lineProblem(proofLineWith('inlet')!, { value: 7, plate: { least: 9, most: 5 } }, undefined)).toMatch(
      /upper/,
    );
  });
});

test('a touched safety has to be made to act: its readings alone do not do', () => {
  const acted = (call: ToldCall) =>
    requirementsOf(endingWith('not-proved')!, call.now()).find((r) => r.id === 'safety-acted')!.met;
  const magnet = repaired('storage-heater', 'thermocouple').note(done('open-mv', 26)).note(done('loaded-mv', 13));
  expect(acted(magnet)).toBe(false);
  expect(acted(magnet.note(done('blown-out', 40)))).toBe(true);
});

describe('a stop that a profile declares', () => {
  const packed: DeclaredStop = {
    id: 'packed',
    title: 'The duct is packed',
    grade: 'off',
    orders: ['Free the duct.'],
    meanwhile: 'Cold looks.',
    allows: ['look'],
    evidence: ['The duct is free'],
    endedBy: 'technician',
  };
  const brings = (call: ToldCall): ToldCall => call.note({ type: 'raises', stop: packed });

  test('stands with its orders after the shut-offs, ends on its evidence by whoever may, and comes back', () => {
    const call = brings(new ToldCall('dryer'));
    const [stop] = call.now().stops;
    expect(stop).toMatchObject({ grade: 'off', endedBy: { role: 'technician' } });
    expect(stop!.orders.map((o) => o.order.sentence)).toEqual([
      'Shut the gas cock.',
      'Switch the power off.',
      'Free the duct.',
      'Hang the tag: do not use.',
      'Tell the customer.',
    ]);
    const end = { type: 'stop-ended', stop: 'own-packed', evidence: { 'evidence-1': 'yes' } } as const;
    expect(stopsOf(call.note({ ...end, evidence: {} }).now())).toEqual(['own-packed']);
    expect(stopsOf(call.note(end, A).now())).toEqual(['own-packed']);
    expect(call.now().claims).toHaveLength(1);
    expect(stopsOf(call.note(end).now())).toEqual([]);
    expect(stopsOf(brings(call).now())).toEqual(['own-packed']);
  });

  test('stands below a graver one of the rules', () => {
    expect(stopsOf(brings(new ToldCall('dryer')).says('smell', 'room').now())).toEqual(['gas-strong', 'own-packed']);
  });

  test('a look of the dryer brings it, and the office sees it without the profile', () => {
    const model = profile('dryer-burner');
    const look: EventBody = { type: 'look', look: 'vent-look', answer: 'nothing' };
    const told = reduceCall(model, entries([look]));
    expect(stopsOf(told.followed)).toEqual(['own-packed-duct']);
    const [entry] = told.log.map(({ event }) => event).filter(({ body }) => body.type === 'look');
    const seen = overviewOf([{ event: entry!, number: 1 }], Date.parse(AT(2)));
    expect(seen.stops).toMatchObject([{ id: 'own-packed-duct', title: expect.stringMatching(/packed/) as string }]);
  });
});

test('a shop that is stricter stops earlier, one that is looser does not', () => {
  const model = profile('furnace-condensing');
  const at = (co: number, limits?: { coFind: number; coOff: number; coOut: number }): string[] =>
    stopsOf(reduceCall(model, entries([{ type: 'fact', fact: 'co', value: co }], limits)).followed);
  expect(at(25)).toEqual(['co-find']);
  expect(at(25, { coFind: 5, coOff: 20, coOut: 50 })).toEqual(['co-off']);
  expect(at(75, { coFind: 500, coOff: 500, coOut: 500 })).toEqual(['co-out']);
});

describe('the condemning reading', () => {
  const model = profile('furnace-condensing');
  const engine = new Engine(model);
  const ohms = (text: string, value: number): EventBody => ({
    type: 'ohms',
    part: 'igniter',
    branch: '',
    typed: text,
    reading:
      value === Infinity
        ? { kind: 'open', dimension: 'resistance' }
        : { kind: 'value', value, dimension: 'resistance' },
  });
  const repair: EventBody = { type: 'repaired', part: 'igniter', action: 'replaced' };
  const viewAfter = (...bodies: EventBody[]): CallView => {
    const state = reduceCall(model, entries(bodies), { needs: 'met' });
    return viewOf(engine, state, engine.assess(state.evidence), {
      units: 'us',
      person: TRAINED,
      standard: USUAL_STANDARD,
      phase: undefined,
    });
  };
  const condemning = (...bodies: EventBody[]) => viewAfter(...bodies).condemning;
  const off: EventBody = { type: 'seen', phase: 'glow', answer: 'no' };

  test('there is none before the repair, and none where nothing was wrong', () => {
    expect(condemning(off, ohms('OL', Infinity))).toBeUndefined();
    expect(condemning(ohms('60', 60), repair)).toBeUndefined();
  });

  test('is the last measured one that no sound appliance shows, and is judged when it is read again', () => {
    expect(condemning(ohms('OL', Infinity), off, repair)).toMatchObject({
      words: expect.stringMatching(/igniter.*OL/i) as string,
      now: undefined,
    });
    expect(condemning(ohms('OL', Infinity), repair, ohms('OL', Infinity))!.now!.good).toBe(false);
    expect(condemning(ohms('OL', Infinity), repair, ohms('60', 60))!.now!.good).toBe(true);
  });

  test('a new part that was measured before it was fitted need not be measured again', () => {
    const again = condemning(ohms('OL', Infinity), { ...repair, measured: true } as EventBody)!;
    expect(again.now).toMatchObject({ good: true });
    // A reading made since counts more.
    expect(
      condemning(ohms('OL', Infinity), { ...repair, measured: true } as EventBody, ohms('OL', Infinity))!.now!.good,
    ).toBe(false);
  });

  test('where nothing was measured it is what was seen', () => {
    expect(condemning(off, repair)!.answer.kind).toBe('choice');
  });

  test('how long a cause that is left takes is worked out by the model', () => {
    const view = viewAfter({ type: 'repaired', part: 'limit', action: 'replaced' });
    // A furnace with too little air opens its limit within a few to thirty minutes (common practice, no source).
    expect(view.tripsAfter).toBeGreaterThan(3);
    expect(view.tripsAfter).toBeLessThan(30);
  });

  test('each cause that was left says within how long it would show again; the slowest is how long one stays', () => {
    const { returns, tripsAfter } = viewAfter({ type: 'repaired', part: 'limit', action: 'replaced' });
    expect(returns.find(({ words }) => /air filter.*blocked.*high limit opens again/i.test(words))).toBeDefined();
    expect(returns.map(({ minutes }) => minutes)).toEqual(returns.map(({ minutes }) => minutes).sort((a, b) => a - b));
    expect(returns.at(-1)!.minutes).toBe(tripsAfter);
    expect(viewAfter({ type: 'repaired', part: 'gas-valve', action: 'replaced' }).returns).toEqual([]);
  });

  test('one low-water control failed: the other is tested before leaving, on steam boilers', () => {
    const lines = (family: Parameters<typeof proofListsFor>[0]) =>
      proofListsFor(family, ['low-water']).flatMap((list) => list.lines.map(({ id }) => id));
    expect(lines('steam')).toContain('other-low-water');
    expect(lines('hydronic')).not.toContain('other-low-water');
    expect(proofListsFor('steam', ['igniter']).flatMap(({ lines: l }) => l.map(({ id }) => id))).not.toContain(
      'other-low-water',
    );
  });
});

test.each(FAMILIES)('%s: no safety takes longer to open again than one can stay', (id) => {
  const model = profile(id);
  const engine = new Engine(model);
  for (const { safety, index } of model.parts) {
    const time = safety === undefined ? undefined : engine.timeToTrip(index);
    if (time !== undefined) expect(time).toBeLessThanOrEqual(60 * 60_000);
  }
});

const AT = (minute: number): string => new Date(Date.UTC(2026, 10, 28, 9, minute)).toISOString();

function entries(bodies: readonly EventBody[], limits?: { coFind: number; coOff: number; coOut: number }): CallEvent[] {
  const opened: EventBody = {
    type: 'opened',
    complaint: 'x',
    profile: 'x',
    profileVersion: '1',
    engineVersion: '1',
    settings: { units: 'us', settingsVersion: '1' },
    ...(limits && { limits }),
  };
  return [opened, ...bodies].map((body, i) => ({
    id: `e${i}`,
    call: 'c',
    person: 'imre',
    device: 'd',
    seq: i,
    at: AT(i),
    as: T,
    body,
  }));
}
