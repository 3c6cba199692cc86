import type { Random } from '@zetalysis/core/simulation';

/** The day on which the season ends; whoever loads it moves all of it so that this is today. */
export const LAST_DAY = '2026-11-30';
const DAY = 86_400_000;
const MINUTE = 60_000;

/** A moment of the season: so many days before its last, at minutes after midnight. */
export const momentOf = (daysAgo: number, minutes: number): number =>
  Date.parse(`${LAST_DAY}T00:00:00.000Z`) - daysAgo * DAY + Math.round(minutes * MINUTE);

/** The day of a moment, and a day some days after it, as 2026-11-30. */
export const dayOf = (at: number, later = 0): string => new Date(at + later * DAY).toISOString().slice(0, 10);

/** An id as the product makes them (UUIDv7), of a moment and of what is drawn. */
export function idAt(at: number, random: Random): string {
  const hex = (digits: number): string =>
    Math.floor(random.next() * 16 ** digits)
      .toString(16)
      .padStart(digits, '0');
  const time = Math.floor(at).toString(16).padStart(12, '0');
  const variant = '89ab'[Math.floor(random.next() * 4)]!;
  return `${time.slice(0, 8)}-${time.slice(8)}-7${hex(3)}-${variant}${hex(3)}-${hex(6)}${hex(6)}`;
}
