import { type Limits, LIMITS, tightened } from '@zetalysis/core/rules';
import { http } from './http';

const KEPT = 'zetalysis.limits';

/** The limits of the shop; with the server away those that this device heard last. */
export async function shopLimits(): Promise<Limits> {
  try {
    const limits = await http('GET /shop/limits');
    localStorage.setItem(KEPT, JSON.stringify(limits));
    return limits;
  } catch {
    return heardLast();
  }
}

function heardLast(): Limits {
  try {
    return tightened(JSON.parse(localStorage.getItem(KEPT) ?? '{}') as Partial<Limits>);
  } catch {
    return LIMITS;
  }
}
