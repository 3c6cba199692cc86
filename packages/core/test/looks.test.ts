import { Engine } from '@zetalysis/core/diagnosis';
import { FIRST_EPISODE } from '@zetalysis/core/simulation';
import { FAMILIES, profile } from './models';

describe.each(FAMILIES)('what is seen of a part: %s', (id) => {
  const model = profile(id);
  const engine = new Engine(model);

  test('however far gone it is, a look that asks about its fault finds it', () => {
    let asked = 0;
    for (const h of engine.hypotheses.filter((x) => x.severity && x.occurs === 1)) {
      const { part, mode } = h.faults[0]!;
      const { id: way } = model.parts[part]!.modes[mode]!;
      for (const [index, look] of model.looks.entries()) {
        // One that is the answer where nothing but this fault is asked about.
        const finds = look.answers.findIndex(({ when }) => when.text === `fault(${model.parts[part]!.id}.${way})`);
        if (finds < 0) continue;
        asked++;
        const p = engine.traces.predict(h.faults, [FIRST_EPISODE], { kind: 'look', look: index });
        expect([h.id, look.id, p]).toEqual([h.id, look.id, expect.objectContaining({ answer: finds })]);
      }
    }
    // Not every family has a look at something that varies.
    if (id === 'mobile-furnace') expect(asked).toBeGreaterThan(5);
  });
});
