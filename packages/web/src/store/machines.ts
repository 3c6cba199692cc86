import type { Machine } from '@zetalysis/contract';
import { BLANK_SHEET } from '@zetalysis/core/history';
import { database } from './database';

/** Keeps machines that the server showed: calls on them can be opened without it. */
export async function keepMachines(machines: readonly Machine[]): Promise<void> {
  const tx = (await database()).transaction('machines', 'readwrite');
  await Promise.all([...machines.map((m) => tx.store.put(m)), tx.done]);
}

/** The machines known here that have every word of a search, by what they are called. */
export async function knownMachines(search: string, limit: number): Promise<Machine[]> {
  const words = search.toLowerCase().split(/\s+/).filter(Boolean);
  const text = ({ label, site, make, modelName, serial }: Machine): string =>
    [label, site, make, modelName, serial].join(' ').toLowerCase();
  return (await (await database()).getAll('machines'))
    .map(complete)
    .filter((m) => m.retired === null && m.mergedInto === null)
    .filter((m) => words.every((word) => text(m).includes(word)))
    .sort((a, b) => (a.label < b.label ? -1 : 1))
    .slice(0, limit);
}

export async function knownMachine(id: string): Promise<Machine | undefined> {
  const machine = await (await database()).get('machines', id);
  return machine && complete(machine);
}

/** One that was kept before machines had a sheet has a blank one. */
const complete = (machine: Machine): Machine => ({ ...NEW, ...machine });

const NEW = { sheet: BLANK_SHEET, retired: null, mergedInto: null };
