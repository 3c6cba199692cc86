import { can, type Limits, tightened } from '@zetalysis/core/rules';
import { Problem } from '../../http/problem';
import { authorityOf } from '../session/authority';
import type { Person } from '../session/model';
import { addLimits, newestLimits } from './repository';

/** What the rules of this shop count from: practice’s values, or stricter ones. */
export async function limitsOfShop(): Promise<Limits> {
  return tightened((await newestLimits()) ?? {});
}

/** Makes limits stricter than practice’s, or gives practice’s back. Throws a Problem for whom it is not, and what makes no sense. */
export async function tighten(person: Person, limits: Limits): Promise<Limits> {
  if (can(authorityOf(person), 'tighten') !== '+')
    throw new Problem(403, 'Not yours to set', 'A lead or an admin sets the limits of the shop. Ask one of them.');
  if (!(limits.coFind < limits.coOff && limits.coOff < limits.coOut))
    throw new Problem(
      400,
      'Not in order',
      'Finding the source has to begin below switching off, and that below everybody out. Correct the three values.',
    );
  await addLimits(person.id, limits);
  return limitsOfShop();
}
