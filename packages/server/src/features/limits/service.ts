import { COMPONENT_TESTS, readLimits } from '@zetalysis/core/bench';
import { can } from '@zetalysis/core/rules';
import type { Limit, NewLimit } from '@zetalysis/contract';
import { Problem } from '../../http/problem';
import { machineWith } from '../machines/repository';
import { linesChanged } from '../patterns/repository/reading';
import { authorityOf } from '../session/authority';
import type { Person } from '../session/model';
import { addLimit } from './repository';

/** Keeps a limit of the shop or of a machine. Throws a Problem for whom it is not, and what cannot be read. */
export async function keep(person: Person, limit: NewLimit): Promise<Limit> {
  const ofShop = limit.field === 'shop';
  if (ofShop && can(authorityOf(person), 'tighten') !== '+')
    throw new Problem(403, 'Not yours to set', 'A lead or an admin sets the limits of the shop. Ask one of them.');
  if (!ofShop && person.role === 'apprentice')
    throw new Problem(
      403,
      'Not yours to write',
      'A technician, a lead or an admin writes down plates. Ask one of them.',
    );
  if (ofShop !== (limit.machine === null))
    throw new Problem(400, 'Whose?', 'The shop’s limits are of all machines; a plate and an own value are of one.');
  const measure = COMPONENT_TESTS.find((t) => t.id === limit.test)?.measures.find((m) => m.id === limit.measure);
  if (!measure) throw new Problem(400, 'No such test', `There is no measure ${limit.measure} of a test ${limit.test}.`);
  const { problems } = readLimits(measure, { [limit.field]: limit.typed });
  const wrong = problems[limit.field];
  if (wrong !== undefined) throw new Problem(400, 'Not understood', wrong);
  if (limit.machine !== null && !(await machineWith(limit.machine)))
    throw new Problem(404, 'No such machine', 'This machine is not in the register.');
  const { createdAt } = await addLimit(person.id, limit);
  await linesChanged(limit.machine ?? undefined);
  return { ...limit, by: person.name, at: createdAt.toISOString() };
}
