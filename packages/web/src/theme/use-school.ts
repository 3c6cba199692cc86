import { useSyncExternalStore } from 'react';
import { type School, USUAL_SCHOOL } from '@zetalysis/core/standards';

const KEY = 'zetalysis.school';
const listeners = new Set<() => void>();
let current: School = kept();

/** What this device keeps; anything that does not fit any more falls back to the usual. */
function kept(): School {
  try {
    const found = JSON.parse(localStorage.getItem(KEY) ?? '{}') as Partial<School>;
    const known = Object.keys(USUAL_SCHOOL) as (keyof School)[];
    return known.reduce(
      (school, key) => (typeof found[key] === typeof USUAL_SCHOOL[key] ? { ...school, [key]: found[key] } : school),
      USUAL_SCHOOL,
    );
  } catch {
    return USUAL_SCHOOL;
  }
}

function change(school: School): void {
  current = school;
  localStorage.setItem(KEY, JSON.stringify(school));
  listeners.forEach((l) => l());
}

function subscribe(listener: () => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

/** How the person at this device was taught, and a way to change it. */
export function useSchool(): readonly [School, (change: Partial<School>) => void] {
  const school = useSyncExternalStore(subscribe, () => current);
  return [school, (part) => change({ ...school, ...part })];
}
