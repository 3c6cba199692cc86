import type { ProfileSummary } from '@zetalysis/contract';
import { http } from '../api/http';
import { askToPersist } from './database';
import { keepMachines } from './machines';
import { keepSources } from './profiles';

/** How many machines of the register are kept here beforehand, in pages. */
const PAGES = 10;
const SIZE = 100;

/**
 * Fetches what is needed to work without the server, once a sign-in: every family's profile and the register. What cannot be
 * fetched now is fetched when it is first shown.
 */
export async function getReady(): Promise<void> {
  await askToPersist();
  const profiles: readonly ProfileSummary[] = await http('GET /profiles');
  await keepSources(profiles);
  for (let page = 1; page <= PAGES; page++) {
    const { machines, total } = await http('GET /machines', { query: { page: String(page), size: String(SIZE) } });
    await keepMachines(machines);
    if (page * SIZE >= total) break;
  }
}
