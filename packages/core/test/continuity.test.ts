import * as fc from 'fast-check';
import { Engine, standingOf } from '@zetalysis/core/diagnosis';

import { findPart } from '@zetalysis/core/profile';
import { kindOf, lineWords, type Observation } from '@zetalysis/core/question';
import { FIRST_EPISODE } from '@zetalysis/core/simulation';
import { parseEntryLine } from '@zetalysis/core/visit';
import { observationWords } from '../src/presentation/question-words';
import { profile } from './models';

const model = profile('furnace-condensing');
const engine = new Engine(model);
const heard = (part: string, sounds: boolean): Observation => ({
  kind: 'continuity',
  part: findPart(model, part)!.index,
  branch: '',
  sounds,
});
const assess = (...observations: Observation[]) =>
  engine.assess(
    {
      episodes: [FIRST_EPISODE],
      items: observations.map((observation, i) => ({ id: `${i}`, episode: 0, observation })),
    },
    { pairs: false },
  );
const shareOf = (repair: string, ...observations: Observation[]): number =>
  assess(...observations).suspects.find((s) => s.repair === repair)?.probability ?? 0;

describe('a beeper', () => {
  test('is the surer to sound the fewer ohms there are: always below 20, never above 50', () => {
    const q = { kind: 'continuity' } as Observation;
    const chance = (ohms: number): number =>
      kindOf(q).fit(model, heard('fuse', true), { kind: 'ohms', ohms, tolerance: 0 }, { top: 1 }, undefined).fit;
    expect([chance(0.1), chance(20), chance(50), chance(Infinity)]).toEqual([1, 1, 0, 0]);
    const ohms = fc.double({ min: 0.01, max: 1e6, noNaN: true });
    fc.assert(fc.property(ohms, ohms, (a, b) => a > b || chance(a) >= chance(b)));
  });

  test('that is silent across the fuse blames it; one that sounds across a contact clears nothing', () => {
    const before = shareOf('fuse:replace');
    expect(shareOf('fuse:replace', heard('fuse', false))).toBeGreaterThan(5 * before);
    expect(standingOf(assess(heard('fuse', false)))).toBe('suspected');
    expect(assess(heard('fuse', false)).proof?.requirements.some((r) => r.requirement === 'dead-value' && r.met)).toBe(
      false,
    );
  });

  test('that is silent across an igniter of some sixty ohms says nothing: a sound one is silent too', () => {
    const before = shareOf('igniter:replace');
    const after = shareOf('igniter:replace', heard('igniter', false));
    expect(after / before).toBeGreaterThan(0.9);
    expect(after / before).toBeLessThan(1.1);
  });

  test('that sounds across a coil tells a shorted one from a sound one no more than the sound one would', () => {
    const before = shareOf('gas-valve:replace');
    expect(shareOf('gas-valve:replace', heard('gas-valve', true))).toBeLessThan(before * 1.05);
  });

  test('is never proposed: ohms tell more in the same time', () => {
    expect(engine.tests.filter((t) => t.question.kind === 'continuity')).toEqual([]);
  });
});

describe('what a beeper said, typed', () => {
  const names = lineWords(model);
  test.each([
    ['beeps fuse', 'fuse', 'yes'],
    ['fuse beeps', 'fuse', 'yes'],
    ['no beep igniter', 'igniter', 'no'],
    ['igniter silent', 'igniter', 'no'],
    ['continuity limit', 'limit', 'yes'],
  ])('%s', (line, part, sounds) => {
    expect(parseEntryLine(names, line)).toEqual({
      ok: true,
      value: expect.objectContaining({ type: 'continuity', part, sounds }) as unknown,
    });
  });
  test('a line without a part, and one of several windings, ask for what is missing', () => {
    expect(parseEntryLine(names, 'beeps nothing')).toMatchObject({
      ok: false,
      message: expect.stringMatching(/Name the part/) as unknown,
    });
    expect(parseEntryLine(names, 'beeps transformer')).toMatchObject({
      ok: false,
      message: expect.stringMatching(/Which of it: primary, secondary/) as unknown,
    });
  });
  test('and as the log has it', () => {
    expect(observationWords(model, heard('fuse', false), { units: 'us' })).toMatch(/^Beeper, 3 A fuse.*: silent$/);
  });
});
