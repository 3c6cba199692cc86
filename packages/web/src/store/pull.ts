import { http } from '../api/http';
import { local } from './local';

/**
 * Fetches what is new on the server for a call. Entries are numbered without a gap, so it can tell whether it has them all:
 * if it does not, or if the server knows fewer than it once did, it begins anew. Gives who looks at the call now.
 */
export async function pull(call: string): Promise<readonly string[]> {
  for (let begun = false; ;) {
    const after = await local.cursor(call);
    const { entries, last, looking } = await http('GET /calls/:id/events', {
      params: { id: call },
      query: { after: String(after) },
    });
    const cursor = entries.at(-1)?.number ?? after;
    await local.receive(call, entries, Math.min(cursor, last));
    const lost = last < after;
    if (cursor < last) continue;
    if (begun || (!lost && (await local.isWhole(call, cursor)))) return looking;
    await local.startOver(call, { lost });
    begun = true;
  }
}
