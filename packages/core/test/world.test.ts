import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import {
  drawFrom,
  drawnFrom,
  habitsIn,
  readWorld,
  SimulatedTechnician,
  wider,
  type World,
} from '@zetalysis/core/practice';
import { loadProfile, ProblemError } from '@zetalysis/core/profile';
import { findFault, FIRST_EPISODE, Random, VirtualAppliance } from '@zetalysis/core/simulation';

const ROOT = join(__dirname, '../../..');
const file = 'furnace-standing-pilot.yaml';
const text = readFileSync(join(ROOT, 'profiles', file), 'utf8');
const shipped = readWorld(readFileSync(join(ROOT, 'worlds/as-met.yaml'), 'utf8'), 'as-met.yaml');
const book = loadProfile(text, file);

/** A world with only this in it. */
const world = (yaml: string): World => readWorld(`format: zetalysis-world/1\ntitle: small\n${yaml}`, 'small.yaml');
const problemsOf = (yaml: string): string => {
  try {
    world(yaml);
    return '';
  } catch (error) {
    if (!(error instanceof ProblemError)) throw error;
    return error.message;
  }
};
const draw = (w: World, fault: string, seed: number) =>
  drawnFrom(w, text, file, [findFault(book, fault)], new Random(seed)).model;
const specOf = (model: typeof book, part: string, field: string): number =>
  Number(model.parts.find((p) => p.id === part)!.spec[field]);

describe('a world', () => {
  test('what is drawn lies within its bands, reaches both ends, and asks the profile for no tolerance', () => {
    const sound = world('sound: {thermocouple.volts: [0.5, 2]}\notherwise: [1, 1]');
    const shares = Array.from({ length: 60 }, (_, seed) => {
      const model = draw(sound, 'thermocouple.open', seed);
      // All that has no band of its own is exactly as in the book.
      expect(specOf(model, 'thermocouple', 'ohms')).toBe(specOf(book, 'thermocouple', 'ohms'));
      return specOf(model, 'thermocouple', 'volts') / specOf(book, 'thermocouple', 'volts');
    });
    expect(Math.min(...shares)).toBeGreaterThanOrEqual(0.5);
    expect(Math.min(...shares)).toBeLessThan(0.65);
    expect(Math.max(...shares)).toBeLessThanOrEqual(2);
    expect(Math.max(...shares)).toBeGreaterThan(1.85);
  });

  test('a broken part is as gone as the world says, whichever severity was named', () => {
    const broken = world('broken: {thermocouple.weak: {worn-to: [0.61, 0.63]}, wire.short: {shorts: [30, 31]}}');
    const weak = findFault(book, 'thermocouple.weak');
    const left = draw(broken, 'thermocouple.weak', 4).parts[weak.part]!.modes[weak.mode]!.values!['worn-to']!;
    expect(left).toBeGreaterThanOrEqual(0.61);
    expect(left).toBeLessThanOrEqual(0.63);
    const short = findFault(book, 'thermostat-cable.short');
    const { r } = draw(broken, 'thermostat-cable.short', 4).parts[short.part]!.modes[short.mode]!.shorts!;
    expect(r).toBeGreaterThanOrEqual(30);
    expect(r).toBeLessThanOrEqual(31);
  });

  test('stretches are drawn from as often as their shares say', () => {
    const random = new Random(1);
    const band = [
      { from: 0, to: 1, share: 0.2 },
      { from: 5, to: 6, share: 0.6 },
    ];
    const low = Array.from({ length: 4000 }, () => drawFrom(band, random)).filter((x) => x < 1).length / 4000;
    // A quarter, within four standard errors.
    expect(Math.abs(low - 0.25)).toBeLessThan(4 * Math.sqrt((0.25 * 0.75) / 4000));
  });

  test('so many look before the try is over, so long after the call; and half read the other function', () => {
    const people = world('technician: {early: 0.25, looks-after: [20, 60]}');
    const random = new Random(3);
    const drawn = Array.from({ length: 400 }, () => habitsIn(people, random));
    const early = drawn.flatMap((h) => h.looksAfter ?? []);
    expect(early.length / 400).toBeGreaterThan(0.18);
    expect(early.length / 400).toBeLessThan(0.32);
    expect(Math.min(...early)).toBeGreaterThanOrEqual(20_000);
    expect(Math.max(...early)).toBeLessThanOrEqual(60_000);
    expect(drawn.filter((h) => h.set === 'ac').length / 400).toBeCloseTo(0.5, 0);
    expect(problemsOf('technician: {late: 1}')).toMatch(/unknown field "late"/);
  });

  test('who looks early sees what has come so far, and no more', () => {
    const appliance = new VirtualAppliance(book, []);
    const told = (after?: number) => {
      const technician = new SimulatedTechnician(appliance, new Random(5), { misreported: 0, leads: 0, set: 'dc' });
      const phase = book.phases.find((p) => p.id === 'blower')!.index;
      return technician.answer([FIRST_EPISODE], {
        kind: 'seen',
        phase,
        ...(after !== undefined && { after }),
      } as never);
    };
    expect(told()).toMatchObject({ answer: true });
    expect(told(5000)).toMatchObject({ answer: false, after: 5000 });
  });

  test('a wider one goes farther from the book on both sides, and breaks earlier and worse', () => {
    const w = wider(shipped, 0.15);
    expect(w.sound['supply.volts']![0]!.from).toBeCloseTo(0.908, 6);
    expect(w.sound['supply.volts']![0]!.to).toBeCloseTo(1.0575, 6);
    expect(w.broken['thermocouple.weak']!.values['worn-to']!.band[0]!.to).toBeCloseTo(0.7475, 6);
    expect(w.broken['wire.short']!.shorts![0]).toMatchObject({ from: 0.085, to: expect.closeTo(9.2, 6) as number });
  });

  test.each([
    ['sound: {thermocouple.vots: [1, 1]}', /small\.yaml:3.*did you mean "volts"/],
    ['sound: {thermocuple.volts: [1, 1]}', /did you mean "thermocouple"/],
    ['broken: {wires.short: {shorts: [1, 2]}}', /did you mean "wire"/],
    ['sound: {draft: [1.2, 0.8]}', /up to one that is not less/],
    ['sound: {draft: 1}', /is a band: \[from, to\]/],
    ['sound: {draft: [{from: 1, to: 2, share: 0}]}', /share above 0/],
    ['technician: {lead: [0, 1]}', /did you mean "leads"/],
  ])('%s is refused with its place and what to write', (yaml, words) => {
    expect(problemsOf(yaml)).toMatch(words);
  });
});
