import { CUBIC_FOOT_PER_HOUR, INCH_OF_WATER } from '../factors';

/** Pressure of a supply with some appliances on: their input together, W (or any one unit), and the pressure, Pa (or any one unit). */
export interface SupplyReading {
  readonly input: number;
  readonly pressure: number;
}

/**
 * How a supply sinks with its load: p = p0 − k·(ΣQ)², from two readings of one fuel.
 * @throws RangeError where the two lie too close to tell (the larger not 1.5 times the smaller)
 */
export function supplyFrom(one: SupplyReading, other: SupplyReading): { readonly k: number; readonly idle: number } {
  const [less, more] = one.input <= other.input ? [one, other] : [other, one];
  if (more.input < 1.5 * less.input)
    throw new RangeError('Read it once with little and once with at least half as much again burning.');
  const k = (less.pressure - more.pressure) / (more.input ** 2 - less.input ** 2);
  return { k, idle: less.pressure + k * less.input ** 2 };
}

/** Pressure of a supply at a load; what falls below the least of an appliance starves it, however far. */
export const pressureAt = ({ k, idle }: { readonly k: number; readonly idle: number }, input: number): number =>
  idle - k * input ** 2;

/** Which appliance starves first: of those that run, the one that needs most of what is not there. */
export const starvesFirst = <A extends { readonly least: number }>(
  pressure: number,
  running: readonly A[],
): A | undefined => running.filter((a) => a.least > pressure).sort((a, b) => b.least - a.least)[0];

/** Factor of specific gravity and viscosity of the sizing formula (NFPA 54, from memory). */
const PIPE = { natural: 0.6094, propane: 1.2462 } as const;
/** D = Q^0.381/(19.17·(h/(C·L))^0.206): inches, ft³/h, in w.c. and feet, below 1.5 psi. */
const [SIZE, LOSS, CONSTANT] = [0.381, 0.206, 19.17];
const INCH = 0.0254;
const FOOT = 0.3048;

/** Gas that a pipe lets through at a loss (NFPA 54, low pressure). Inside diameter m, length m, loss Pa → m³/s. */
export function pipeFlow(gas: keyof typeof PIPE, diameter: number, length: number, loss: number): number {
  const slope = (loss / INCH_OF_WATER / (PIPE[gas] * (length / FOOT))) ** LOSS;
  return ((diameter / INCH) * CONSTANT * slope) ** (1 / SIZE) * CUBIC_FOOT_PER_HOUR;
}

/** What a pipe loses at a flow: the inverse of `pipeFlow`. */
export function pipeLoss(gas: keyof typeof PIPE, diameter: number, length: number, flow: number): number {
  const root = (flow / CUBIC_FOOT_PER_HOUR) ** SIZE / (CONSTANT * (diameter / INCH));
  return root ** (1 / LOSS) * PIPE[gas] * (length / FOOT) * INCH_OF_WATER;
}
