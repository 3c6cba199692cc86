import { literal } from 'sequelize';
import type { Build } from '@zetalysis/core/profile';
import { buildEntry } from '@zetalysis/core/visit';
import type {
  Contact,
  Machine as ShownMachine,
  MachineChange,
  MachineCorrection,
  NewMachine,
  Wires,
} from '@zetalysis/contract';
import { BLANK_SHEET, type Sheet } from '@zetalysis/core/history';
import { v7 } from 'uuid';
import { fullText } from '../../db/search';
import { Person } from '../session/model';
import { Machine, StoredChange, StoredContact } from './model';

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
  sheet: { ...BLANK_SHEET, ...m.sheet },
  retired: m.retired,
  mergedInto: m.mergedInto,
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
        ? { gone: false }
        : literal(
            `gone = FALSE AND MATCH (label, site, make, modelName, serial) AGAINST (${Machine.sequelize!.escape(words)} IN BOOLEAN MODE)`,
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

/** What may be changed of a machine at once. */
type Change =
  | { readonly what: 'register'; readonly to: MachineCorrection }
  | { readonly what: 'sheet'; readonly to: { readonly sheet: Sheet } }
  | { readonly what: 'build'; readonly to: { readonly build: Build } }
  | { readonly what: 'wires'; readonly to: { readonly wires: Wires } }
  | { readonly what: 'retired'; readonly to: { readonly retired: string | null } }
  | { readonly what: 'merged'; readonly to: { readonly mergedInto: string | null } };

/** Changes a machine and writes down what it was before, by whom; what changes nothing is not written down. */
export const changeMachine = (machine: Machine, person: string, { what, to }: Change): Promise<Machine> =>
  Machine.sequelize!.transaction(async (transaction) => {
    const now = (await Machine.findByPk(machine.id, { transaction, lock: transaction.LOCK.UPDATE }))!;
    const was = Object.fromEntries(Object.keys(to).map((field) => [field, now.get(field as keyof Machine) ?? null]));
    if (JSON.stringify(was) === JSON.stringify(to)) return now;
    await StoredChange.create(
      { id: v7(), machineId: now.id, personId: person, what, was, becomes: to },
      { transaction },
    );
    now.set(to);
    return now.set({ gone: now.retired !== null || now.mergedInto !== null }).save({ transaction });
  });

/** Everything that was changed of a machine, the newest first. */
export async function changesOf(machineId: string): Promise<MachineChange[]> {
  const rows = await StoredChange.findAll({ where: { machineId }, order: [['id', 'DESC']] });
  const people = await Person.findAll({ where: { id: rows.map((r) => r.personId) }, raw: true });
  const nameOf = new Map(people.map((p) => [p.id, p.fullName]));
  return rows.map(({ id, what, was, becomes, createdAt, personId }) => ({
    id,
    what,
    was,
    becomes,
    at: createdAt.toISOString(),
    by: nameOf.get(personId) ?? '',
  }));
}

/** The machines that are the same as this one, by what was merged. */
export const mergedWith = (id: string): Promise<Machine[]> => Machine.findAll({ where: { mergedInto: id } });

/** Whose machine it is; nothing written down is nobody. */
export async function contactOf(machineId: string): Promise<Contact> {
  const row = await StoredContact.findByPk(machineId);
  return { customer: row?.customer ?? '', telephone: row?.telephone ?? '', access: row?.access ?? '' };
}

/** Keeps whose machine it is in place of what was kept; nobody leaves nothing behind. */
export async function keepContact(machineId: string, contact: Contact): Promise<void> {
  if (Object.values(contact).every((text) => text === '')) await StoredContact.destroy({ where: { machineId } });
  else await StoredContact.upsert({ machineId, ...contact });
}
