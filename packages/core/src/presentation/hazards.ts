import { AS_IT_STANDS, type Model, type NetIndex } from '../profile';
import type { Question } from '../question';
import { workOf } from '../rules';
import { cautionsAt, workOfQuestion } from '../test-choice';

/** What to know before somebody measures where they like: what can hurt there, and whether nobody ever may. */
interface Hazard {
  readonly cautions: readonly string[];
  readonly never: boolean;
}

/** By the name of a point, a part or a gauge; of different kinds none share a name. */
export interface Hazards {
  readonly nets: Readonly<Record<string, Hazard>>;
  readonly parts: Readonly<Record<string, Hazard>>;
  readonly gauges: Readonly<Record<string, Hazard>>;
}

export function hazardsOf(model: Model): Hazards {
  const of = (question: Question): Hazard => {
    const { work } = workOfQuestion(model, question);
    return {
      cautions: cautionsAt(model, question, { line: work === 'volts-line' }),
      never: work !== undefined && workOf(work)?.never === true,
    };
  };
  const volts = (red: NetIndex): Question => ({
    kind: 'volts',
    red,
    black: model.ground,
    phase: AS_IT_STANDS,
    input: 'high-impedance',
  });
  return {
    nets: Object.fromEntries(
      model.nets.flatMap((net, i) => (net.startsWith('~') ? [] : [[net, of(volts(i as NetIndex))]])),
    ),
    parts: Object.fromEntries(
      model.parts.flatMap((part, i) =>
        part.branches.length > 0
          ? [[part.id, of({ kind: 'ohms', part: i, branch: part.branches[0]!.name } as Question)]]
          : [],
      ),
    ),
    gauges: Object.fromEntries(model.gauges.map((g, i) => [g.id, of({ kind: 'gauge', gauge: i } as Question)])),
  };
}
