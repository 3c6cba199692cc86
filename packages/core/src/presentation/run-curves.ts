import type { Model } from '../profile';
import { quantityAt, type Trace } from '../simulation';
import { type Millis, showReading } from '../units';
import type { Reader } from './reader';

/** How something that is measured goes through a run: straight lines between these points, in the reader's unit. */
export interface RunCurve {
  readonly title: string;
  readonly unit: string;
  readonly points: readonly { readonly at: Millis; readonly value: number }[];
}

/** A jump is drawn as a line this long. */
const JUMP: Millis = 1;

/** The curves of what a profile lets people measure, from the call for heat to the end of a run. */
export function runCurves({ gauges, quantities }: Model, trace: Trace, { units }: Reader): RunCurve[] {
  const measured = [...new Map(gauges.map((g) => [g.quantity, g.title]))];
  return measured.map(([quantity, title]) => {
    const { dimension } = quantities[quantity]!;
    const corners = cornersOf(trace, quantity).map((at) => ({ at, value: quantityAt(trace, quantity, at) }));
    // One unit for the whole curve, that of its largest value.
    const scale = Math.max(...corners.map(({ value }) => Math.abs(value)));
    const shown = (value: number) => showReading({ kind: 'value', value, dimension }, units, scale);
    return {
      title,
      unit: shown(scale).unit,
      points: corners.map(({ at, value }) => ({ at, value: Number(shown(value).figures) })),
    };
  });
}

/** The moments at which the line of a quantity may bend. */
function cornersOf({ ramps, end }: Trace, quantity: number): Millis[] {
  const bends = ramps[quantity]!.flatMap(({ from, start, over }) => [from - JUMP, from, start, start + over]);
  return [...new Set([0, ...bends.filter((at) => at > 0 && at < end), end])].sort((a, b) => a - b);
}
