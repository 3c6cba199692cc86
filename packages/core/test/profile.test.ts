import { loadProfile, type Problem, ProblemError } from '../src/profile';
import { profile, profileText } from './models';

const furnace = profileText('furnace-condensing');

/** Problems of the furnace profile after one edit. */
function problemsAfter(from: string | RegExp, to: string): readonly Problem[] {
  const edited = furnace.replace(from, to);
  if (edited === furnace) throw new Error('the edit changed nothing');
  try {
    loadProfile(edited, 'mine.yaml');
  } catch (error) {
    if (error instanceof ProblemError) return error.problems;
    throw error;
  }
  return [];
}

const lineOf = (text: string): number => furnace.split('\n').findIndex((l) => l.includes(text)) + 1;

describe('a profile that cannot be right is refused with file, line, place and remedy', () => {
  test.each<[string, string | RegExp, string, RegExp, string]>([
    [
      'a mistyped part kind',
      'kind: glow-igniter',
      'kind: glow-ignitor',
      /unknown part kind "glow-ignitor"; did you mean "glow-igniter"\?/,
      'kind: glow-igniter',
    ],
    [
      'an unknown field',
      'cold-ohms: 60 ohm\n',
      'cold-ohm: 60 ohm\n',
      /unknown field "cold-ohm"; did you mean "cold-ohms"\?/,
      'cold-ohms: 60 ohm',
    ],
    [
      'a part that is in no rung',
      '=MV, valve-harness, =GV',
      '=MV, P2/9, =GV',
      /valve-harness stands in no rung/,
      'valve-harness: {kind',
    ],
    [
      'a part that is not there',
      '=R, limit, =LI',
      '=R, limitt, =LI',
      /unknown part "limitt"; did you mean "limit"\?/,
      'limits: [=R',
    ],
    [
      'an unknown port',
      'transformer.secondary',
      'transformer.second',
      /unknown port of transformer "second"/,
      'secondary: [=C',
    ],
    [
      'a rung that ends nowhere',
      '=GV, P2/1, =VT, gas-valve, =VC, P2/2, =C]',
      '=GV, P2/1, =VT, gas-valve]',
      /must begin and end with a net/,
      'valve: [=R',
    ],
    ['a wrong unit', 'amps: 3 A}', 'amps: 3 V}', /V measures voltage; here type a current/, 'amps: 3 A'],
    ['a missing unit', 'closes-at: 170 F', 'closes-at: 170', /needs a unit/, 'closes-at: 170 F'],
    [
      'an unknown name in an expression',
      'cue: inducer.running',
      'cue: inducr.running',
      /unknown name "inducr"; did you mean "inducer"\?/,
      'cue: inducer.running',
    ],
    [
      'an unknown state',
      'cue: inducer.running',
      'cue: inducer.glowing',
      /unknown state of inducer "glowing"; known: stopped, running/,
      'cue: inducer.running',
    ],
    [
      'units that do not fit in a comparison',
      'gas-inlet >= 3 inwc',
      'gas-inlet >= 3 V',
      /compares pressure with voltage/,
      'is: 1, after: 200 ms',
    ],
    [
      'a fault that does not exist',
      'fault(filter.blocked), is: 235 F',
      'fault(filter.clogged), is: 235 F',
      /unknown fault of filter "clogged"; known: blocked/,
      'is: 235 F',
    ],
    [
      'a state the program never nonElectrical of',
      '{to: purge, when: input.air}\n            - {to: no-draft',
      '{to: purrge, when: input.air}\n            - {to: no-draft',
      /unknown state "purrge"; did you mean "purge"\?/,
      '- {to: purge, when: input.air}',
    ],
    [
      'a code without meaning',
      'code: amber-quick',
      'code: amber-quik',
      /unknown code "amber-quik"/,
      'code: amber-quick',
    ],
    [
      'a quantity that ends without a rule',
      '      - {is: 0, over: 2 s}\n  trap-level',
      '  trap-level',
      /need a last rule without "when"/,
      '    rules:',
    ],
    ['a region named like a part', '    fan:\n', '    blower:\n', /has the name of a part/, '    fan:'],
    ['broken YAML', 'ground: CH', 'ground: [CH', /./, 'ground: CH'],
  ])('%s', (_name, from, to, words, near) => {
    const problems = problemsAfter(from, to);
    const found = problems.find((p) => words.test(p.message));
    expect(problems.map((p) => `${p.line} ${p.path}: ${p.message}`).join('\n')).toMatch(words);
    expect(found!.file).toBe('mine.yaml');
    // The place is named: within a few lines of the edit.
    if (near !== '    rules:' && near !== '    fan:') expect(Math.abs(found!.line - lineOf(near))).toBeLessThan(8);
  });

  test('all problems are reported at once, not only the first', () => {
    expect(problemsAfter(/closes-at: 170 F/, 'closes-at: 170\n    colour: red').length).toBeGreaterThanOrEqual(2);
  });

  test('an alias bomb is refused', () => {
    const bomb = `a: &a [x, x]\n${Array.from({ length: 12 }, (_, i) => `b${i}: &b${i} [${`*${i === 0 ? 'a' : `b${i - 1}`}, `.repeat(9)}x]`).join('\n')}\n`;
    expect(() => loadProfile(bomb, 'bomb.yaml')).toThrow(ProblemError);
  });
});

describe('variants', () => {
  test('a nitride igniter rises with heat, the carbide one falls', () => {
    const carbide = profile('furnace-condensing').parts.find((p) => p.id === 'igniter')!;
    const nitride = profile('furnace-condensing', 'nitride').parts.find((p) => p.id === 'igniter')!;
    expect(carbide.spec['hot-ohms']).toBeLessThan(carbide.spec['cold-ohms'] as number);
    expect(nitride.spec['hot-ohms']).toBeGreaterThan(nitride.spec['cold-ohms'] as number);
  });

  test('an unknown variant is refused with the known ones', () => {
    expect(() => loadProfile(furnace, 'f.yaml', { variant: 'nitrid' })).toThrow(/did you mean "nitride"/);
  });

  test('the order of devices in a chain is a variant', () => {
    const rung = (variant?: string) => {
      const model = profile('steam-intermittent-pilot', variant);
      return model.rungs
        .find((r) => r.id === 'safety')!
        .items.flatMap((i) => ('branch' in i ? [model.parts[model.branches[i.branch]!.part]!.id] : []));
    };
    expect(rung().slice(0, 2)).toEqual(['lwco', 'thermostat']);
    expect(rung('cutoff-after-thermostat').slice(0, 2)).toEqual(['thermostat', 'lwco']);
  });
});
