import { followed } from '../src/analysis';
import { Engine } from '../src/diagnosis';
import { type Hypothesis, predicts } from '../src/inference';
import { fitEvidence } from '../src/inference/posterior';
import { ExpectedFinding } from '../src/proof/expected-finding';
import { weightOf } from '../src/proof/proof';
import type { Evidence } from '../src/question';
import { NORMAL_SETUP } from '../src/simulation';
import type { Test } from '../src/test-choice';
import { profile } from './models';

const nothing: Evidence = { episodes: [{ setup: NORMAL_SETUP, repaired: [] }], items: [] };

/** Every n-th of a list, so that a test stays quick and still meets all sorts. */
const every = <T>(n: number, list: readonly T[]): T[] => list.filter((_, i) => i % n === 0);

describe.each(['furnace-condensing', 'combi-condensing', 'storage-water-heater'])('what is foretold: %s', (id) => {
  const engine = new Engine(profile(id));
  const rivals = engine.hypotheses.filter(predicts);
  const suspects = every(
    7,
    rivals.filter((h) => h.kind === 'fault'),
  );
  const tests = every(
    5,
    // A number's scale depends on who is asked; it has a test of its own.
    engine.tests.filter((t) => t.question.kind !== 'gauge' && t.question.kind !== 'timing'),
  );
  const tell = (test: Test, suspect: Hypothesis): ExpectedFinding =>
    new ExpectedFinding(engine.traces, engine.hypotheses, nothing.episodes, test, suspect);

  test('weighs as the same answer weighs once it is in the evidence', () => {
    let weighed = 0;
    const differ: string[] = [];
    for (const suspect of suspects)
      for (const test of tests) {
        const foretold = tell(test, suspect).against(rivals);
        if (!foretold) continue;
        const [item] = fitEvidence(
          engine.model,
          engine.traces,
          engine.hypotheses,
          followed(engine, suspect, nothing, [test.id]),
        );
        for (const h of rivals) {
          const told = foretold.weights[h.index];
          const weight = weightOf(h, item!, h.breaks === suspect.breaks);
          if (told !== weight) differ.push(`${test.id}, ${h.id}: ${told}, and not ${weight}`);
          weighed++;
        }
      }
    expect(differ).toEqual([]);
    expect(weighed).toBeGreaterThan(1500);
  });

  test('it does not matter in which order, or how often, rivals are asked about', () => {
    for (const suspect of suspects.slice(0, 3))
      for (const test of every(4, tests)) {
        const atOnce = tell(test, suspect).against(rivals);
        const oneByOne = tell(test, suspect);
        for (const h of [...rivals].reverse()) oneByOne.against([h, suspect]);
        const again = oneByOne.against(rivals);
        expect(rivals.map((h) => again?.weights[h.index])).toEqual(rivals.map((h) => atOnce?.weights[h.index]));
        expect(rivals.map((h) => again?.finds.fits[h.index])).toEqual(rivals.map((h) => atOnce?.finds.fits[h.index]));
      }
  });

  test('it never weighs against the suspect itself', () => {
    for (const suspect of suspects)
      for (const test of tests) expect(tell(test, suspect).against([])?.weights[suspect.index] ?? 0).toBe(0);
  });
});

test('a gauge that is read weighs against whoever expects another number, and not against who expects the same', () => {
  const engine = new Engine(profile('combi-condensing'));
  const find = (id: string): Hypothesis => engine.hypotheses.find((h) => h.id === id)!;
  const low = find('system-water.low');
  const gauge = engine.tests.find((t) => t.id === 'gauge water-pressure')!;
  const { weights } = new ExpectedFinding(engine.traces, engine.hypotheses, nothing.episodes, gauge, low).against(
    engine.hypotheses.filter(predicts),
  )!;
  expect(weights[find('pump.seized').index]).toBe(2);
  expect(weights[low.index]).toBe(0);
});
