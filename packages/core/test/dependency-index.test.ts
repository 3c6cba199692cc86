import type { Expression, Model, Source } from '../src/profile';
import { CircuitStates, NORMAL_SETUP, run, type Trace } from '../src/simulation';
import { DependencyIndex, Due } from '../src/simulation/dependency-index';
import { FAMILIES, profile } from './models';

const furnace = profile('furnace-condensing');
const named = <T extends { readonly id: string }>(list: readonly T[], id: string): number =>
  list.findIndex((entry) => entry.id === id);

/** Who looks at something, by name. */
function lookingAt(kind: keyof DependencyIndex['of'], index: number): string[] {
  const dependencies = new DependencyIndex(furnace);
  const { parts, quantities, controller, phases } = furnace;
  const names = [...parts, ...quantities, ...controller!.regions, ...phases].map(({ id }) => id);
  expect(dependencies.count).toBe(names.length);
  return dependencies.of[kind][index]!.map((number) => names[number]!).sort();
}

describe('who looks at what', () => {
  test('a part that is moved by a quantity, and the control that senses it, look at it', () => {
    const looking = lookingAt('quantity', named(furnace.quantities, 'draft'));
    expect(looking).toContain('pressure-switch');
    expect(looking).not.toContain('igniter');
  });

  test('what the circuit does to a part drives the part alone', () => {
    expect(lookingAt('drive', named(furnace.parts, 'gas-valve'))).toEqual(['gas-valve']);
  });

  test('the gas that flows looks at the valve; the igniter does not', () => {
    const looking = lookingAt('part', named(furnace.parts, 'gas-valve'));
    expect(looking).toEqual(expect.arrayContaining(['gas-valve', 'gas-flow', 'gas-inlet']));
    expect(looking).not.toContain('igniter');
  });

  test('a part that does not move looks at nothing', () => {
    const drop = furnace.parts.filter((p) => p.kind.name === 'wire').map((p) => p.index);
    const { of } = new DependencyIndex(furnace);
    for (const lists of Object.values(of))
      for (const list of lists) for (const number of list) expect(drop).not.toContain(number);
  });
});

describe('who is due', () => {
  test('is everybody at first, and then those who look at what changed, once', () => {
    const dependencies = new DependencyIndex(furnace);
    const due = new Due(dependencies);
    const everybody = Array.from({ length: dependencies.count }, (_, number) => number);
    const taken = (): number[] => everybody.filter((number) => due.take(number));
    expect(taken()).toEqual(everybody);
    expect(taken()).toEqual([]);
    const valve = named(furnace.parts, 'gas-valve');
    due.changed('part', valve);
    expect(taken()).toEqual([...dependencies.of.part[valve]!].sort((a, b) => a - b));
    expect(taken()).toEqual([]);
  });
});

describe('who is not asked again would have answered the same', () => {
  /** The same appliance, in which everybody looks at everything. */
  function alwaysAsked(model: Model): Model {
    const { parts, quantities, controller, env, comparisons, phases } = model;
    const all = (kind: Source['kind'], count = 0): Source[] =>
      Array.from({ length: count }, (_, index) => ({ kind, index }));
    const sources: Source[] = [
      ...all('part', parts.length),
      ...all('quantity', quantities.length),
      ...all('env', env.length),
      ...all('comparison', comparisons.length),
      ...all('output', controller?.outputs.length),
      ...all('input', controller?.inputs.length),
      ...all('region', controller?.regions.length),
      ...all('counter', controller?.counters.length),
      ...all('alive', 1),
    ];
    const asked = (expression: Expression): Expression => ({ ...expression, sources });
    const guard = <T extends { readonly when: Expression }>(of: T): T => ({ ...of, when: asked(of.when) });
    return {
      ...model,
      parts: parts.map((p) => ({
        ...p,
        conditions: new Map([...p.conditions].map(([field, condition]) => [field, asked(condition)])),
      })),
      quantities: quantities.map((q) => ({
        ...q,
        rules: q.rules.map((rule) => (rule.when ? { ...rule, when: asked(rule.when) } : rule)),
      })),
      ...(controller && {
        controller: {
          ...controller,
          regions: controller.regions.map((region) => ({
            ...region,
            always: region.always.map(guard),
            states: region.states.map((state) => ({ ...state, go: state.go.map(guard) })),
          })),
        },
      }),
      phases: phases.map((p) => ({ ...p, cue: asked(p.cue), window: asked(p.window) })),
    };
  }
  const gist = ({ end, outcome, code, cues, windows, ramps, cycle, resets }: Trace) =>
    JSON.stringify({ end, outcome, code, cues, windows, ramps, cycle, resets });

  test.each(FAMILIES)('%s, under every fault', (id) => {
    const model = profile(id);
    const [quick, slow] = [new CircuitStates(model), new CircuitStates(alwaysAsked(model))];
    for (const part of model.parts)
      part.modes.forEach((_, mode) => {
        const faults = [{ part: part.index, mode }];
        expect(gist(run(quick, faults, NORMAL_SETUP))).toBe(gist(run(slow, faults, NORMAL_SETUP)));
      });
  });
});
