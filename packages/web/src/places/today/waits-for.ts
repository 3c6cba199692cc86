import { breakWords } from '../../api/ended';
import type { Overview } from '@zetalysis/core/visit';

/** What an open call waits for, gravest first, at a moment of the shop's clock. The first words matter most. */
export function waitsFor(overview: Overview, now: number): [string, string] {
  const { stops, claims, clocks, record, steps, waits } = overview;
  if (claims[0]) return ['Waits for a countersignature:', claims[0].words];
  if (waits) {
    const until = waits.when === '' ? '' : `, until ${waits.when}`;
    return [`Waits for ${waits.what}`, `${waits.whom === '' ? '' : `from ${waits.whom}`}${until}`];
  }
  const [clock] = clocks;
  if (clock)
    return Date.parse(clock.ends) > now
      ? ['Waits for its clock:', `${clock.title}, until ${hour(clock.ends)}`]
      : ['Its clock is over:', clock.title];
  if (stops[0]) return ['Stopped', ''];
  if (record) return [`${breakWords(overview)}.`, 'Waits for the proof'];
  return steps.length === 0 ? ['Not begun.', 'Waits for the next test'] : ['Waits for the next test', ''];
}

const HOUR = new Intl.DateTimeFormat('en', { hour: '2-digit', minute: '2-digit', hour12: false });
const DAY_AND_HOUR = new Intl.DateTimeFormat('en', {
  weekday: 'short',
  hour: '2-digit',
  minute: '2-digit',
  hour12: false,
});

const isToday = (moment: Date, now = new Date()): boolean => moment.toDateString() === now.toDateString();

/** A moment of today by its hour, another one with its day. */
export function hour(moment: string): string {
  const date = new Date(moment);
  return (isToday(date) ? HOUR : DAY_AND_HOUR).format(date);
}

/** How long something has been open, in the largest unit that says enough. */
export function openSince(moment: string, now: number): string {
  const minutes = Math.max(0, Math.round((now - Date.parse(moment)) / 60_000));
  if (minutes < 90) return `${minutes} min`;
  const hours = Math.round(minutes / 60);
  if (hours < 36) return `${hours} h`;
  return `${Math.round(hours / 24)} days`;
}
