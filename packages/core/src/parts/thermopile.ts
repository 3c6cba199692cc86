import { num, type PartKind } from './part-kind';
import { even, inBand } from './severity';
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
  // Below 325 mV open-circuit (common practice, no source).
  modes: (spec) => [
    ...inBand(
      { id: 'weak', words: 'is worn: too few millivolts in a good flame', relativeRate: 3, repair: 'replace' },
      [even(0.05, 0.3, 2, 0.25), even(0.3, 0.54, 3, 0.75)],
      (left) => ({ values: { 'worn-to': left }, left }),
    ),
    ...thermocouple.modes(spec).filter((m) => m.id !== 'weak'),
  ],
  // 400 to 820 mV open-circuit (common practice, no source).
  feeds: (spec) => ({ volts: num(spec, 'volts'), frequency: 'dc', sound: { low: 0.67, high: 1.37 } }),
  fields: {
    ...thermocouple.fields,
    volts: { type: 'voltage', default: 0.6, tolerance: 0.06 },
    ohms: { type: 'resistance', default: 2.5, tolerance: 0.06 },
    'loose-ohms': { type: 'resistance', default: 9 },
  },
};
