import type { ProfileSummary } from '@zetalysis/contract';
import { http } from '../api/http';
import { database, type KeptProfile } from './database';

/** A profile in the wanted version, else the newest: from the server, or as it is kept here while the server is away. */
export async function profileSource(id: string, version?: string): Promise<string> {
  // A version never changes: one that is here need not be fetched.
  const kept = version === undefined ? undefined : await (await database()).get('profiles', [id, version]);
  if (kept) return kept.source;
  try {
    const fresh = await http('GET /profiles/:id', { params: { id }, query: { version } });
    await keep({ id, version: fresh.version, source: fresh.source });
    return fresh.source;
  } catch (error) {
    const others = await (await database()).getAllFromIndex('profiles', 'id', id);
    if (others.length > 0 && version === undefined) return others.at(-1)!.source;
    throw error;
  }
}

/** Fetches the texts of all these that are not here yet, so that they open without the server. */
export async function keepSources(profiles: readonly ProfileSummary[]): Promise<void> {
  for (const { id, version } of profiles) await profileSource(id, version);
}

/** A browser without room for it reads on all the same. */
const keep = async (profile: KeptProfile): Promise<void> =>
  void (await (await database()).put('profiles', profile).catch(() => undefined));
