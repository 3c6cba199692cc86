import type { Assessment, Engine } from '../../diagnosis';
import { predicts } from '../../inference';
import { findPart } from '../../profile';
import { explain } from '../explain';
import { inBrief } from '../say';
import type { Reader } from '../reader';

/** Something else that could have been it, and what was found that speaks against it. */
export interface Excluded {
  readonly words: string;
  /** The finding that weighs most against it: what was found, what it would have given, what a sound appliance gives. */
  readonly by: string;
}

/** A finding counts against a rival from here, in decades of likelihood. */
const SPEAKS_AGAINST = -0.5;

/** The others that the call thought of, the nearest first, with what excludes each; all but those of the part that is to blame. */
export function excludedOf(
  engine: Engine,
  { suspects, items, proof }: Assessment,
  reader: Reader,
  blamed: string | undefined,
  most: number,
): Excluded[] {
  const standing = new Set(proof?.rivals);
  const to = blamed === undefined ? suspects[0]?.leading.breaks : findPart(engine.model, blamed)?.index;
  return suspects
    .filter(({ leading }) => predicts(leading) && leading.kind === 'fault' && !standing.has(leading.index))
    .filter(({ leading }) => leading.breaks !== to && !leading.faults.some(({ part }) => part === to))
    .flatMap(({ leading }) => {
      const reasons = explain(engine.model, leading, engine.healthy, items, reader);
      const against = reasons.reduce<(typeof reasons)[number] | undefined>(
        (worst, r) => (r.weight < (worst?.weight ?? SPEAKS_AGAINST) ? r : worst),
        undefined,
      );
      return against ? [{ words: inBrief(leading.words), by: against.sentence }] : [];
    })
    .slice(0, most);
}
