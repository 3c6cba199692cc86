import type { RateBook } from '@zetalysis/core/book';
import { http, ServerProblem } from '../api/http';
import { database } from './database';

const CURRENT = 'zetalysis.rates';

/** The version that new calls are worked with; with the server away the one that this device heard last. Nothing: those that ship. */
export async function currentRates(): Promise<number | undefined> {
  try {
    const { version } = await http('GET /rates/current');
    localStorage.setItem(CURRENT, version === null ? '' : String(version));
    return version ?? undefined;
  } catch {
    const heard = Number(localStorage.getItem(CURRENT) ?? '');
    // Nobody pins what they could not read.
    return heard > 0 && (await keptRates(heard)) ? heard : undefined;
  }
}

/**
 * Rates of a version: they never change, and are fetched once. Nothing where this shop has no such version, as for a call that was brought
 * in from another. Throws where they are not here and the server is away.
 */
export async function ratesWith(version: number): Promise<RateBook | undefined> {
  const kept = await keptRates(version);
  if (kept) return kept;
  try {
    const { book } = await http('GET /rates/:version', { params: { version: String(version) } });
    await (await database()).put('rates', { version, book }).catch(() => undefined);
    return book;
  } catch (error) {
    if (error instanceof ServerProblem && error.status === 404) return undefined;
    throw error;
  }
}

const keptRates = async (version: number): Promise<RateBook | undefined> =>
  (await (await database()).get('rates', version))?.book;
