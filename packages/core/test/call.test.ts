import { follow, TRAINED } from '../src/rules';
import { Engine } from '../src/diagnosis';
import { drawingOf, understood } from '../src/presentation';
import { lineWords } from '../src/question/line-words';
import {
  type CallEvent,
  compareEvents,
  happeningsOf,
  type EventBody,
  mergeEvents,
  nextSeq,
  parseEntryLine,
  presentSetup,
  readField,
  reduceCall,
} from '../src/visit';
import fc from 'fast-check';
import { profile } from './models';

const model = profile('furnace-condensing');
const engine = new Engine(model);

let serial = 0;
const event = (body: EventBody, seq: number, device = 'phone'): CallEvent => ({
  id: `0190${String(++serial).padStart(8, '0')}-${device}`,
  call: 'c1',
  seq,
  at: '2026-01-12T07:00:00.000Z',
  device,
  person: 'imre',
  body,
});
const seen = (phase: string, answer: 'yes' | 'no' | 'unclear'): EventBody => ({ type: 'seen', phase, answer });
const setup = (change: object): EventBody => ({
  type: 'setup',
  power: true,
  gas: true,
  call: true,
  unplugged: [],
  bypassed: [],
  ...change,
});
const log = (...bodies: EventBody[]): CallEvent[] => bodies.map((b, i) => event(b, i + 1));

describe('the order of a log', () => {
  test('is the same however the events arrive, and however often', () => {
    const events = [
      ...log(seen('call', 'yes'), seen('inducer', 'yes'), seen('glow', 'no')),
      event(seen('valve', 'yes'), 2, 'laptop'),
      event(seen('flame', 'no'), 3, 'laptop'),
    ];
    const expected = mergeEvents(events).map((e) => e.id);
    fc.assert(
      fc.property(
        fc.shuffledSubarray(events, { minLength: events.length }),
        fc.shuffledSubarray(events),
        (all, again) => {
          expect(mergeEvents(all, again).map((e) => e.id)).toEqual(expected);
        },
      ),
    );
  });

  test('survives a device clock that is years off: the Lamport clock decides', () => {
    const early = { ...event(seen('call', 'yes'), 1), at: '2031-01-01T00:00:00.000Z' };
    const late = { ...event(seen('inducer', 'yes'), 2), at: '1999-01-01T00:00:00.000Z' };
    expect(compareEvents(early, late)).toBeLessThan(0);
    expect(nextSeq([early, late])).toBe(3);
  });
});

