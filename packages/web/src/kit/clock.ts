import { inSeconds, type Millis } from '@zetalysis/core/units';

/** Minutes and seconds, as on a clock. */
export function clock(time: Millis): string {
  const seconds = Math.max(0, Math.round(inSeconds(time)));
  const two = (n: number): string => String(n).padStart(2, '0');
  const hours = Math.floor(seconds / 3600);
  return `${hours > 0 ? `${hours}:` : ''}${two(Math.floor((seconds % 3600) / 60))}:${two(seconds % 60)}`;
}
