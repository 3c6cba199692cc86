import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { coverage } from '../src/analysis';
import { Engine } from '../src/diagnosis';
import { loadProfile, type Problem, ProblemError } from '../src/profile';
import { checkProfile } from '../src/simulation';
import { FAMILIES, profileText } from './models';

const furnace = profileText('furnace-condensing');

function problemsAfter(from: string, to: string): readonly Problem[] {
  if (!furnace.includes(from)) throw new Error(`the profile has no "${from}"`);
  try {
    return checkProfile(furnace.replace(from, to), 'mine.yaml').problems;
  } catch (error) {
    if (error instanceof ProblemError) return error.problems;
    throw error;
  }
}

test.each(FAMILIES)('every variant of %s works', (id) =>
  expect(checkProfile(profileText(id), `${id}.yaml`).problems).toEqual([]),
);

const EXAMPLE = join(__dirname, '../../../docs/examples/wall-heater.yaml');

test('the worked example of the page on writing profiles works, and most of its faults are told apart', () => {
  const source = readFileSync(EXAMPLE, 'utf8');
  expect(checkProfile(source, 'wall-heater.yaml').problems).toEqual([]);
  const c = coverage(new Engine(loadProfile(source, 'wall-heater.yaml', {})));
  expect(c.distinct).toBeGreaterThanOrEqual(0.85 * (c.faults.length - c.silent.length));
});

describe('a profile from outside cannot bring the program down', () => {
  const source = readFileSync(EXAMPLE, 'utf8');
  const refused = (from: string, to: string) => {
    if (!source.includes(from)) throw new Error(`the example has no "${from}"`);
    try {
      return checkProfile(source.replace(from, to), 'mine.yaml').problems.map((p) => p.message);
    } catch (error) {
      if (error instanceof ProblemError) return error.problems.map((p) => p.message);
      throw error;
    }
  };
  test('one that never comes to rest is refused with a remedy', () => {
    const restless = 'valve.open && spark.sparking && env.gas && !fault(gas.off), is: 1, after: 1 s';
    expect(refused(restless, 'flame < 0.5, is: 1').join()).toMatch(/never comes to rest.*give a guard an after/);
  });
  test.each([
    ['id: wall-heater', 'id: ../etc'],
    ['id: wall-heater', `id: ${'x'.repeat(81)}`],
    ['version: 0.1.0', 'version: newest'],
    ['version: 0.1.0', 'version: 1'],
  ])('%s → %s', (from, to) => expect(refused(from, to).join()).toMatch(/must be (lower case words|three numbers)/));
});

describe('a profile that cannot work is refused with place and reason', () => {
  test('as it is, it is accepted', () => expect(checkProfile(furnace, 'mine.yaml').problems).toEqual([]));

  test.each<[string, string, string, string, RegExp]>([
    [
      'a short across the source when healthy',
      '  bond: [=C, common-bond, =CH]',
      '  bond: [=C, common-bond, =CH]\n  shorted: [=SEC, P9/1, =C]',
      'parts.transformer',
      /short-circuited in a healthy run/,
    ],
    [
      'a short behind the fuse',
      '  bond: [=C, common-bond, =CH]',
      '  bond: [=C, common-bond, =CH]\n  shorted: [=R, P9/1, =C]',
      'parts.fuse',
      /is blown after a healthy run/,
    ],
    [
      'a phase that can never be reached',
      '    cue: igniter.glowing && !fault(igniter.weak)',
      '    cue: igniter.glowing && gas-cock.idle && flame >= 3',
      'phases.2',
      /"glow" never comes in a healthy run/,
    ],
    [
      'a cue nobody can see',
      '    cue: igniter.glowing && !fault(igniter.weak)',
      '    cue: ignition.warm-up',
      'phases.2.cue',
      /nobody can see/,
    ],
    [
      'a rung that ends nowhere',
      '  bond: [=C, common-bond, =CH]',
      '  bond: [=C, common-bond, =CH]\n  stray: [=R, P9/1, =NOWHERE]',
      'rungs.stray',
      /ends nowhere/,
    ],
    [
      'a timer with no way out',
      '            - {to: running, when: ignition.running || ignition.overheated}\n            - {to: rest, when: after(120 s)}',
      '            []',
      'controller.regions.fan.states.overrun',
      /no way out/,
    ],
    [
      'an expression with wrong units',
      'gas-inlet >= 3 inwc && purged',
      'gas-inlet >= 3 s && purged',
      'quantities.gas-flow.rules.0.when',
      /compares pressure with time/,
    ],
    [
      'a state that nothing leads to',
      '        lockout:\n          lockout: true',
      "        forgotten:\n          go: [{to: idle, when: 'true'}]\n        lockout:\n          lockout: true",
      'controller.regions.ignition.states.forgotten',
      /can never be reached/,
    ],
    [
      'an action that resets a part there is not',
      'resets: [rollout]',
      'resets: [rolout]',
      'actions.reset-rollout.resets.0',
      /did you mean "rollout"/,
    ],
    [
      'an ask that cannot be read',
      'asks: [volts FS C call]',
      'asks: [volts FS]',
      'plugs.P6.asks.0',
      /write outcome, code, seen PHASE/,
    ],
    [
      'a weight for a way of failing there is not',
      '  fuse: {kind: fuse, title: 3 A fuse on the board, amps: 3 A}',
      '  fuse: {kind: fuse, title: 3 A fuse on the board, amps: 3 A, weights: {melted: 2}}',
      'parts.fuse.weights.melted',
      /unknown way of failing "melted"/,
    ],
    [
      'batteries and mains on the same wires',
      '  supply: {kind: supply,',
      '  cell: {kind: battery}\n  supply: {kind: supply,',
      'parts.cell',
      /stands in no rung/,
    ],
  ])('%s', (_title, from, to, path, message) => {
    const problems = problemsAfter(from, to);
    const found = problems.find((p) => p.path === path && message.test(p.message));
    expect(problems.map((p) => `${p.path}: ${p.message}`).join('\n')).toMatch(message);
    expect(found?.line).toBeGreaterThan(1);
  });

  test('alternating and direct current on the same wires', () => {
    const both = furnace
      .replace('  supply: {kind: supply,', '  cell: {kind: battery}\n  supply: {kind: supply,')
      .replace('  service: [=L1, supply, =N]', '  service: [=L1, supply, =N]\n  cell: [=L1, cell, =N]');
    expect(() => checkProfile(both, 'mine.yaml')).toThrow(/alternating and direct current feed the same wires/);
  });
});
