import { Engine } from '../src/diagnosis';
import { drawingOf } from '../src/presentation';
import {
  AS_IT_STANDS,
  type Build,
  findNet,
  loadProfile,
  ordersOfProfile,
  PLAIN,
  ProblemError,
  variantsOf,
  withVariant,
} from '../src/profile';
import { checkProfile, FIRST_EPISODE } from '../src/simulation';
import { FAMILIES, profileText } from './models';

const load = (id: string, build: Build) => loadProfile(profileText(id), id, { build });
const ordered = (rung: string, ...parts: string[]): Build => ({ options: [], order: { [rung]: parts } });

/** Ids of the parts of a rung, from source to load. */
const chain = (id: string, build: Build, rung: string): string[] =>
  drawingOf(load(id, build))
    .rungs.find((r) => r.id === rung)!
    .items.flatMap((i) => (i.kind === 'part' ? [i.part] : []));

describe('how a machine is built, beside its family', () => {
  test.each([
    ['steam-intermittent-pilot', 'safety', ['thermostat', 'lwco'], 'cutoff-after-thermostat'],
    ['hydronic-boiler', 'safety', ['high-limit', 'aquastat'], 'limit-before-aquastat'],
  ])('%s: switches in another order are the circuit of the family’s own variant', (id, rung, parts, variant) => {
    const own = ordered(rung, ...parts);
    if (!variantsOf(profileText(id), id).some((v) => v.id === variant)) throw new Error(`no ${variant}`);
    expect(chain(id, own, rung)).toEqual(chain(id, withVariant(variant), rung));
    expect(chain(id, own, rung)).not.toEqual(chain(id, PLAIN, rung));
  });

  test('a changed order changes what a point shows under a fault, and the fault stays the same', () => {
    const read = (build: Build): string => {
      const engine = new Engine(load('steam-intermittent-pilot', build));
      const { model } = engine;
      const h = engine.hypotheses.find((x) => x.id === 'lwco.open')!;
      const q = { kind: 'volts', red: findNet(model, 'TH'), black: findNet(model, 'C'), phase: AS_IT_STANDS } as const;
      const p = engine.expect({ episodes: [FIRST_EPISODE], items: [] }, h, { ...q, input: 'high-impedance' });
      return p.kind === 'volts' ? (p.volts > 20 ? 'live' : 'dead') : p.kind;
    };
    // Behind the open cut-off the thermostat is dead; ahead of it, live.
    expect(read(PLAIN)).not.toBe('live');
    expect(read(ordered('safety', 'thermostat', 'lwco'))).toBe('live');
  });

  test('options are combined; the same place changed twice is refused with both names', () => {
    const both = load('hydronic-boiler', { options: ['no-damper', 'module-with-lockout'], order: {} });
    expect(both.parts.some((p) => p.id === 'damper')).toBe(false);
    expect(both.controller!.regions.some((r) => r.states.some((s) => s.id === 'pause' && s.lockout))).toBe(true);
    expect(() => load('hydronic-boiler', { options: ['no-damper', 'limit-before-aquastat'], order: {} })).toThrow(
      /limit-before-aquastat: does not go together with no-damper: both change rungs.safety/,
    );
  });

  test.each<[string, Build, RegExp]>([
    ['an unknown option', withVariant('gold'), /unknown variant "gold"/],
    ['an unknown rung', ordered('attic', 'limit'), /unknown rung "attic"/],
    ['an unknown switch', ordered('safety', 'lwco', 'limt'), /unknown switch on this rung "limt"/],
    ['a switch named twice', ordered('safety', 'lwco', 'lwco'), /names a switch twice/],
    ['a part that is no switch', ordered('safety', 'lwco', 'damper.motor'), /damper.motor cannot change places here/],
  ])('%s is refused with what to do', (_name, build, reason) => {
    expect(() => load('steam-intermittent-pilot', build)).toThrow(ProblemError);
    expect(() => load('steam-intermittent-pilot', build)).toThrow(reason);
  });

  test.each(FAMILIES)('%s: every order that is offered makes an appliance that runs', (id) => {
    const text = profileText(id);
    for (const [rung, switches] of Object.entries(ordersOfProfile(text, id, PLAIN))) {
      const { checked, problems } = checkProfile(text, id, ordered(rung, ...[...switches].reverse()));
      expect(problems).toEqual([]);
      expect(['runs', 'cycles']).toContain(checked.trace.outcome);
    }
  });
});
