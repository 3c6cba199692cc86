import { useSyncExternalStore } from 'react';
import { type TestingStandard, USUAL_STANDARD } from '@zetalysis/core/standards';

const KEY = 'zetalysis.school';
const listeners = new Set<() => void>();
let current: TestingStandard = kept();

/** What this device keeps; anything that does not fit any more falls back to the usual. */
function kept(): TestingStandard {
  try {
    const found = JSON.parse(localStorage.getItem(KEY) ?? '{}') as Partial<TestingStandard>;
    const known = Object.keys(USUAL_STANDARD) as (keyof TestingStandard)[];
    return known.reduce(
      (standard, key) =>
        typeof found[key] === typeof USUAL_STANDARD[key] ? { ...standard, [key]: found[key] } : standard,
      USUAL_STANDARD,
    );
  } catch {
    return USUAL_STANDARD;
  }
}

function change(standard: TestingStandard): void {
  current = standard;
  localStorage.setItem(KEY, JSON.stringify(standard));
  listeners.forEach((l) => l());
}

function subscribe(listener: () => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

/** How the person at this device was taught, and a way to change it. */
export function useStandard(): readonly [TestingStandard, (change: Partial<TestingStandard>) => void] {
  const standard = useSyncExternalStore(subscribe, () => current);
  return [standard, (part) => change({ ...standard, ...part })];
}
