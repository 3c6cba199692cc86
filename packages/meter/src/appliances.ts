import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Flue } from '@zetalysis/core/instruments';
import { loadProfile } from '@zetalysis/core/profile';
import { findFault, Random, varied, VirtualAppliance } from '@zetalysis/core/simulation';
import { parse } from 'yaml';

/** A machine that can be stood in front of. */
export interface Appliance {
  readonly machine: string;
  readonly profile: string;
  /** What is broken, by `part.mode`. */
  readonly hidden: readonly string[];
  readonly flue?: Flue;
  readonly seed: number;
}

/** The machines of the demo. `root` is the folder of the whole product. */
export const readAppliances = (root: string): readonly Appliance[] =>
  parse(readFileSync(join(root, 'packages/meter/appliances.yaml'), 'utf8')) as readonly Appliance[];

/** The machine itself: its own values, with what is broken in it. Throws a RangeError where a fault is not known. */
export function virtual(
  root: string,
  { profile, hidden, seed }: Omit<Appliance, 'machine' | 'flue'>,
): VirtualAppliance {
  const file = `profiles/${profile}.yaml`;
  const source = readFileSync(join(root, file), 'utf8');
  const book = loadProfile(source, file);
  const faults = hidden.map((name) => findFault(book, name));
  const random = new Random(seed);
  const spread = varied(random);
  // Half of how they differ: one that stands at the very edge of sound teaches nobody anything about its fault.
  return new VirtualAppliance(
    loadProfile(source, file, { vary: (path, value, tolerance) => spread(path, value, tolerance / 2) }),
    faults,
  );
}
