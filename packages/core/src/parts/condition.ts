import { OPEN, type PartKind } from './part-kind';

/**
 * Something that is not in the circuit and still stops the burner: gas supply, vent, filter, condensate drain, water.
 * Its ways of being wrong are written in the profile (`modes:`); the profile's physics say what they do.
 */
export const condition: PartKind = {
  name: 'condition',
  title: 'condition',
  fields: {},
  branches: () => [],
  states: ['idle'],
  modes: () => [],
  electrical: () => OPEN,
  deadTests: () => [],
  nature: 'condition',
  role: () => 'conductor',
  symbol: () => 'wire',
};
