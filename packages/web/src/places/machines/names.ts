import type { MachineCorrection } from '@zetalysis/contract';

/** What a machine is called, as it was typed, without blanks at the ends. */
export const namesOf = ({ label, site, make, modelName, serial }: MachineCorrection): MachineCorrection => ({
  label: label.trim(),
  site: site.trim(),
  make: make.trim(),
  modelName: modelName.trim(),
  serial: serial.trim(),
});
