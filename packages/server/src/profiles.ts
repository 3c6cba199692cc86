import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { loadProfile, variantsOf } from '@zetalysis/core/profile';

interface ServedProfile {
  readonly id: string;
  readonly title: string;
  readonly summary: string;
  readonly version: string;
  readonly variants: readonly { id: string; title: string }[];
  readonly source: string;
}

export interface Profiles {
  ids(): string[];
  get(id: string): ServedProfile | undefined;
  all(): readonly ServedProfile[];
}

/** Reads and checks the profiles once at start; a broken one stops the server with its problems. */
export function readProfiles(directory: string): Profiles {
  const map = new Map<string, ServedProfile>();
  for (const file of readdirSync(directory)
    .filter((f) => f.endsWith('.yaml'))
    .sort()) {
    const source = readFileSync(join(directory, file), 'utf8');
    const { id, title, summary, version } = loadProfile(source, file);
    map.set(id, { id, title, summary, version, variants: variantsOf(source, file), source });
  }
  return { ids: () => [...map.keys()], get: (id) => map.get(id), all: () => [...map.values()] };
}
