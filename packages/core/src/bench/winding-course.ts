import { readGiven, type Instruments, type Typed } from './given';
import type { Judged } from './judge-test';
import type { Measure } from './spec';
import { windingAt } from './winding';
import { netOhms } from './work';
import type { Uncertain, Zone } from './zones';

/** How the ohms of a judged copper winding go with its temperature. Ohms and kelvin. */
export interface WindingCourse {
  /** What was read, without the leads, and how warm the winding was. */
  readonly read: { readonly kelvin: number; readonly ohms: number };
  /** What that is at 20 °C, where limits hold. */
  readonly at20: Uncertain;
  /** The zone of one kind at a temperature; an end that is not there is open. */
  readonly zone: (kind: 'good' | 'marginal', kelvin: number) => Zone;
}

/** Where a winding’s ohms were taken to 20 °C and judged; `undefined` for everything else. */
export function windingCourse(
  measure: Measure,
  typed: Typed,
  { x, zones }: Judged,
  instruments?: Instruments,
): WindingCourse | undefined {
  if (!x || !zones || measure.dimension !== 'resistance' || !measure.asks.some((a) => a.id === 'T')) return undefined;
  const { given } = readGiven(measure.asks, typed, instruments);
  const end = (ohms: number | undefined, kelvin: number): number | undefined =>
    ohms === undefined ? undefined : windingAt(ohms, kelvin);
  return {
    read: { kelvin: given.warmth.value, ohms: netOhms(given).value },
    at20: x,
    zone: (kind, kelvin) => {
      const [from, to] = [end(zones[kind].from, kelvin), end(zones[kind].to, kelvin)];
      return { ...(from !== undefined && { from }), ...(to !== undefined && { to }) };
    },
  };
}
