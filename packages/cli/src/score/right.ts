import type { Coverage } from '@zetalysis/core/analysis';
import type { Hypothesis } from '@zetalysis/core/inference';
import type { Model } from '@zetalysis/core/profile';

/** From this share on the first suspect is taken as advice to repair it. */
export const ADVISED = 0.5;

/** Whether a repair mends the hidden fault, or one that nothing tells apart from it. */
export function isRight(known: Coverage, hidden: Hypothesis, named: string): boolean {
  const alike = known.alike.find((g) => g.includes(hidden)) ?? [hidden];
  return alike.some((h) => h.repair === named);
}

/** Whether a repair is of the broken part, though perhaps for another way of failing. */
export function namesBroken({ parts }: Model, hidden: Hypothesis, named: string): boolean {
  const broken = parts[hidden.faults[0]!.part]!;
  return [broken.id, parts[broken.assembly]!.id].includes(named.split(':')[0]!);
}
