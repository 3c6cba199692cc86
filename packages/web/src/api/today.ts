import type { Day } from '@zetalysis/core/upkeep';

/** The day by the clock of this device, as 2026-11-30. */
export function today(): Day {
  const now = new Date();
  const two = (n: number): string => String(n).padStart(2, '0');
  return `${now.getFullYear()}-${two(now.getMonth() + 1)}-${two(now.getDate())}`;
}
