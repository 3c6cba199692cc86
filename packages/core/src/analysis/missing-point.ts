import type { Engine } from '../diagnosis';
import type { Hypothesis } from '../inference';
import type { NetIndex, PartIndex, Phase } from '../profile';
import { kindOf, type Prediction, type Question } from '../question';
import { FIRST_EPISODE } from '../simulation';

/** What would tell two faults apart that no test of a machine does: a point to measure at, or a look at a part that is out. */
export type MissingPoint =
  | {
      readonly is: 'point';
      readonly red: NetIndex;
      readonly black: NetIndex;
      readonly phase: Phase;
      readonly question: Question;
      /** What is read there under the one and under the other. */
      readonly reads: readonly [Prediction, Prediction];
    }
  | { readonly is: 'look'; readonly part: PartIndex };

/**
 * The cheapest addition that separates two faults: a test point on a net that has none, against the common of the others, at the first step
 * that can be read there; where no net of the circuit reads otherwise, the part of the first is taken out and looked at.
 */
export function missingPoint(engine: Engine, a: Hypothesis, b: Hypothesis): MissingPoint {
  const { model, traces } = engine;
  const chain = [FIRST_EPISODE];
  const known = new Set(model.points.map((p) => p.net));
  const blacks = [...new Set(model.points.map((p) => p.black))];
  for (const [red] of model.nets.entries()) {
    if (known.has(red as NetIndex) || blacks.includes(red as NetIndex)) continue;
    for (const black of blacks)
      for (const phase of model.phases) {
        const question = { kind: 'volts', red, black, phase: phase.index } as Question;
        const reads = [a, b].map((h) => traces.predict(h.faults, chain, question)) as [Prediction, Prediction];
        const [one, other] = reads.map((p) => kindOf(question).coarse(model, question, p));
        if (one !== other) return { is: 'point', red: red as NetIndex, black, phase, question, reads };
      }
  }
  return { is: 'look', part: a.faults[0]!.part };
}
