import type { Allowed, Ender, Evidence, Grade, Order, Stop } from './stops';
import { SHUT_OFFS, TAG } from './stops';

/** A stop that a profile declares for its own kind of appliance; raised by what a look finds. Plain data. */
export interface DeclaredStop {
  readonly id: string;
  readonly title: string;
  /** People never have to leave for it: that is for the general rules. */
  readonly grade: Exclude<Grade, 'out'>;
  /** Sentences, one after another; gas and power are shut before them when the appliance has to be off. */
  readonly orders: readonly string[];
  /** What may be done meanwhile, in words, and which kinds of tests that are. */
  readonly meanwhile: string;
  readonly allows: readonly Allowed[];
  /** What has to be so before it is over; each is said to be. */
  readonly evidence: readonly string[];
  readonly endedBy: Exclude<Ender['role'], 'anyone'>;
}

export const OWN_GRADES = ['off', 'hold'] as const satisfies readonly DeclaredStop['grade'][];
export const OWN_ENDERS = ['technician', 'lead'] as const satisfies readonly DeclaredStop['endedBy'][];
export const ALLOWED = ['look', 'dead', 'gauge', 'volts'] as const satisfies readonly Allowed[];

/** Own stops are told from the general ones by their name. */
const OWN = 'own-';

/** The stop that a profile declared, as the rules follow it: only what declared it brings it. */
export function ownStop({ id, orders, evidence, endedBy, ...declared }: DeclaredStop): Stop {
  const said = orders.map((sentence, i): Order => ({ id: `order-${i + 1}`, sentence }));
  return {
    ...declared,
    id: `${OWN}${id}`,
    looksAt: [],
    when: () => false,
    orders: declared.grade === 'off' ? [...SHUT_OFFS, ...said, ...TAG] : said,
    evidence: evidence.map((ask, i): Evidence => ({ id: `evidence-${i + 1}`, ask, is: 'tick' })),
    endedBy: { role: endedBy },
  };
}
