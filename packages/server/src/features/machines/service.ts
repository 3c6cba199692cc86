import { v7 } from 'uuid';
import { RESETS_COUNT_FOR } from '@zetalysis/core/rules';
import { overviewsOfMachine } from '../calls/repository';
import type {
  Contact,
  Machine as ShownMachine,
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
import { addMachine, changeMachine, contactOf, keepContact, listMachines, machineWith, shown } from './repository';

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
  async correct(id: string, correction: MachineCorrection): Promise<ShownMachine> {
    return shown(await changeMachine(await this.known(id), correction));
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

  async nameWires(id: string, wires: Wires): Promise<ShownMachine> {
    return shown(await changeMachine(await this.known(id), { wires }));
  }

  /** Calls that are open keep the build they were opened with. */
  async rebuild(id: string, build: Build): Promise<ShownMachine> {
    const machine = await this.known(id);
    await this.profiles.checkBuild(machine.profile, build);
    return shown(await changeMachine(machine, { build }));
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
