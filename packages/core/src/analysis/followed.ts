import type { Engine } from '../diagnosis';
import type { Hypothesis } from '../inference';
import { type Evidence, observationOf } from '../question';
import { episodesFor } from '../test-choice';

/**
 * Evidence with the answers to some more tests, by id, as a fault gives them when nobody errs; what a test changes is put
 * back after it. Throws RangeError for a test that the appliance does not have.
 */
export function followed(engine: Engine, h: Hypothesis, before: Evidence, ids: readonly string[]): Evidence {
  let { episodes } = before;
  const items = [...before.items];
  for (const id of ids) {
    const test = engine.tests.find((t) => t.id === id);
    if (!test) throw new RangeError(`no test "${id}" in ${engine.model.id}`);
    const normal = episodes[episodes.length - 1]!;
    episodes = episodesFor(episodes, test);
    const prediction = engine.expect({ episodes, items }, h, test.question);
    const observation = observationOf(engine.model, test.question, prediction)!;
    items.push({ id, episode: episodes.length - 1, observation });
    if (test.intervention) episodes = [...episodes, normal];
  }
  return { episodes, items };
}
