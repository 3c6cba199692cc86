import type { Model } from '../profile';
import type { Dimension } from '../units';

/** The names a reading line may use, as plain data: a page can read what is typed while the engine is busy elsewhere. */
export interface LineWords {
  readonly steps: readonly string[];
  readonly gauges: Readonly<Record<string, Dimension>>;
  readonly looks: Readonly<Record<string, { readonly ask: string; readonly answers: readonly string[] }>>;
  /** Parts with a passage to measure, and the first passage of each. */
  readonly parts: Readonly<Record<string, string>>;
  readonly nets: readonly string[];
  /** Where the black probe of a test point rests. */
  readonly blacks: Readonly<Record<string, string>>;
}

export function lineWords(model: Model): LineWords {
  return {
    steps: model.phases.map((p) => p.id),
    gauges: Object.fromEntries(model.gauges.map((g) => [g.id, model.quantities[g.quantity]!.dimension])),
    looks: Object.fromEntries(model.looks.map((l) => [l.id, { ask: l.ask, answers: l.answers.map((a) => a.id) }])),
    parts: Object.fromEntries(model.parts.filter((p) => p.branches.length > 0).map((p) => [p.id, p.branches[0]!.name])),
    nets: model.nets.filter((n) => !n.startsWith('~')),
    blacks: Object.fromEntries(model.points.map((p) => [model.nets[p.net]!, model.nets[p.black]!])),
  };
}
