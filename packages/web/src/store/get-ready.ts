import type { QueryClient } from '@tanstack/react-query';
import { http } from '../api/http';
import { profilesQuery, settingsQuery } from '../api/queries';
import { askToPersist } from './database';
import { keepMachines } from './machines';
import { keepSources } from './profiles';
import { currentRates, ratesWith } from './rates';

/** How many machines of the register are kept here beforehand, in pages. */
const PAGES = 10;
const SIZE = 100;

/**
 * Fetches what is needed to work without the server, once a sign-in: every family's profile, the register, what the
 * shop writes on its papers, and its rates. What cannot be
 * fetched now is fetched when it is first shown.
 */
export async function getReady(queries: QueryClient): Promise<void> {
  await askToPersist();
  const profiles = await queries.fetchQuery(profilesQuery);
  await keepSources(profiles);
  await queries.fetchQuery(settingsQuery);
  const rates = await currentRates();
  if (rates !== undefined) await ratesWith(rates);
  for (let page = 1; page <= PAGES; page++) {
    const { machines, total } = await http('GET /machines', { query: { page: String(page), size: String(SIZE) } });
    await keepMachines(machines);
    if (page * SIZE >= total) break;
  }
}
