import { Engine } from '../src/diagnosis';
import { caseEvents, loadCase, reduceCall } from '../src/visit';
import { profile } from './models';

/**
 * Readings that one thing moves together surprise less than readings that go apart: one clock, the same leads, the pressure of
 * the house (common practice, no source). Said by how likely something unknown is, which expects nothing of any reading.
 */
const engines = new Map<string, Engine>();
const unknownAfter = (family: string, ...events: readonly string[]): number =>
  odds(family, 'unknown', 'healthy', events);

/** How many times likelier one hypothesis is than another. */
function odds(family: string, one: string, other: string, events: readonly string[]): number {
  const engine = engines.get(family) ?? new Engine(profile(family));
  engines.set(family, engine);
  const source = `format: zetalysis-case/1\ntitle: t\nprofile: ${family}\nevents:\n${events.map((e) => `  - ${e}\n`).join('')}`;
  const { steps } = loadCase(source, 'told.yaml', engine.model);
  const { evidence } = reduceCall(engine.model, caseEvents(steps), { needs: 'met' });
  const { hypotheses, probabilities } = engine.assess(evidence, { pairs: false });
  const share = (id: string): number => probabilities[hypotheses.findIndex((h) => h.id === id)]!;
  return share(one) / share(other);
}

const steps = ([glow, valve, lit]: readonly number[]): string =>
  `timing: {glow: ${glow} s, valve: ${valve} s, steady: ${lit} s}`;
const furnace = 'furnace-condensing';

test('one clock: all steps late by as much surprise less than one late and the next early', () => {
  const late = unknownAfter(furnace, steps([33, 46.8, 58.2]));
  const apart = unknownAfter(furnace, steps([33, 35.4, 58.2]));
  expect(late).toBeLessThan(apart / 3);
  expect(late).toBeLessThan(1);
});

test('the same leads: all readings high by the same ohms surprise less than one high and the next low', () => {
  const dead = (inducer: number, blower: number, coil: number): string[] => [
    `ohms: {part: inducer, value: ${inducer}ohm}`,
    `ohms: {part: blower, branch: main, value: ${blower}ohm}`,
    `ohms: {part: gas-valve, value: ${coil}ohm}`,
  ];
  const high = unknownAfter(furnace, ...dead(12.8, 4.5, 15.9));
  const apart = unknownAfter(furnace, ...dead(12.8, 3.6, 15.9));
  expect(high).toBeLessThan(apart);
  expect(high).toBeLessThan(1);
});

test('the pressure of the house: what was strong before a repair is no further surprise after it', () => {
  const strong = ['gauge: {gas-inlet: 10 inwc}', 'setup: {call: false}', 'gauge: {gas-inlet: 10.1 inwc}'];
  const other = ['gauge: {gas-inlet: 10 inwc}', 'setup: {call: false}', 'gauge: {gas-inlet: 5.8 inwc}'];
  expect(unknownAfter(furnace, ...strong)).toBeLessThan(unknownAfter(furnace, ...other) / 3);
});

test('what was renewed has a clock of its own', () => {
  const before = steps([33, 46.8, 58.2]);
  const after = steps([25, 35.4, 44]);
  const renewed = unknownAfter(furnace, before, 'repaired: board', after);
  const same = unknownAfter(furnace, before, 'setup: {}', after);
  expect(renewed).toBeLessThan(same / 2);
});

test('a source of one’s own may be dead: nothing lights on the bench, three times over, is no more than one such chance', () => {
  const nothing = ['seen: {glow: no}', 'seen: {pilot: no}', 'seen: {fire: no}'];
  const fed = ['setup: {actions: [valve-alone]}', ...nothing];
  const ratio = (events: readonly string[]): number =>
    odds('furnace-valve-control', 'valve-control.dead', 'healthy', events);
  const before = ratio(['note: nothing yet']);
  // As it stands, three things that do not come say far more than that.
  expect(ratio(nothing) / before).toBeGreaterThan(100);
  expect(ratio(fed) / before).toBeGreaterThan(10);
  expect(ratio(fed) / before).toBeLessThan(1 / 0.05);
});

test('what is read on the terminals of the line itself is seldom a slip of the pen', () => {
  const furthest = ['volts: {red: L1, black: N, value: 84}'];
  const behind = ['volts: {red: L1D, black: N, value: 84}'];
  const low = (events: readonly string[]): number =>
    ['supply.low@1', 'supply.low@2', 'supply.low@3'].reduce((sum, id) => sum + odds(furnace, id, 'healthy', events), 0);
  expect(low(furthest)).toBeGreaterThan(3 * low(behind));
});
