import { v7 } from 'uuid';
import { RESETS_COUNT_FOR } from '@zetalysis/core/rules';
import { overviewsOfMachine } from '../calls/repository';
import type {
  Contact,
  Machine as ShownMachine,
  MachineChange,
  MachineCorrection,
  machines,
  NewMachine,
  Replied,
  Sent,
  Wires,
} from '@zetalysis/contract';
import type { Build } from '@zetalysis/core/profile';
import { pageOf } from '../../http/page';
import { Problem } from '../../http/problem';
import type { Profiles } from '../profiles/service';
import type { Machine } from './model';
import { can } from '@zetalysis/core/rules';
import { SHEET, type Sheet, type SheetId, sheetProblems } from '@zetalysis/core/history';
import { linesChanged } from '../patterns/repository/reading';
import { authorityOf } from '../session/authority';
import type { Person } from '../session/model';
import {
  addMachine,
  changeMachine,
  changesOf,
  mergedWith,
  contactOf,
  keepContact,
  listMachines,
  machineWith,
  shown,
} from './repository';

/** The register: what stands where, and how it is built. */
export class Machines {
  constructor(private readonly profiles: Profiles) {}

  async list(query: Sent<typeof machines.list>['query']): Promise<Replied<typeof machines.list>> {
    const { sort = 'label' } = query;
    const { found, total } = await listMachines({ ...pageOf(query, 'up'), sort });
    return { machines: found.map(shown), total };
  }

  async read(id: string): Promise<ShownMachine> {
    return shown(await this.known(id));
  }

  /** Throws a Problem when its family is unknown or cannot be built like that. */
  async add(machine: NewMachine): Promise<ShownMachine> {
    await this.profiles.checkBuild(machine.profile, machine.build);
    return shown(await addMachine({ ...machine, id: v7() }));
  }

  /** Corrects the register; calls keep what they were opened with. */
  async correct(id: string, correction: MachineCorrection, person: Person): Promise<ShownMachine> {
    return shown(await changeMachine(await this.known(id), person.id, { what: 'register', to: correction }));
  }

  /** Throws a Problem where a field cannot be read. */
  async writeSheet(id: string, sheet: Sheet, person: Person): Promise<ShownMachine> {
    const machine = await this.known(id);
    const [wrong] = Object.entries(sheetProblems(sheet, new Date().getFullYear()));
    if (wrong) throw new Problem(400, 'Not understood', `${SHEET[wrong[0] as SheetId].title}: ${wrong[1]}`);
    return shown(await changeMachine(machine, person.id, { what: 'sheet', to: { sheet } }));
  }

  /** Throws a Problem for whom it is not. */
  async retire(id: string, retired: string | null, person: Person): Promise<ShownMachine> {
    const machine = await this.known(id);
    mayRemove(person);
    return shown(await changeMachine(machine, person.id, { what: 'retired', to: { retired } }));
  }

  /** Throws a Problem for whom it is not, and where the two cannot be one. What was merged into this one goes with it. */
  async merge(id: string, into: string | null, person: Person): Promise<ShownMachine> {
    const machine = await this.known(id);
    mayRemove(person);
    if (into === null) return this.#join(machine, null, person.id);
    const other = await this.known(into);
    if (other.id === machine.id) throw new Problem(400, 'The same machine', 'Choose the other one that it is.');
    if (other.profile !== machine.profile)
      throw new Problem(
        400,
        'Another family',
        `${other.label} is of another family. One machine is of one: correct the one that is entered wrongly.`,
      );
    if (other.mergedInto !== null || other.retired !== null)
      throw new Problem(
        409,
        'Not in the register',
        `${other.label} was merged or retired itself. Choose the one that stands in the register.`,
      );
    for (const same of await mergedWith(machine.id)) await this.#join(same, into, person.id);
    return this.#join(machine, into, person.id);
  }

  /** What was measured on the one stands with the other, or no longer. */
  async #join(machine: Machine, into: string | null, by: string): Promise<ShownMachine> {
    const before = machine.mergedInto;
    const changed = await changeMachine(machine, by, { what: 'merged', to: { mergedInto: into } });
    for (const id of [machine.id, before, into]) if (id !== null) await linesChanged(id);
    return shown(changed);
  }

  async changes(id: string): Promise<MachineChange[]> {
    return changesOf((await this.known(id)).id);
  }

  /** Resets that nobody found a cause for, of the calls on this machine in the last thirty days. */
  async resets(id: string): Promise<Replied<typeof machines.resets>> {
    const { id: machine } = await this.known(id);
    const since = Date.now() - RESETS_COUNT_FOR;
    return (await overviewsOfMachine(machine))
      .flatMap(({ body }) => body.resets)
      .filter(({ at }) => at >= since)
      .map((p) => ({ ...p, at: new Date(p.at).toISOString() }));
  }

  async nameWires(id: string, wires: Wires, person: Person): Promise<ShownMachine> {
    return shown(await changeMachine(await this.known(id), person.id, { what: 'wires', to: { wires } }));
  }

  /** Calls that are open keep the build they were opened with. */
  async rebuild(id: string, build: Build, person: Person): Promise<ShownMachine> {
    const machine = await this.known(id);
    await this.profiles.checkBuild(machine.profile, build);
    return shown(await changeMachine(machine, person.id, { what: 'build', to: { build } }));
  }

  async contact(id: string): Promise<Contact> {
    return contactOf((await this.known(id)).id);
  }

  async setContact(id: string, contact: Contact): Promise<Contact> {
    await keepContact((await this.known(id)).id, contact);
    return contact;
  }

  private async known(id: string): Promise<Machine> {
    const machine = await machineWith(id);
    if (!machine) throw new Problem(404, 'No such machine', 'This machine is not in the register.');
    return machine;
  }
}

/** Whoever sets the shop's limits keeps its register in order. */
function mayRemove(person: Person): void {
  if (can(authorityOf(person), 'tighten') !== '+')
    throw new Problem(403, 'Not yours to remove', 'A lead or an admin merges and retires machines. Ask one of them.');
}