describe('the reducer', () => {
  test('is a pure function of the set of events', () => {
    const events = log(seen('call', 'yes'), setup({ unplugged: ['P2'] }), { type: 'code', code: 'red-quick' });
    const one = reduceCall(model, events);
    const two = reduceCall(model, [...events].reverse());
    expect(two.evidence).toEqual(one.evidence);
    expect(engine.assess(two.evidence).probabilities).toEqual(engine.assess(one.evidence).probabilities);
  });

  test('of the customer’s complaints the newest counts; the earlier one stays in the log', () => {
    const told = (complaint: 'nothing' | 'short'): EventBody => ({ type: 'told', complaint });
    const state = reduceCall(model, log(told('nothing'), seen('inducer', 'yes'), told('short')));
    expect(state.evidence.items.map((i) => i.observation)).toEqual([
      expect.objectContaining({ kind: 'seen' }),
      { kind: 'told', complaint: 'short' },
    ]);
    expect(state.log).toHaveLength(3);
  });

  test('undo is an event: what it takes back no longer counts but stays in the log; undoing the undo restores it', () => {
    const events = log(seen('call', 'yes'), seen('inducer', 'no'));
    const back = event({ type: 'retracted', event: events[1]!.id }, 3);
    const without = reduceCall(model, [...events, back]);
    expect(without.evidence.items).toHaveLength(1);
    expect(without.log).toHaveLength(3);
    expect(without.log[1]!.retracted).toBe(true);
    const again = event({ type: 'retracted', event: back.id }, 4);
    expect(reduceCall(model, [...events, back, again]).evidence.items).toHaveLength(2);
  });

  test('a change of setup opens an episode, a repair too', () => {
    const state = reduceCall(
      model,
      log(
        seen('call', 'yes'),
        setup({ unplugged: ['P2'] }),
        seen('valve', 'no'),
        { type: 'repaired', part: 'gas-valve', action: '' },
        seen('valve', 'yes'),
      ),
    );
    expect(state.evidence.items.map((i) => i.episode)).toEqual([0, 1, 2]);
    expect(state.evidence.episodes[2]!.repaired).toEqual([model.parts.find((p) => p.id === 'gas-valve')!.index]);
  });

  test('a guess that was put back is no repair any more, in the evidence and in the ledger', () => {
    const repaired = (old: boolean): EventBody => ({ type: 'repaired', part: 'gas-valve', action: '', old });
    const before = log(seen('valve', 'no'), repaired(false));
    const after = [...before, event(repaired(true), 3), event(seen('valve', 'no'), 4)];
    const state = reduceCall(model, after);
    expect(state.evidence.episodes.map((e) => e.repaired.length)).toEqual([0, 1, 0]);
    expect(state.evidence.items.map((i) => i.episode)).toEqual([0, 2]);
    const ledger = (events: readonly CallEvent[]) => [
      ...follow(happeningsOf(events), { family: 'furnace', now: Date.parse(events[0]!.at) }).c.repaired.keys(),
    ];
    expect([ledger(before), ledger(after)]).toEqual([['gas-valve'], []]);
  });

  test('events that mean nothing for the profile are kept, named and left out', () => {
    const state = reduceCall(
      model,
      log(seen('inducr', 'yes'), {
        type: 'volts',
        red: 'XX',
        black: 'C',
        typed: '24',
        reading: { kind: 'value', value: 24, dimension: 'voltage' },
      }),
    );
    expect(state.evidence.items).toHaveLength(0);
    expect(state.log[0]!.problem).toBe('unknown step "inducr"; did you mean "inducer"?');
    expect(state.log[1]!.problem).toMatch(/unknown test point "XX"/);
  });

  test('what could not be told is not asked again, until something is changed', () => {
    const asked = (...more: EventBody[]): string[] => {
      const { evidence, declined } = reduceCall(model, log(seen('call', 'yes'), seen('inducer', 'yes'), ...more));
      return engine.next({ evidence, declined, person: TRAINED }, engine.assess(evidence)).map((t) => t.test.id);
    };
    expect(asked()).toContain('seen glow');
    expect(asked(seen('glow', 'unclear'))).not.toContain('seen glow');
    expect(asked(seen('glow', 'unclear'), setup({ gas: false }))).toContain('seen glow');
    expect(asked(seen('glow', 'unclear'), setup({ gas: false }), setup({}))).not.toContain('seen glow');
    expect(asked(setup({ gas: false }), seen('glow', 'unclear'), setup({}))).toContain('seen glow');
  });

  test('a microamp reading between two test points is refused', () => {
    const state = reduceCall(
      model,
      log({
        type: 'volts',
        red: 'R',
        black: 'C',
        typed: '3uA',
        reading: { kind: 'value', value: 3e-6, dimension: 'current' },
      }),
    );
    expect(state.log[0]!.problem).toMatch(/in volts; "3uA" is not/);
  });

  test('a roll-out switch that somebody went round is kept, and stops the work', () => {
    const state = reduceCall(model, log(setup({ bypassed: ['rollout'] })));
    expect(state.setup.bypassed).toEqual(['rollout']);
    expect(state.log[0]!.problem).toBeUndefined();
    expect(state.followed.stops.map(({ stop, grade }) => [stop.id, grade])).toEqual([['bypass-over', 'off']]);
  });

  test('the newest setup that stands is the present one, as the state of the call has it', () => {
    const events = log(setup({ gas: false }), setup({ gas: false, power: false }), setup({ unplugged: ['P2'] }));
    const undone = [
      ...events,
      ...log({ type: 'retracted', event: events[2]!.id }).map((e) => ({ ...e, id: 'u', seq: 9 })),
    ];
    expect(presentSetup(undone)).toMatchObject({ gas: false, power: false, unplugged: [] });
    expect(presentSetup(undone)).toEqual(reduceCall(model, undone).setup);
    expect(presentSetup([])).toEqual(reduceCall(model, []).setup);
  });

  test('a danger of an older log stands until it is declared over', () => {
    const standing = (...bodies: EventBody[]) =>
      reduceCall(model, log(...bodies)).followed.stops.map(({ stop }) => stop.id);
    expect(standing({ type: 'danger', danger: 'gas' })).toEqual(['gas-strong']);
    expect(standing({ type: 'danger', danger: 'gas' }, { type: 'danger-over', words: '' })).toEqual([]);
  });

  test('a reading without what it needs is kept and proves nothing; with it, it is evidence', () => {
    const read: EventBody = {
      type: 'ohms',
      part: 'igniter',
      branch: '',
      reading: { kind: 'open', dimension: 'resistance' },
      typed: 'OL',
    };
    const met = (need: string, of?: string): EventBody => ({ type: 'need', need, answer: 'met', ...(of && { of }) });
    const careless = reduceCall(model, log(read));
    expect(careless.evidence.items).toEqual([]);
    expect(careless.log.map((l) => l.event.body.type)).toEqual(['ohms']);
    const careful = reduceCall(model, log(setup({ power: false }), met('meter'), met('isolated', 'igniter'), read));
    expect(careful.evidence.items).toHaveLength(1);
  });
});

