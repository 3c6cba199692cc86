import { http } from '../api/http';
import type { ProfileSummary } from '../api/types';
import { local } from './local';

/** A profile from the server, in the wanted version if it is still known; kept in the browser for when the server is away. */
export async function profileSource(id: string, version?: string): Promise<string> {
  try {
    const wanted = version === undefined ? '' : `?version=${encodeURIComponent(version)}`;
    const fresh = await http<ProfileSummary & { source: string }>(
      'GET',
      `/profiles/${encodeURIComponent(id)}${wanted}`,
    );
    await local.keepProfile({ id, version: fresh.version, source: fresh.source });
    return fresh.source;
  } catch (error) {
    const kept = await local.profile(id);
    if (kept) return kept.source;
    throw error;
  }
}
