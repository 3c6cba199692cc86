import { coverage, followed, watchedTry } from '../src/analysis';
import { Engine } from '../src/diagnosis';
import type { Hypothesis } from '../src/inference';
import type { Evidence } from '../src/question';
import { FAMILIES, profile } from './models';

/** Answers that speak for one of two by less than this do not tell them apart. */
const EVEN = 3;

/**
 * What must hold when nobody errs and every question is answered: the appliance is the nominal one, and every test that
 * leaves its setup alone is made once.
 */
describe.each(FAMILIES)('every question answered rightly: %s', (id) => {
  const engine = new Engine(profile(id));
  const { faults, alike, silent } = coverage(engine);
  const everything = (h: Hypothesis): Evidence => {
    const asked = engine.tests.filter((t) => {
      if (t.intervention || t.question.kind === 'seen' || t.question.kind === 'outcome' || t.question.kind === 'code')
        return false;
      const p = engine.expect({ episodes: [{ setup, repaired: [] }], items: [] }, h, t.question);
      // Nobody can read what never comes, or note a look that has no answer.
      return !('absent' in p && p.absent) && p.kind !== 'never' && !(p.kind === 'choice' && p.answer < 0);
    });
    const ids = asked.map((t) => t.id);
    return followed(engine, h, watchedTry(engine, h), ids);
  };
  const { setup } = watchedTry(engine, engine.healthy).episodes[0]!;
  // A severity with which it runs reads like a sound one, or nearly: nobody has to name it.
  const harmless = (h: Hypothesis): boolean =>
    h.severity !== undefined && engine.traces.course(h.faults, [{ setup, repaired: [] }]) === sound;
  const sound = engine.traces.course([], [{ setup, repaired: [] }]);
  // Every third fault, so that all families together stay under two minutes.
  const shown = faults.filter((h, i) => i % 3 === 0 && !silent.includes(h) && !harmless(h));
  const ends = shown.map((h) => ({ h, ...engine.assess(everything(h), { pairs: false }) }));

  test('the right repair is named, or the answers speak as much for another: only something done would tell', () => {
    const wrong = ends.filter(({ h, suspects, probabilities, hypotheses }) => {
      const group = alike.find((g) => g.includes(h)) ?? [h];
      const [{ leading, repair }] = suspects as [(typeof suspects)[0]];
      const told = ({ family }: Hypothesis): number => {
        const same = hypotheses.filter((s) => s.family === family);
        const sum = (of: (s: Hypothesis) => number): number => same.reduce((total, s) => total + of(s), 0);
        return sum((s) => probabilities[s.index]!) / sum((s) => s.prior);
      };
      return !group.some((g) => g.repair === repair) && told(leading) > EVEN * told(h);
    });
    expect(wrong.map(({ h, suspects }) => `${h.id} → ${suspects[0]!.repair}`)).toEqual([]);
  });

  test('and no other part is proved bad', () => {
    const wrong = ends.filter(({ h, proof }) => proof?.standing === 'proved' && proof.part !== h.breaks);
    expect(wrong.map(({ h, proof }) => `${h.id} → ${engine.model.parts[proof!.part]!.id}`)).toEqual([]);
  });

  test('nothing that was found surprises', () => {
    const wrong = ends.filter(({ surprises, noHypothesisFits: baffled }) => surprises.length > 0 || baffled);
    expect(wrong.map(({ h, surprises }) => `${h.id}: ${surprises.join()}`)).toEqual([]);
  });

  test('a sound appliance is called sound, and nothing is proved against it', () => {
    const { suspects, proof } = engine.assess(everything(engine.healthy), { pairs: false });
    expect(suspects[0]!.repair).toBe('none');
    expect(proof?.standing ?? 'suspected').toBe('suspected');
  });
});
