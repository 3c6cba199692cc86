import { TRAINED } from '../src/rules';
import { followed, watchedTry } from '../src/analysis';
import { Engine } from '../src/diagnosis';
import { type Hypothesis, waysOfFailing } from '../src/inference';
import type { Evidence } from '../src/question';
import { profile } from './models';

/** A watched try whose status light nobody read. */
function watched(engine: Engine, h: Hypothesis): Evidence {
  const whole = watchedTry(engine, h);
  return { ...whole, items: whole.items.filter((i) => i.observation.kind !== 'code') };
}

const nobody: ReadonlySet<string> = new Set();
/** Plans of all families, and those that hold a test too many. */
const plans = { whole: 0, spare: 0 };

describe.each(['furnace-condensing', 'steam-standing-pilot', 'mobile-furnace'])('the cheapest proof: %s', (id) => {
  const engine = new Engine(profile(id));
  const planned = waysOfFailing(engine.hypotheses.filter((h) => h.kind === 'fault' && h.occurs === 1)).map(
    ({ hypothesis: h }) => {
      const before = watched(engine, h);
      const situation = { evidence: before, declined: nobody, person: TRAINED };
      return { h, before, plan: engine.planProof(situation, engine.assess(before, { pairs: false }), h) };
    },
  );
  const whole = planned.filter(({ plan }) => plan.paid > 0.999 && plan.shares.size > 0);
  const isProved = (evidence: Evidence, h: Hypothesis): boolean => {
    const { proof, suspects } = engine.assess(evidence, { pairs: false });
    // A plan pays for what a proof has to show; whether one more reading is wanted, the odds say when it is done.
    const lacks = proof?.requirements.some((r) => !r.met && r.requirement !== 'likely-enough');
    return suspects[0]!.repair === h.repair && lacks === false;
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
    plans.whole += whole.length;
    plans.spare += spare.length;
    // Few plans of one family are no statistics: a tenth over all that were looked at so far, a fifth in any. A plan takes
    // every reading by itself; one after another they say more of their common source.
    expect(spare.length / whole.length).toBeLessThan(1 / 5);
    expect(plans.spare / plans.whole).toBeLessThan(0.1);
  });

  test('a declined test takes no part', () => {
    const { h, before, plan } = whole[0]!;
    const [first] = plan.shares.keys();
    const again = engine.planProof(
      { evidence: before, declined: new Set([first!]), person: TRAINED },
      engine.assess(before, { pairs: false }),
      h,
    );
    expect([...again.shares.keys()]).not.toContain(first);
  });
});
