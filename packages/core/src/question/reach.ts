import { isAbsent, type Prediction } from './prediction';

/** The value of a prediction that has one, steady and alone. */
function valueOf(p: Prediction): number | undefined {
  switch (p.kind) {
    case 'volts':
      return p.shorter ? undefined : p.volts;
    case 'ohms':
      return p.shorter || !Number.isFinite(p.ohms) ? undefined : p.ohms;
    case 'number':
      return p.value;
    default:
      return undefined;
  }
}

/**
 * The predictions of all severities of one way of failing, in their order: each reaches half way to its neighbours, as long as
 * those answer in the same manner. Where the course changes from one severity to the next, nothing lies between them.
 */
export function reaching(severities: readonly Prediction[]): Prediction[] {
  return severities.map((p, i) => {
    const value = valueOf(p);
    const neighbours = [severities[i - 1], severities[i + 1]].flatMap((n) => {
      const other = n && n.kind === p.kind && isAbsent(n) === isAbsent(p) ? valueOf(n) : undefined;
      return other === undefined ? [] : [other];
    });
    // What the way of failing does not touch is as it is anyway.
    if (value === undefined || neighbours.every((n) => n === value)) return p;
    // At an end of the band the last one reaches as far outward as inward.
    const steps = neighbours.map((n) => (n - value) / 2);
    const [one, another = -steps[0]!] = steps;
    const low = value + Math.min(one!, another, 0);
    const high = value + Math.max(one!, another, 0);
    return { ...p, reach: { low: value >= 0 ? Math.max(0, low) : low, high } };
  });
}
