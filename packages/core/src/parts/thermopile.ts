import type { PartKind } from './part-kind';
import { thermocouple } from './thermocouple';

/**
 * Many thermocouples in one cartridge: it feeds a whole control. 400 to 800 mV open-circuit, at least 200 to 325 mV under
 * its load, depending on the control (common practice, no source).
 */
export const thermopile: PartKind = {
  ...thermocouple,
  name: 'thermopile',
  title: 'thermopile',
  judgedOpenCircuit: false,
  fields: {
    ...thermocouple.fields,
    volts: { type: 'voltage', default: 0.6, tolerance: 0.06 },
    ohms: { type: 'resistance', default: 2.5, tolerance: 0.06 },
    'weak-volts': { type: 'voltage', default: 0.29, tolerance: 0.06 },
    'loose-ohms': { type: 'resistance', default: 9 },
  },
};
