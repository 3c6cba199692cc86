import type { Circumstances } from './circumstances';

/** Least and most minutes with a fault that came and went. */
const LEAST = 15;
const MOST = 60;

/**
 * How long one stays with a repair, minutes: twice the longest time that a fault took to show which came and went, between 15
 * and 60; as long as a cause that is left would take to stop it again. Nought when it showed always and its cause is mended;
 * nothing while nobody said how it showed. Where the time is not known either, one stays the longest.
 */
export function stayMinutes(c: Circumstances): number | undefined {
  if (c.is('showed', 'came-and-went')) {
    const longest = c.number('shows-after');
    return longest === undefined ? MOST : Math.min(MOST, Math.max(LEAST, 2 * longest));
  }
  if (c.is('showed', 'cause-left') || (c.is('showed', 'steady') && causeLeft(c)))
    return c.number('trips-after') ?? MOST;
  return c.is('showed', 'steady') ? 0 : undefined;
}

/** Minutes since the last repair. */
export const minutesStayed = (c: Circumstances): number =>
  c.repairedAt === undefined ? 0 : Math.max(0, (c.now - c.repairedAt.at) / 60_000);

/** Minutes that it could fire since the last repair, by what was entered. */
export const minutesFired = (c: Circumstances): number =>
  c.repairedAt === undefined ? 0 : Math.max(0, (c.fired - c.repairedAt.fired) / 60_000);

/** A safety opened, was reset, and why was looked for and not mended. */
const causeLeft = (c: Circumstances): boolean => c.resets.some(({ safety }) => c.causes.get(safety)?.mended === false);
