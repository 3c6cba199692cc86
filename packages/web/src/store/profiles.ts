import { http } from '../api/http';
import { local } from './local';

/** A profile from the server, in the wanted version if it is still known; kept in the browser for when the server is away. */
export async function profileSource(id: string, version?: string): Promise<string> {
  try {
    const fresh = await http('GET /profiles/:id', { params: { id }, query: { version } });
    await local.keepProfile({ id, version: fresh.version, source: fresh.source });
    return fresh.source;
  } catch (error) {
    const kept = await local.profile(id);
    if (kept) return kept.source;
    throw error;
  }
}
