import { Engine } from '../src/diagnosis';
import { TRAINED } from '../src/rules';
import { watchedTry } from '../src/analysis';
import { predicts } from '../src/inference';
import { caseEvents, loadCase, reduceCall } from '../src/visit';
import { FAMILIES, profile } from './models';

/** Common practice, no source: one looks before one takes apart, where both tell as much for the minutes they take. */
describe.each(FAMILIES)('what comes first: %s', (id) => {
  const engine = new Engine(profile(id));
  const faults = engine.hypotheses.filter((h) => h.kind === 'fault' && predicts(h) && h.occurs === 1);
  // Every eighth fault: enough of them to vary the leader, the step and what is left.
  const situations = faults
    .filter((_, i) => i % 8 === 0)
    .map((h) => {
      const evidence = watchedTry(engine, h);
      const assessment = engine.assess(evidence, { pairs: false });
      const ranked = engine.next({ evidence, declined: new Set(), person: TRAINED }, assessment);
      return { h, ranked };
    });

  test('no longer test before a shorter one that is as good', () => {
    const sooner = situations.flatMap(({ h, ranked: [first, ...others] }) =>
      first === undefined || first.settles > 0
        ? []
        : others
            .filter((o) => o.settles === 0 && o.score >= 0.985 * first.score && o.minutes < first.minutes)
            .map((o) => `${h.id}: ${o.test.id}, ${o.minutes} min, before ${first.test.id}, ${first.minutes} min`),
    );
    expect(sooner).toEqual([]);
  });

  test('nothing is proposed that neither tells nor proves anything', () => {
    const worthless = situations.flatMap(({ h, ranked }) =>
      ranked.filter((r) => r.bits <= 0.02 && r.settles <= 0).map((r) => `${h.id}: ${r.test.id}`),
    );
    expect(situations.some(({ ranked }) => ranked.length > 0)).toBe(true);
    expect(worthless).toEqual([]);
  });
});

test('a proof is not planned through a reading at a step that does not come: the valve’s own ohms are asked for', () => {
  const engine = new Engine(profile('furnace-condensing'));
  const story = `format: zetalysis-case/1
title: t
profile: furnace-condensing
events:
  - seen: {call: yes, inducer: yes, glow: yes, valve: no, flame: no, smell: no}
  - outcome: locks-out
  - volts: {red: VT, black: C, value: 25.6, phase: valve}
  - volts: {red: VC, black: C, value: 0, phase: valve}
  - look: {where-it-clicks: board}
`;
  const { steps } = loadCase(story, 'told.yaml', engine.model);
  const { evidence } = reduceCall(engine.model, caseEvents(steps), { needs: 'met' });
  const ranked = engine.next({ evidence, declined: new Set(), person: TRAINED }, engine.assess(evidence));
  expect(ranked[0]?.test.id).toBe('ohms gas-valve');
});
