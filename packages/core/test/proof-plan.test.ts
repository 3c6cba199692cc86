import {
  Engine,
  FIRST_EPISODE,
  predicts,
  setupFor,
  synthesise,
  type Evidence,
  type Hypothesis,
} from '../src/diagnosis';
import { profile } from './models';

/** What is seen of one try when a fault is there and nobody errs. */
function watched(engine: Engine, h: Hypothesis): Evidence {
  const questions = [
    ...engine.model.phases.map((p) => ({ kind: 'seen' as const, phase: p.index })),
    { kind: 'outcome' as const },
  ];
  const nothing: Evidence = { episodes: [FIRST_EPISODE], items: [] };
  return {
    ...nothing,
    items: questions.map((q, i) => ({
      id: `w${i}`,
      episode: 0,
      observation: synthesise(engine.model, q, engine.expect(nothing, h, q))!,
    })),
  };
}

/** Adds the answers to some tests, as the fault gives them; what a test changes is put back after it. */
function followed(engine: Engine, h: Hypothesis, before: Evidence, ids: readonly string[]): Evidence {
  let { episodes } = before;
  const items = [...before.items];
  for (const id of ids) {
    const test = engine.tests.find((t) => t.id === id)!;
    const normal = episodes[episodes.length - 1]!;
    if (test.intervention) episodes = [...episodes, { ...normal, setup: setupFor(normal.setup, test.intervention) }];
    const prediction = engine.expect({ episodes, items }, h, test.question);
    const observation = synthesise(engine.model, test.question, prediction)!;
    items.push({ id, episode: episodes.length - 1, observation });
    if (test.intervention) episodes = [...episodes, normal];
  }
  return { episodes, items };
}

const nobody: ReadonlySet<string> = new Set();

describe.each(['furnace-condensing', 'steam-standing-pilot', 'mobile-furnace'])('the cheapest proof: %s', (id) => {
  const engine = new Engine(profile(id));
  const planned = engine.hypotheses
    .filter((h) => h.kind === 'fault' && predicts(h) && h.occurs === 1)
    .map((h) => {
      const before = watched(engine, h);
      const situation = { evidence: before, declined: nobody, role: 'technician' as const };
      return { h, before, plan: engine.planProof(situation, engine.assess(before, { pairs: false }), h) };
    });
  const whole = planned.filter(({ plan }) => plan.paid > 0.999 && plan.shares.size > 0);
  const isProved = (evidence: Evidence, h: Hypothesis): boolean => {
    const { proof, suspects } = engine.assess(evidence, { pairs: false });
    return suspects[0]!.leading === h && proof?.standing === 'proved' && proof.cause?.standing === 'proved';
  };

  test('many faults can be proved from a watched try', () => expect(whole.length).toBeGreaterThan(10));

  test('its shares pay the debt in full', () => {
    for (const { plan } of whole) {
      const sum = [...plan.shares.values()].reduce((total, share) => total + share, 0);
      expect(sum).toBeCloseTo(1, 2);
    }
  });

  test('answered as the fault answers, its tests prove it', () => {
    const ends = whole.map(({ h, before, plan }) => ({
      id: h.id,
      proved: isProved(followed(engine, h, before, [...plan.shares.keys()]), h),
    }));
    expect(ends.filter((e) => !e.proved).map((e) => e.id)).toEqual([]);
  });

  test('hardly a test of it is superfluous: cues that only together exclude a rival are counted with care', () => {
    const spare = whole.filter(({ h, before, plan }) =>
      [...plan.shares.keys()].some((left) => {
        const rest = [...plan.shares.keys()].filter((t) => t !== left);
        return isProved(followed(engine, h, before, rest), h);
      }),
    );
    expect(spare.length / whole.length).toBeLessThan(0.1);
  });

  test('a declined test takes no part', () => {
    const { h, before, plan } = whole[0]!;
    const [first] = plan.shares.keys();
    const again = engine.planProof(
      { evidence: before, declined: new Set([first!]), role: 'technician' },
      engine.assess(before, { pairs: false }),
      h,
    );
    expect([...again.shares.keys()]).not.toContain(first);
  });
});
