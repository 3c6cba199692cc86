import { TRAINED } from '../src/rules';
import { Engine } from '../src/diagnosis';
import type { Evidence, Observation } from '../src/question';
import { type Episode, NORMAL_SETUP, type Outcome } from '../src/simulation';
import { profile } from './models';
import { findPhase } from '../src/profile';

const model = profile('furnace-condensing');
const engine = new Engine(model);
const part = (id: string) => model.parts.find((p) => p.id === id)!.index;
const phase = (id: string) => findPhase(model, id)!.index;
const seen = (id: string, answer: boolean): Observation => ({ kind: 'seen', phase: phase(id), answer });
const ends = (outcome: Outcome): Observation => ({ kind: 'outcome', outcome });
const code = (id: string): Observation => ({ kind: 'code', code: id });
const ohms = (id: string, value: number): Observation => ({
  kind: 'ohms',
  part: part(id),
  branch: '',
  reading:
    value === Infinity ? { kind: 'open', dimension: 'resistance' } : { kind: 'value', value, dimension: 'resistance' },
});

function evidence(...stretches: (Partial<Episode> & { seen: Observation[] })[]): Evidence {
  const episodes = stretches.map(({ seen: _seen, ...e }) => ({ setup: NORMAL_SETUP, repaired: [], ...e }));
  const items = stretches.flatMap((s, episode) =>
    s.seen.map((observation, i) => ({ id: `${episode}.${i}`, episode, observation })),
  );
  return { episodes, items };
}
const noGlow = [seen('inducer', true), seen('glow', false), seen('valve', true), ends('locks-out'), code('red-quick')];
const share = (e: Evidence, repair: string): number =>
  engine.assess(e).suspects.find((s) => s.repair === repair)?.probability ?? 0;

describe('after a repair', () => {
  test('a second fault shows when the first is mended, and leads', () => {
    const drops = [
      seen('glow', true),
      seen('flame', true),
      seen('steady', false),
      ends('locks-out'),
      code('red-quick'),
    ];
    const e = evidence(
      { seen: [...noGlow, ohms('igniter', Infinity)] },
      { repaired: [part('igniter')], measured: [part('igniter')], seen: drops },
    );
    const first = engine.assess(e).suspects[0]!;
    expect(first.leading.faults).toHaveLength(2);
    expect(first.leading.words).toMatch(/besides what was repaired$/);
    expect(first.repair).not.toBe('igniter:replace');
  });

  test('an unneeded repair that changes nothing speaks against the part, and a new part that was measured even more', () => {
    const before = share(evidence({ seen: noGlow }), 'igniter:replace');
    const again = evidence({ seen: noGlow }, { repaired: [part('igniter')], seen: noGlow });
    const measured = evidence(
      { seen: noGlow },
      { repaired: [part('igniter')], measured: [part('igniter')], seen: noGlow },
    );
    expect(share(again, 'igniter:replace')).toBeLessThan(before / 3);
    // A new part may be bad: not impossible, and less likely when it was measured.
    expect(share(again, 'igniter:replace')).toBeGreaterThan(0.005);
    expect(share(measured, 'igniter:replace')).toBeLessThan(share(again, 'igniter:replace') / 2);
  });

  test('cured by its repair is a proof', () => {
    const e = evidence(
      { seen: [...noGlow, ohms('igniter', Infinity)] },
      { repaired: [part('igniter')], seen: [seen('glow', true), seen('steady', true), ends('runs')] },
    );
    const { proof, suspects } = engine.assess(e);
    expect(suspects[0]!.repair).toBe('igniter:replace');
    expect(proof).toMatchObject({ part: part('igniter'), standing: 'proved' });
  });

  test('pairs are left out of the first quick answer', () => {
    const drops = [seen('glow', true), seen('flame', true), seen('steady', false), code('red-quick')];
    const e = evidence({ seen: [...noGlow, ohms('igniter', Infinity)] }, { repaired: [part('igniter')], seen: drops });
    expect(engine.assess(e, { pairs: false }).hypotheses).toHaveLength(engine.hypotheses.length);
    expect(engine.assess(e).hypotheses.length).toBeGreaterThan(engine.hypotheses.length);
  });
});

