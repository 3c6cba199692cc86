import type { Build } from '@zetalysis/core/profile';
import { buildEntry } from '@zetalysis/core/visit';
import type { Machine as ShownMachine, NewMachine, Wires } from '@zetalysis/contract';
import { Machine } from './model';

/** A machine as the contract has it. */
export const shown = (m: Machine): ShownMachine => ({
  id: m.id,
  label: m.label,
  site: m.site,
  make: m.make,
  modelName: m.modelName,
  serial: m.serial,
  profile: m.profile,
  build: buildEntry(m.build),
  wires: m.wires,
  createdAt: m.createdAt.toISOString(),
});

export const allMachines = (): Promise<Machine[]> => Machine.findAll({ order: [['label', 'ASC']] });

export const machineWith = (id: string): Promise<Machine | null> => Machine.findByPk(id);

export const machinesWith = (ids: readonly string[]): Promise<Machine[]> =>
  Machine.findAll({ where: { id: [...ids] } });

export const addMachine = (machine: NewMachine & { readonly id: string }): Promise<Machine> => Machine.create(machine);

export const changeMachine = (machine: Machine, change: { wires: Wires } | { build: Build }): Promise<Machine> =>
  machine.update(change);