describe('the entry line', () => {
  const parse = (line: string, phase?: string) => {
    const parsed = parseEntryLine(lineWords(model), line, phase);
    return parsed.ok ? parsed.value : parsed.message;
  };

  test.each([
    ['15.4V MV C', { type: 'volts', red: 'MV', black: 'C', typed: '15.4V' }],
    ['15.4 V mv c', { type: 'volts', red: 'MV', black: 'C', typed: '15.4 V' }],
    ['15-18 GV', { type: 'volts', red: 'GV', black: 'C', typed: '15-18' }],
    ['121 IP', { type: 'volts', red: 'IP', black: 'N', typed: '121' }],
    ['0.2 ohm gas-valve', { type: 'ohms', part: 'gas-valve', typed: '0.2 ohm' }],
    ['OL igniter', { type: 'ohms', part: 'igniter', typed: 'OL' }],
    ['draft 0.33 inwc', { type: 'gauge', gauge: 'draft', typed: '0.33 inwc' }],
    ['filter blocked', { type: 'look', look: 'filter', answer: 'blocked' }],
    ['24 W @call', { type: 'volts', red: 'W', black: 'C', phase: 'call' }],
    // The words stand in any order: the points in the order in which they are named, red first.
    ['MV C 15.4V', { type: 'volts', red: 'MV', black: 'C', typed: '15.4V' }],
    ['mv 15.4 V c', { type: 'volts', red: 'MV', black: 'C', typed: '15.4 V' }],
    ['igniter OL', { type: 'ohms', part: 'igniter', typed: 'OL' }],
    ['igniter 62 ohm', { type: 'ohms', part: 'igniter', typed: '62 ohm' }],
    ['0.33 inwc draft', { type: 'gauge', gauge: 'draft', typed: '0.33 inwc' }],
    ['blocked filter', { type: 'look', look: 'filter', answer: 'blocked' }],
    ['W 24 @call', { type: 'volts', red: 'W', black: 'C', phase: 'call' }],
  ])('%s', (line, expected) => expect(parse(line)).toMatchObject(expected));

  test.each([
    ['15.4', /Type the value and where the probes are/],
    ['15.4 MVV C', /unknown test point|not a unit/],
    ['3uA MV C', /µA measures current; here type volts/],
    ['24 C C', /same point|black/],
    ['draft 3 uA', /µA measures current; here type a pressure/],
    ['filter dusty', /unknown answer .* known: blocked, clean/],
    ['24 W @nowhere', /unknown step "nowhere"/],
  ])('%s is refused with a remedy', (line, words) => expect(parse(line)).toMatch(words));

  const words = lineWords(model);
  const asked = {
    kind: 'reading',
    dimension: 'voltage',
    subject: { type: 'volts', red: 'R', black: 'C', phase: 'call' },
  } as const;
  const field = (typed: string, place: Parameters<typeof readField>[2]) => {
    const read = readField(words, typed, place);
    return read.ok ? read.value.body : read.message;
  };
  test('the one field: a number answers what is asked, a name goes before it, what was tapped before both', () => {
    expect(field('26', { asked, phase: 'glow' })).toMatchObject({ red: 'R', phase: 'call', typed: '26' });
    expect(field('120 IP N', { asked, phase: 'glow' })).toMatchObject({ red: 'IP', black: 'N', phase: 'glow' });
    expect(field('igniter OL', { asked })).toMatchObject({ type: 'ohms', part: 'igniter' });
    expect(field('24', { asked, tapped: 'MV C', phase: 'call' })).toMatchObject({ red: 'MV', typed: '24' });
    expect(field('3uA', { asked })).toMatch(/µA measures current; here type volts/);
    expect(field('3uA MV C', { asked })).toMatch(/µA measures current; here type volts/);
    expect(field('24 MVV C', { asked })).toMatch(/MVV/);
    expect(field('24', {})).toMatch(/Type the value and where the probes are/);
  });

  test('where the meter stands on millivolts, a bare number is in millivolts', () => {
    const standing = lineWords(profile('furnace-standing-pilot'));
    const volts = (typed: string, tapped = '') => {
      const read = readField(standing, typed, { tapped, phase: 'pilot' });
      return read.ok && 'reading' in read.value.body && read.value.body.reading.kind === 'value'
        ? read.value.body.reading.value
        : read;
    };
    expect(volts('28 TC')).toBeCloseTo(0.028);
    expect(volts('28', 'TC')).toBeCloseTo(0.028);
    expect(volts('0.028 V TC')).toBeCloseTo(0.028);
    expect(volts('28mV', 'TC')).toBeCloseTo(0.028);
    expect(volts('24 R C')).toBe(24);
  });

  test('what was understood is said as the log will say it', () => {
    const says = (line: string): string => {
      const read = readField(words, line, { phase: 'call' });
      return read.ok ? understood(drawingOf(model), read.value.body, { units: 'us' }) : read.message;
    };
    expect(says('MV C 15.4')).toBe('MV–C: 15.4 V, thermostat calls');
    expect(says('OL igniter')).toMatch(/^Ohms, igniter.*: OL$/);
    expect(says('draft 0.33')).toMatch(/0\.33 in w\.c\.$/);
    expect(says('filter blocked')).toMatch(/\? Blocked/);
  });
});