describe('faults that come and go', () => {
  const runs = [
    ...['call', 'inducer', 'glow', 'valve', 'flame', 'steady', 'heating'].map((id) => seen(id, true)),
    ends('runs'),
    code('none'),
  ];

  test('a machine that runs on arrival: nothing is found, and what comes and goes stays a suspect', () => {
    const { suspects } = engine.assess(evidence({ seen: runs }));
    expect(suspects[0]!.repair).toBe('none');
    const loose = suspects.find((s) => s.repair === 'P4:reconnect')!;
    expect(loose.leading.id).toMatch(/~$/);
    expect(loose.probability).toBeGreaterThan(0.001);
  });

  test('once away and once there: only what comes and goes explains both', () => {
    const dead = [seen('inducer', false), ends('dead')];
    const gone = engine.assess(
      evidence({ seen: dead }, { setup: { ...NORMAL_SETUP, actions: ['cool-down'] }, seen: runs }),
    );
    const faults = gone.hypotheses.filter((h) => h.kind === 'fault' && h.faults.length === 1);
    const best = faults.reduce((a, b) => (gone.probabilities[a.index]! > gone.probabilities[b.index]! ? a : b));
    expect(best.occurs).toBeLessThan(1);
  });
});

describe('nothing fits', () => {
  const odd = evidence({
    seen: [
      seen('inducer', false),
      seen('glow', true),
      seen('flame', true),
      { kind: 'gauge', gauge: 0, reading: { kind: 'value', value: 700, dimension: 'pressure' } },
    ],
  });

  test('the unknown wins, and the reading that fits nothing is named', () => {
    const a = engine.assess(odd);
    expect(a.noHypothesisFits).toBe(true);
    expect(a.fitsNothing).toContain('0.3');
  });

  test('the next test is then one that splits many, not one for the leading guess', () => {
    const [first] = engine.next({ evidence: odd, declined: new Set(), person: TRAINED }, engine.assess(odd));
    expect(first!.outcomes.length).toBeGreaterThanOrEqual(2);
    expect(first!.outcomes.filter((o) => o.expectedBy.length >= 5).length).toBeGreaterThanOrEqual(2);
  });
});

describe('hot-only faults and what is found on arrival', () => {
  const trace = (name: string, episodes: readonly Partial<Episode>[] = [{}]) => {
    const h = engine.hypotheses.find((x) => x.family === name)!;
    return engine.traces.last(
      h.faults,
      episodes.map((e) => ({ setup: NORMAL_SETUP, repaired: [], ...e })),
    ).trace;
  };

  test('a coil that opens when hot lights first, fails later, and works again when it has cooled', () => {
    const first = trace('gas-valve.opens-hot');
    expect(first.cues[phase('steady')]!.length).toBeGreaterThan(0);
    expect(first.outcome).not.toBe('runs');
    const hot = trace('gas-valve.opens-hot', [{}, {}]);
    expect(hot.cues[phase('valve')]).toHaveLength(0);
    const cool = trace('gas-valve.opens-hot', [{}, { setup: { ...NORMAL_SETUP, actions: ['cool-down'] } }]);
    expect(cool.cues[phase('steady')]!.length).toBeGreaterThan(0);
  });

  test('a manual reset has tripped before anybody came; pressed, it trips again while its cause is there', () => {
    const rollout = part('rollout');
    const tripped = model.parts[rollout]!.kind.states.indexOf('tripped');
    const state = (t: ReturnType<typeof trace>, at: 'first' | 'last') =>
      t.segments.at(at === 'first' ? 0 : -1)!.partStates[rollout];
    expect(state(trace('heat-exchanger.cracked'), 'first')).toBe(tripped);
    const reset = trace('heat-exchanger.cracked', [{}, { setup: { ...NORMAL_SETUP, actions: ['reset-rollout'] } }]);
    expect(state(reset, 'first')).not.toBe(tripped);
    expect(state(reset, 'last')).toBe(tripped);
    const over = trace('rollout.tripped', [{}, { setup: { ...NORMAL_SETUP, actions: ['reset-rollout'] } }]);
    expect(over.outcome).toBe('runs');
  });

  test('a fuse that its fault blows is blown on arrival, and a new one blows again', () => {
    const fuse = part('fuse');
    const blown = model.parts[fuse]!.kind.states.indexOf('blown');
    const again = trace('thermostat-cable.short', [{}, { setup: { ...NORMAL_SETUP, actions: ['new-fuse'] } }]);
    expect(trace('thermostat-cable.short').segments[0]!.partStates[fuse]).toBe(blown);
    expect(again.segments.at(-1)!.partStates[fuse]).toBe(blown);
    expect(trace('fuse.open', [{}, { setup: { ...NORMAL_SETUP, actions: ['new-fuse'] } }]).outcome).toBe('runs');
  });
});
