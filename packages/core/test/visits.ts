import { setupFor, synthesise, type Engine, type Evidence, type Hypothesis } from '../src/diagnosis';

/** Adds the answers to some tests, as the fault gives them; what a test changes is put back after it. */
export function followed(engine: Engine, h: Hypothesis, before: Evidence, ids: readonly string[]): Evidence {
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
