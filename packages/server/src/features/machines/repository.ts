import { literal } from 'sequelize';
import type { Build } from '@zetalysis/core/profile';
import { buildEntry } from '@zetalysis/core/visit';
import type { Contact, Machine as ShownMachine, MachineCorrection, NewMachine, Wires } from '@zetalysis/contract';
import { fullText } from '../../db/search';
import { Machine, StoredContact } from './model';

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

/** What part of the register is asked for. */
interface MachinesAsked {
  readonly search: string;
  readonly sort: 'label' | 'site' | 'make';
  readonly down: boolean;
  readonly offset: number;
  readonly limit: number;
}

/** A page of the register, and how many machines there are in all. */
export async function listMachines(asked: MachinesAsked): Promise<{ found: Machine[]; total: number }> {
  const { search, sort, down, offset, limit } = asked;
  const words = fullText(search);
  const direction = down ? 'DESC' : 'ASC';
  const { rows, count } = await Machine.findAndCountAll({
    where:
      words === ''
        ? {}
        : literal(
            `MATCH (label, site, make, modelName, serial) AGAINST (${Machine.sequelize!.escape(words)} IN BOOLEAN MODE)`,
          ),
    order: [
      [sort, direction],
      ['id', direction],
    ],
    offset,
    limit,
    raw: true,
  });
  return { found: rows, total: count };
}

export const machineWith = (id: string): Promise<Machine | null> => Machine.findByPk(id);

export const machinesWith = (ids: readonly string[]): Promise<Machine[]> =>
  Machine.findAll({ where: { id: [...ids] }, raw: true });

export const addMachine = (machine: NewMachine & { readonly id: string }): Promise<Machine> => Machine.create(machine);

export const changeMachine = (
  machine: Machine,
  change: { wires: Wires } | { build: Build } | MachineCorrection,
): Promise<Machine> => machine.update(change);

/** Whose machine it is; nothing written down is nobody. */
export async function contactOf(machineId: string): Promise<Contact> {
  const row = await StoredContact.findByPk(machineId);
  return { customer: row?.customer ?? '', telephone: row?.telephone ?? '' };
}

/** Keeps whose machine it is in place of what was kept; nobody leaves nothing behind. */
export async function keepContact(machineId: string, contact: Contact): Promise<void> {
  if (contact.customer === '' && contact.telephone === '') await StoredContact.destroy({ where: { machineId } });
  else await StoredContact.upsert({ machineId, ...contact });
}
