import type { Duty } from './duties';

/** A day as 2026-11-30. */
export type Day = string;

export const DUTY_RESULTS = ['good', 'bad'] as const;
export type DutyResult = (typeof DUTY_RESULTS)[number];

/** When a duty was done last, and how it came out. */
export interface LastDone {
  readonly day: Day;
  readonly result: DutyResult;
}

/** When a duty falls due. */
export interface Due {
  readonly day: Day;
  /** It failed the last time: it is due now, whatever the calendar says. */
  readonly failed: boolean;
  readonly state: 'overdue' | 'soon' | 'later';
}

/** Due within so many days is soon; a weekly test is soon for three. */
const SOON_DAYS = 14;
const SOON_OF_WEEKLY = 3;
const WEEKLY = 7;
/** What was looked at so many days before the season was looked at for it. */
const COUNTS_BEFORE = 60;
/** People heat from October until the end of April (common practice in the north, no source). */
const SEASON_FROM = 10;
const SEASON_TO = 4;

const DAY_MS = 86_400_000;
const time = (day: Day): number => Date.parse(`${day}T00:00:00Z`);
const dayAt = (at: number): Day => new Date(at).toISOString().slice(0, 10);

export const addDays = (day: Day, days: number): Day => dayAt(time(day) + days * DAY_MS);

/** Whole days from one day to another; negative when the other is before it. */
export const daysBetween = (from: Day, to: Day): number => Math.round((time(to) - time(from)) / DAY_MS);

/** Whether a text is a day that there is in the calendar. */
export const isDay = (text: string): boolean =>
  /^\d{4}-\d{2}-\d{2}$/.test(text) && Number.isFinite(time(text)) && dayAt(time(text)) === text;

const isHeating = (day: Day): boolean => {
  const month = Number(day.slice(5, 7));
  return month >= SEASON_FROM || month <= SEASON_TO;
};
/** The day on which the next season begins, seen from a day out of season. */
const seasonAfter = (day: Day): Day => `${day.slice(0, 4)}-${SEASON_FROM}-01`;

/**
 * When a duty falls due: so long after it was done last, or after the machine came into the register. A weekly test of the heating
 * season rests in summer and is due when people heat again; what belongs before the season is due on the last day before it. What
 * failed is due at once until it is good.
 * @param every days from one time to the next, by the machine's own plan where it has one
 */
export function dueOf(
  duty: Pick<Duty, 'heating' | 'beforeSeason'>,
  every: number,
  last: LastDone | undefined,
  knownSince: Day,
  today: Day,
): Due {
  if (last?.result === 'bad') return { day: last.day, failed: true, state: 'overdue' };
  let day = addDays(last?.day ?? knownSince, every);
  if (duty.heating && !isHeating(day)) day = seasonAfter(day);
  // Missed in spring, it is no more missed than in autumn: nobody heats between.
  if (duty.heating && day < today && !isHeating(today)) day = seasonAfter(today);
  if (duty.beforeSeason) day = seasonEve(last ? addDays(last.day, COUNTS_BEFORE) : knownSince);
  const left = daysBetween(today, day);
  const soon = every <= WEEKLY ? SOON_OF_WEEKLY : SOON_DAYS;
  return { day, failed: false, state: left < 0 ? 'overdue' : left <= soon ? 'soon' : 'later' };
}

/** The last day before the season that follows a day. */
function seasonEve(after: Day): Day {
  const eve = `${after.slice(0, 4)}-0${SEASON_FROM - 1}-30`;
  return eve > after ? eve : `${Number(after.slice(0, 4)) + 1}-0${SEASON_FROM - 1}-30`;
}

/** When something was due, in words that stand beside its name. */
export function dueWords({ day, failed }: Pick<Due, 'day' | 'failed'>, today: Day): string {
  if (failed) return `failed on ${day}`;
  const left = daysBetween(today, day);
  if (left < 0) return `${-left} ${left === -1 ? 'day' : 'days'} over`;
  if (left === 0) return 'today';
  return left <= SOON_DAYS ? `in ${left} ${left === 1 ? 'day' : 'days'}` : `on ${day}`;
}
