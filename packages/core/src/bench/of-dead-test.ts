import type { DeadTest, DeadTestKind } from '../parts';
import { formatNumber } from '../units';
import type { Typed } from './given';
import type { Limits } from './judge-test';
import { LIMITS } from './limits';

/** A dead test of an appliance as the Bench judges it: which test, what is known beforehand, and this family's limits. */
export interface BenchTest {
  readonly test: string;
  readonly measure: string;
  readonly typed: Typed;
  readonly limits?: Limits;
  /** What is judged is a share of this, SI; nothing where the reading itself is. */
  readonly shareOf?: number;
  /** What is typed as the reading. */
  readonly reads: string;
  /** The call gets what was read: what it was corrected by belongs to the judgement alone. */
  readonly entersAsRead?: true;
}

const carbide = LIMITS['igniter-carbide'];
/** How far beyond what is good an igniter is still marginal, by those that are best known. */
const AGED = {
  below: carbide.marginal.from! / carbide.good.from!,
  above: carbide.marginal.to! / carbide.good.to!,
};

const book = ({ low, high }: DeadTest, unit = 1): string => formatNumber((low + high) / 2 / unit, 6);

const OF: Readonly<Record<DeadTestKind, (dead: DeadTest, family: string) => BenchTest>> = {
  winding: (dead) => ({ test: 'coil-24v', measure: 'dead', typed: { book: book(dead) }, reads: 'ohms' }),
  'half-winding': (dead) => ({ test: 'modulating-valve', measure: 'book', typed: { book: book(dead) }, reads: 'ohms' }),
  igniter: ({ low, high }, family) => ({
    test: 'glow-igniter',
    measure: 'cold',
    typed: {},
    limits: {
      whose: 'family',
      source: family,
      zones: { good: { from: low, to: high }, marginal: { from: low * AGED.below, to: high * AGED.above } },
    },
    reads: 'ohms',
  }),
  contact: () => ({ test: 'closed-switch', measure: 'ohms', typed: { read: 'ohms' }, reads: 'ohms' }),
  rod: () => ({ test: 'flame-signal', measure: 'rod-ground', typed: {}, reads: 'ohms' }),
  capacitor: (dead) => ({
    test: 'capacitor-and-motor',
    measure: 'farads',
    typed: {
      plate: book(dead, 1e-6),
      tolerance: formatNumber((100 * (dead.high - dead.low)) / (dead.high + dead.low), 6),
    },
    reads: 'farads',
  }),
};

/** How the Bench judges a dead test; nothing for one that it has no test of. */
export const benchTestOf = (dead: DeadTest, family: string): BenchTest | undefined =>
  dead.as && OF[dead.as](dead, family);
