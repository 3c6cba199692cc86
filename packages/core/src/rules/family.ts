/** What an appliance is to the rules. What is not said of an appliance counts as the strictest. */
export const FAMILIES = [
  'furnace',
  'mobile-furnace',
  'steam',
  'hydronic',
  'combi',
  'storage-heater',
  'mobile-heater',
  'pool-heater',
  'pool-heat-pump',
  'dryer',
] as const;
export type Family = (typeof FAMILIES)[number];

/** The letters of the rules, each for the families it names. */
export const S: readonly Family[] = ['steam'];
export const H: readonly Family[] = ['hydronic'];
export const C: readonly Family[] = ['combi'];
export const F: readonly Family[] = ['furnace'];
export const MF: readonly Family[] = ['mobile-furnace'];
export const MW: readonly Family[] = ['mobile-heater'];
export const SW: readonly Family[] = ['storage-heater'];
export const PH: readonly Family[] = ['pool-heater'];
export const HP: readonly Family[] = ['pool-heat-pump'];
export const D: readonly Family[] = ['dryer'];
/** Everything that burns gas. */
export const G: readonly Family[] = FAMILIES.filter((family) => family !== 'pool-heat-pump');

/** Whether a rule for some families is one for this; a rule without families is for all, and an unknown family has all. */
export const appliesTo = (families: readonly Family[] | undefined, family: Family | undefined): boolean =>
  families === undefined || family === undefined || families.includes(family);

/** What a family lacks counts as off. */
export const hasGas = (family: Family | undefined): boolean => appliesTo(G, family);
export const hasPower = (family: Family | undefined): boolean => family !== 'storage-heater';

/** The family of a call that was opened before profiles said theirs, by the name of its profile. */
export function familyNamed(profile: string): Family | undefined {
  const found = BY_NAME.find(([start]) => profile.startsWith(start));
  return found?.[1];
}

const BY_NAME: readonly (readonly [string, Family])[] = [
  ['furnace-', 'furnace'],
  ['mobile-furnace', 'mobile-furnace'],
  ['mobile-water-heater', 'mobile-heater'],
  ['steam-', 'steam'],
  ['hydronic-boiler', 'hydronic'],
  ['combi-condensing', 'combi'],
  ['storage-water-heater', 'storage-heater'],
  ['pool-heat-pump', 'pool-heat-pump'],
  ['pool-heater', 'pool-heater'],
  ['dryer-burner', 'dryer'],
];
