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

/** What one severity of a way of failing says, and how the appliance goes with it: the same word for the same course. */
export interface SaidBy {
  readonly prediction: Prediction;
  readonly course: string;
}

/**
 * The predictions of all severities of one way of failing, in their order: each reaches half way to its neighbours, as long as
 * those answer in the same manner. Where the course changes from one severity to the next, nothing lies between them.
 */
export function reaching(severities: readonly SaidBy[]): Prediction[] {
  return severities.map(({ prediction: p, course }, i) => {
    const value = valueOf(p);
    const halfWayTo = (said: SaidBy | undefined): number | undefined => {
      // What is measured of the part by itself does not ask how the appliance goes.
      if (!said || (said.course !== course && p.kind !== 'ohms')) return undefined;
      const n = said.prediction;
      const other = n.kind === p.kind && isAbsent(n) === isAbsent(p) ? valueOf(n) : undefined;
      return other === undefined ? undefined : (other - value!) / 2;
    };
    const [before, after] = [halfWayTo(severities[i - 1]), halfWayTo(severities[i + 1])];
    // What lies anywhere by itself already says so; what the way of failing does not touch is as it is anyway.
    if (value === undefined || ('reach' in p && p.reach) || ((before ?? 0) === 0 && (after ?? 0) === 0)) return p;
    // At an end of the band, or of the course, the last one reaches as far outward as inward.
    const [back, on] = [before ?? -after!, after ?? -before!];
    const low = value + Math.min(back, on, 0);
    const high = value + Math.max(back, on, 0);
    return { ...p, reach: { low: value >= 0 ? Math.max(0, low) : low, high, ...(on < back && { falls: true }) } };
  });
}
