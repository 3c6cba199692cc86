import { AGES } from '@zetalysis/core/book';
import { ageAt, MILLIS_A_YEAR } from '@zetalysis/core/history';
import { machinesWatched } from './repository/rates';

interface MachineYears {
  readonly profile: string;
  readonly make: string;
  readonly age: string | null;
  readonly years: number;
}

/** How long machines were watched, by family, make and age: each year of a machine counts for the age that it had then. */
export async function machineYears(now = new Date()): Promise<MachineYears[]> {
  const found = new Map<string, MachineYears>();
  const add = (profile: string, make: string, age: string | null, years: number): void => {
    const key = JSON.stringify([profile, make, age]);
    found.set(key, { profile, make, age, years: (found.get(key)?.years ?? 0) + years });
  };
  for (const { profile, make, made, since } of await machinesWatched()) {
    const years = Math.max(0, (now.getTime() - new Date(since).getTime()) / MILLIS_A_YEAR);
    const old = ageAt(made ?? undefined, now);
    if (old === undefined) add(profile, make, null, years);
    else
      for (const { id, from, below } of AGES) {
        const within = Math.min(old, below) - Math.max(old - years, from);
        if (within > 0) add(profile, make, id, within);
      }
  }
  return [...found.values()];
}
