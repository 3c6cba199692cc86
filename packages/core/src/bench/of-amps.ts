import type { Model } from '../profile';
import type { BenchTest } from './of-dead-test';

/** An igniter of a lower supply is judged by its ohms. */
const LINE_VOLTS = 100;

/** How the Bench judges amperes through a part; nothing where it has no test of them. */
export function benchTestOfAmps(model: Model, part: Model['parts'][number]): BenchTest | undefined {
  const [branch] = part.branches;
  if (!branch) return undefined;
  switch (part.kind.name) {
    case 'glow-igniter':
      if (model.ratedVolts[branch.a]! < LINE_VOLTS) return undefined;
      return {
        test: 'glow-igniter',
        measure: 'amps',
        // Carbide has fewer ohms when it glows, nitride more.
        typed: { fit: Number(part.spec['hot-ohms']) < Number(part.spec['cold-ohms']) ? 'carbide' : 'nitride' },
        reads: 'amps',
        entersAsRead: true,
      };
    case 'motor':
      return {
        test: 'capacitor-and-motor',
        measure: 'motor',
        typed: { feed: branch.frequency === 'dc' ? 'dc' : 'ac' },
        reads: 'amps',
        entersAsRead: true,
      };
    default:
      return undefined;
  }
}
