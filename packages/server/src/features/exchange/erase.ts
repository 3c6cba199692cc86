import { can } from '@zetalysis/core/rules';
import { Problem } from '../../http/problem';
import { audit } from '../audit/audit';
import { idsOfMachine } from '../calls/repository';
import { StoredContact } from '../machines/model';
import { machineWith } from '../machines/repository';
import { StoredPhoto } from '../photos/model';
import { Call } from '../calls/model';
import { authorityOf } from '../session/authority';
import type { Person } from '../session/model';

/** What was erased, and what is left to do. */
interface Erased {
  readonly photos: number;
  /** Calls whose entries may still hold words about somebody. */
  readonly calls: number;
}

/**
 * Erases who a machine's customer is, how one gets to them, and the photos of its calls. Words in the log are taken out by whoever
 * runs the server, with its command: the running program cannot change an entry. Throws a Problem for whom it is not.
 */
export async function eraseCustomer(person: Person, id: string): Promise<Erased> {
  if (can(authorityOf(person), 'accounts') !== '+')
    throw new Problem(403, 'Not yours to erase', 'An admin erases a customer’s record. Ask one of them.');
  const machine = await machineWith(id);
  if (!machine) throw new Problem(404, 'No such machine', 'This machine is not in the register.');
  const calls = (
    await Call.findAll({ attributes: ['id'], where: { machineId: await idsOfMachine(id) }, raw: true })
  ).map((c) => c.id);
  await StoredContact.destroy({ where: { machineId: id } });
  const [photos] = await StoredPhoto.update({ picture: null, thumbnail: null }, { where: { callId: calls } });
  await audit(person, 'erased', machine.label, `${photos} photos`);
  return { photos, calls: calls.length };
}
