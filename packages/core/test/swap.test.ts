import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { PLAIN } from '@zetalysis/core/profile';
import { type Fit, SEALS, swapNoteFor, SWAPPED_KINDS, willItFit } from '@zetalysis/core/swap';
import { swapView } from '@zetalysis/core/presentation';
import { FAMILIES, profile } from './models';

const source = (id: string): string => readFileSync(join(__dirname, '../../../profiles', `${id}.yaml`), 'utf8');
const fit = (part: string, values: Record<string, string>, id = 'furnace-condensing') =>
  willItFit(
    source(id),
    `${id}.yaml`,
    PLAIN,
    part,
    Object.entries(values).map(([field, value]) => ({ field, value })),
  );
const fitted = (...given: Parameters<typeof fit>): Fit => {
  const came = fit(...given);
  if ('problem' in came) throw new Error(came.problem);
  return came;
};

/** Kinds that are no part one carries in a van. */
const NOT_SWAPPED = new Set(['condition', 'earth-reference', 'switch', 'plug', 'delay', 'rectifier']);

test.each(FAMILIES)('%s: every part that is swapped has a note, and what is measured first', (id) => {
  const model = profile(id);
  for (const { kind } of model.parts) {
    if (NOT_SWAPPED.has(kind.name) || kind.name.startsWith('plug')) continue;
    const note = swapNoteFor(kind.name, model.family);
    expect([kind.name, note?.first ?? '']).toEqual([kind.name, expect.stringMatching(/\S/)]);
    expect(note!.shut.length).toBeGreaterThan(0);
  }
});

test('sealants as the trade has them (common practice, no source): none on flares and seats, dope on probes', () => {
  expect(SEALS.flare).toMatch(/no sealant/);
  expect(SEALS.machined).toMatch(/no sealant/);
  expect(SEALS.orifice).toMatch(/no sealant/);
  expect(SEALS.tapered).toMatch(/tape or dope/);
  expect(SEALS.probe).toMatch(/dope only/);
});

test('whatever opens a gas joint is tested for leaks, and gas is shut before', () => {
  for (const kind of SWAPPED_KINDS) {
    const note = swapNoteFor(kind, undefined)!;
    if (note.leakTest) expect([kind, note.shut.join()]).toEqual([kind, expect.stringMatching(/gas/i)]);
  }
  expect(swapNoteFor('solenoid', 'furnace')!.leakTest).toBe(true);
});

test('a family’s own note stands before the one for all', () => {
  expect(swapNoteFor('interlock', 'steam')!.shut.join()).toMatch(/Boiler cold/);
  expect(swapNoteFor('interlock', 'furnace')!.shut.join()).not.toMatch(/Boiler/);
  expect(swapNoteFor('toaster', 'furnace')).toBeUndefined();
});

describe('will it fit?', () => {
  test('a valve whose coil is as the old one’s fits: every step comes when it came', () => {
    const { fits, steps } = fitted('gas-valve', { ohms: '15 ohm' });
    expect(fits).toBe(true);
    expect(steps.length).toBeGreaterThan(5);
    for (const { old, now } of steps) expect(now).toBe(old);
  });
  test.each([
    [
      'an air switch for a stronger inducer never makes',
      'pressure-switch',
      { 'closes-at': '2 inwc', 'opens-at': '1.8 inwc' },
    ],
    ['a transformer that is far too small loses its volts when the valve draws', 'transformer', { va: '1 W' }],
    ['a valve with a coil for another voltage does not pull in', 'gas-valve', { 'pull-in': '90 V' }],
    ['a fuse that is too small blows', 'fuse', { amps: '0.2 A' }],
  ])('%s', (_, part, values) => {
    const { fits, steps } = fitted(part, values as unknown as Record<string, string>);
    expect(fits).toBe(false);
    expect(steps.at(-1)!.now).toBeUndefined();
    // The call for heat comes with any part.
    expect(steps[0]!.now).toBeDefined();
  });
  test('one that runs and carries less than the old one is told: its load burns it, not the model', () => {
    expect(fitted('transformer', { va: '20 W' })).toMatchObject({ fits: true, carriesLess: true });
    expect(fitted('transformer', { va: '75 W' })).toMatchObject({ fits: true, carriesLess: false });
  });
  test.each([
    ['gas-valve', { ohms: 'many' }],
    ['gas-valve', { colour: 'red' }],
    ['gas-valve', { ohms: '15 V' }],
    ['toaster', { ohms: '15 ohm' }],
  ])('%s with %j cannot be read, and what is wrong is said', (part, values) =>
    expect(fit(part, values as unknown as Record<string, string>)).toEqual({ problem: expect.stringMatching(/\S/) }),
  );
});

test('of an air switch what can be put in is its set points, in the reader’s units; how often it fails is not', () => {
  const model = profile('furnace-condensing');
  const view = swapView(model, 'pressure-switch', { units: 'us' })!;
  expect(view.fields.map(({ field }) => field)).toEqual(['closes-at', 'opens-at']);
  expect(view.fields[0]!.is).toBe('0.6 in w.c.');
  expect(view.points.length).toBeGreaterThan(0);
  expect(swapView(model, 'gas-valve', { units: 'us' })!.note!.seals.join()).toMatch(/tape or dope/);
  expect(swapView(model, 'toaster', { units: 'us' })).toBeUndefined();
});
