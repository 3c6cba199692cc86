import { findPart, type Model, type PartIndex, unknownName } from '../../profile';
import { failureModeOf, type Lived, specUnder } from '../../simulation';
import { passagesOf } from '../line-words';
import { lasting } from '../observed-stretch';
import type { Prediction } from '../prediction';

/** A passage of a part that is isolated, with the power off. */
export interface Passage {
  readonly part: PartIndex;
  readonly branch: string;
}

/** The passage that an entry names; in words why there is none. */
export function namedPassage(
  model: Model,
  given: { readonly part: string; readonly branch?: string | undefined },
): Passage | string {
  const part = findPart(model, given.part);
  if (!part)
    return unknownName(
      'part',
      given.part,
      model.parts.map((p) => p.id),
    );
  const passages = passagesOf(part);
  if (given.branch === undefined && passages.length > 1)
    return `it does not say which of the ${part.title} was read: ${passages.join(', ')}`;
  const branch = given.branch ?? passages[0];
  if (branch === undefined || !part.branches.some((b) => b.name === branch))
    return unknownName(
      `side of ${part.id}`,
      branch ?? '',
      part.branches.map((b) => b.name),
    );
  return { part: part.index, branch };
}

/** Ohms of a passage, the part isolated. */
export function predictDead(model: Model, { trace, faults }: Lived, { part: index, branch }: Passage): Prediction {
  const part = model.parts[index]!;
  const mode = failureModeOf(part, faults);
  const spec = specUnder(part, mode);
  const tolerance = Math.max(0, ...Object.values(part.kind.fields).map((f) => f.tolerance ?? 0));
  const poor = mode?.inSeries?.branch === branch ? mode.inSeries.ohms : 0;
  const ohmsIn = (state: string): number => {
    const electrical = part.kind.electrical(spec, state, mode?.id, branch, 'dc');
    return electrical.type === 'impedance' ? electrical.r : Infinity;
  };
  // Isolated on the bench: a part that is merely unpowered is at rest; a switch stands as what it senses left it.
  const stands = part.kind.mayOpenRightly?.(part.spec) === true || part.kind.lasting !== undefined;
  if (!stands) {
    const ohms = ohmsIn(part.kind.heldForTest ?? part.kind.states[0]!);
    const limits = part.kind
      .deadTests(part.spec)
      .find((d) => d.branch === branch && (d.dimension ?? 'resistance') === 'resistance');
    // Sound ones lie anywhere between the limits of their test; what is broken has its own value.
    const sound =
      !mode?.values &&
      limits &&
      ohms >= limits.low &&
      ohms <= limits.high &&
      limits.low >= 1 &&
      Number.isFinite(limits.high);
    if (poor > 0) return poorly(ohms, poor, tolerance);
    return { kind: 'ohms', ohms, tolerance, ...(sound && { reach: { low: limits.low, high: limits.high } }) };
  }
  const times = new Map<number, number>();
  const since = lasting(trace).from;
  for (const { from, to, partStates } of trace.segments) {
    const repeats = to - Math.max(from, since);
    const value = ohmsIn(part.kind.states[partStates[index]!]!);
    if (repeats > 0) times.set(value, (times.get(value) ?? 0) + repeats);
  }
  const [main, shorter] = [...times].sort((a, b) => b[1] - a[1]);
  const last = trace.segments[trace.segments.length - 1]!;
  const [value] = main ?? [ohmsIn(part.kind.states[last.partStates[index]!]!)];
  if (poor > 0 && Number.isFinite(value)) return poorly(value, poor, tolerance);
  if (!main || !shorter) return { kind: 'ohms', ohms: value, tolerance };
  return {
    kind: 'ohms',
    ohms: value,
    tolerance,
    shorter: { value: shorter[0], share: shorter[1] / (main[1] + shorter[1]) },
  };
}

/** Without its load a poor contact reads anything from a sound one to what it is under it: only current finds it. */
const poorly = (sound: number, poor: number, tolerance: number): Prediction => ({
  kind: 'ohms',
  ohms: sound,
  tolerance,
  reach: { low: sound, high: sound + poor },
});
