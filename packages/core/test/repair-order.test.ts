import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import * as fc from 'fast-check';
import { Engine, repairOrder } from '@zetalysis/core/diagnosis';
import type { Repair } from '@zetalysis/core/inference';
import { SimulatedTechnician, SimulatedVisit } from '@zetalysis/core/practice';
import { whatNow } from '@zetalysis/core/presentation';
import { loadProfile } from '@zetalysis/core/profile';
import { Random, VirtualAppliance } from '@zetalysis/core/simulation';

type Suspects = Parameters<typeof repairOrder>[0]['suspects'];

/** Suspects with only what the order asks for. */
const suspects = (given: readonly (readonly [Repair, number])[]): Suspects =>
  given.map(([repair, probability]) => ({ repair, probability }) as Suspects[number]);

/** Minutes until it is mended, on average, when one of these is broken and each is tried after the other. */
function expected(steps: readonly { readonly probability: number; readonly minutes: number }[]): number {
  const total = steps.reduce((sum, s) => sum + s.probability, 0);
  let [spent, mean] = [0, 0];
  for (const { probability, minutes } of steps) {
    spent += minutes;
    mean += (probability / total) * spent;
  }
  return mean;
}

const orders = <T>(list: readonly T[]): T[][] =>
  list.length < 2 ? [[...list]] : list.flatMap((one, i) => orders(list.toSpliced(i, 1)).map((rest) => [one, ...rest]));

describe('in which order to mend what nothing tells apart', () => {
  test('no other order costs fewer minutes on average', () => {
    const action = fc.constantFrom('reset', 'reconnect', 'correct', 'clean', 'repair', 'replace');
    const some = fc.array(fc.tuple(action, fc.double({ min: 0.02, max: 1, noNaN: true })), {
      minLength: 1,
      maxLength: 5,
    });
    fc.assert(
      fc.property(some, (drawn) => {
        const steps = repairOrder({
          suspects: suspects(drawn.map(([a, p], i) => [`part-${i}:${a}` as Repair, p])),
        });
        expect(steps).toHaveLength(drawn.length);
        const least = Math.min(...orders(steps).map(expected));
        expect(expected(steps)).toBeLessThanOrEqual(least * (1 + 1e-9));
      }),
      { numRuns: 60 },
    );
  });

  test('a loose plug is remade before a transformer is changed that is twice as likely', () => {
    const steps = repairOrder({
      suspects: suspects([
        ['transformer:replace', 0.6],
        ['P2:reconnect', 0.3],
        ['none', 0.08],
        ['unknown', 0.02],
      ]),
    });
    expect(steps.map((s) => s.repair)).toEqual(['P2:reconnect', 'transformer:replace']);
  });
});

describe('a search that no test takes further', () => {
  test.each(['furnace-condensing', 'steam-standing-pilot', 'dryer-burner'])(
    '%s: is proved, or says what to do',
    (id) => {
      const file = `${id}.yaml`;
      const text = readFileSync(join(__dirname, '../../../profiles', file), 'utf8');
      const engine = new Engine(loadProfile(text, file));
      const faults = engine.hypotheses.filter((h) => h.kind === 'fault' && h.occurs === 1);
      let ended = 0;
      for (let n = 3; n < faults.length; n += 11) {
        const random = new Random(n);
        const appliance = VirtualAppliance.drawn(text, file, faults[n]!.faults, random);
        const visit = new SimulatedVisit(engine, new SimulatedTechnician(appliance, random), 'advice');
        const { named, proved } = visit.diagnose();
        if (proved) continue;
        ended++;
        const { says, order } = whatNow(engine.model, visit.assess());
        expect(says).not.toBe('');
        // What is named first is on the list, unless nothing is to be mended.
        const blames = named !== 'none' && named !== 'unknown';
        expect([named, order.length > 0]).toEqual([named, blames && !visit.assess().noHypothesisFits]);
      }
      expect(ended).toBeGreaterThan(0);
    },
  );
});
