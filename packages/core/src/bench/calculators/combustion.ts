/** Oxygen of dry air, share; nitrogen and the rest beside it. */
const OXYGEN = 0.209;
const REST_PER_OXYGEN = 79.05 / 20.95;
/** From this oxygen on a sample is diluted, and says nothing. */
const DILUTED = 0.15;

/** A fuel CₙHₘ: atoms of carbon and of hydrogen. */
export interface Fuel {
  readonly carbon: number;
  readonly hydrogen: number;
}
export const METHANE: Fuel = { carbon: 1, hydrogen: 4 };
export const PROPANE: Fuel = { carbon: 3, hydrogen: 8 };

/** Oxygen that a molecule needs. */
const needed = ({ carbon, hydrogen }: Fuel): number => carbon + hydrogen / 4;

/**
 * Carbon monoxide without the air that came with it: CO·20.9/(20.9 − O2).
 * @param monoxide share of the dry flue gas
 * @param oxygen share of the dry flue gas
 * @returns share; nothing where the sample is diluted (O2 of 15 % and more)
 */
export const airFree = (monoxide: number, oxygen: number): number | undefined =>
  oxygen >= DILUTED ? undefined : (monoxide * OXYGEN) / (OXYGEN - oxygen);

/** Most carbon dioxide that dry flue gas of a fuel can have, share: all its oxygen burnt. Stoichiometry. */
export const mostDioxide = (fuel: Fuel): number => fuel.carbon / (fuel.carbon + needed(fuel) * REST_PER_OXYGEN);

/** Dry flue gas for each unit of dry air, both without excess: what scales excess air by oxygen. Stoichiometry. */
const dryShare = (fuel: Fuel): number =>
  (fuel.carbon + needed(fuel) * REST_PER_OXYGEN) / (needed(fuel) * (1 + REST_PER_OXYGEN));

/** Air beyond what a fuel needs, share of it, by the oxygen of the dry flue gas. Stoichiometry. */
export const excessByOxygen = (fuel: Fuel, oxygen: number): number => (dryShare(fuel) * oxygen) / (OXYGEN - oxygen);

/** The same by its carbon dioxide. */
export const excessByDioxide = (fuel: Fuel, dioxide: number): number =>
  dryShare(fuel) * (mostDioxide(fuel) / dioxide - 1);

/** What a fuel loses up the stack: (t_flue − t_air)·(A/(21 − O2) + B) per cent, net (first ordinance of the German BImSchV, from memory). */
const STACK = {
  natural: { a: 0.66, b: 0.009 },
  propane: { a: 0.63, b: 0.008 },
  oil: { a: 0.68, b: 0.007 },
} as const;
/** Below this flue gas of a condensing appliance is wet, and its loss is another, K. */
const WET = 273.15 + 60;

/**
 * Heat that leaves with the flue gas, share of the net input.
 * @param flue, air K
 * @param oxygen share
 * @throws RangeError below the dew point, or with a diluted sample
 */
export function stackLoss(fuel: keyof typeof STACK, flue: number, air: number, oxygen: number): number {
  if (flue < WET) throw new RangeError('The flue gas is so cold that its water condenses: measure on the water side.');
  if (oxygen >= DILUTED) throw new RangeError('The sample is diluted: take it ahead of the draft hood.');
  const { a, b } = STACK[fuel];
  return ((flue - air) * (a / (21 - 100 * oxygen) + b)) / 100;
}
