import { deadTestsIn } from '../parts';
import type { Model, Part } from '../profile';
import { jointsOf } from './joints';
import type { Dimension } from '../units';

/** The names a reading line may use, as plain data: a page can read what is typed while the engine is busy elsewhere. */
export interface LineWords {
  readonly steps: readonly string[];
  readonly gauges: Readonly<Record<string, Dimension>>;
  readonly looks: Readonly<Record<string, { readonly ask: string; readonly answers: readonly string[] }>>;
  /** Parts with something to measure, and the passages of each that have a dead test. */
  readonly parts: Readonly<Record<string, readonly string[]>>;
  /** Parts with a wire that a clamp goes round. */
  readonly clamped: readonly string[];
  /** Parts that are measured in microfarads. */
  readonly capacitors: readonly string[];
  /** Plugs, wires and bonds. */
  readonly joints: readonly string[];
  readonly nets: readonly string[];
  /** Test points at which the meter stands on millivolts. */
  readonly millivolts: readonly string[];
  /** Points of direct current. */
  readonly direct: readonly string[];
  /** Points behind a rectifier: what a meter shows there depends on its function. */
  readonly rectified: readonly string[];
  /** Where the black probe of a test point rests. */
  readonly blacks: Readonly<Record<string, string>>;
}

/** The passages of a part that an ohmmeter is put to; the first one where the part says nothing of any. */
export function passagesOf(part: Part): readonly string[] {
  const judged = deadTestsIn(part, 'resistance').map((d) => d.branch);
  return judged.length > 0 ? judged : [part.branches[0]!.name];
}

export function lineWords(model: Model): LineWords {
  return {
    steps: model.phases.map((p) => p.id),
    gauges: Object.fromEntries(model.gauges.map((g) => [g.id, model.quantities[g.quantity]!.dimension])),
    looks: Object.fromEntries(model.looks.map((l) => [l.id, { ask: l.ask, answers: l.answers.map((a) => a.id) }])),
    parts: Object.fromEntries(
      model.parts.filter((p) => p.branches.length > 0).map((part) => [part.id, passagesOf(part)]),
    ),
    clamped: model.parts.filter((p) => p.branches.length > 0).map((p) => p.id),
    capacitors: model.parts.filter((p) => deadTestsIn(p, 'capacitance').length > 0).map((p) => p.id),
    joints: jointsOf(model).map((j) => j.id),
    nets: model.nets.filter((n) => !n.startsWith('~')),
    millivolts: model.points.filter((p) => model.levels[p.net] === 'millivolt').map((p) => model.nets[p.net]!),
    direct: model.nets.filter((n, i) => !n.startsWith('~') && i !== model.ground && model.frequencies[i] === 'dc'),
    rectified: model.nets.filter((n, i) => !n.startsWith('~') && model.rectified[i]!),
    blacks: Object.fromEntries(model.points.map((p) => [model.nets[p.net]!, model.nets[p.black]!])),
  };
}
