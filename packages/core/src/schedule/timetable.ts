/** Minutes since midnight. */
export type Minutes = number;

/** When a customer was told that somebody comes. */
export interface Slot {
  readonly from: Minutes;
  readonly to: Minutes;
}

/** Something that one person has to do on a day, in the order in which they do it. */
export interface Planned {
  readonly id: string;
  readonly slot: Slot | undefined;
  /** How long it takes: half of such visits are over by the first, four of five by the second. */
  readonly p50: Minutes;
  readonly p80: Minutes;
}

/** When it would begin and end, and what does not go together. */
export interface Placed {
  readonly id: string;
  readonly begins: Minutes;
  /** By the usual length, and by the long one. */
  readonly ends: Minutes;
  readonly endsLate: Minutes;
  readonly conflicts: readonly Conflict[];
}

export type Conflict =
  /** It would begin after what the customer was told. */
  | { readonly is: 'too-late'; readonly by: Minutes }
  /** It may begin too late, when what comes before takes long. */
  | { readonly is: 'may-be-late'; readonly by: Minutes }
  /** Its slot ends before that of the one before it begins. */
  | { readonly is: 'before-the-one-before' }
  /** It goes on after the end of the day. */
  | { readonly is: 'after-hours'; readonly by: Minutes };

/** A day, and what lies between two visits; common practice, no source. */
export const DAY = { begins: 8 * 60, ends: 17 * 60, between: 20 } as const;

/** A gap this long is worth an offer. */
const WORTH_OFFERING = 45;

/**
 * Lays out the day of one person in the order of its items: each begins when the one before is over and the way is driven, but not
 * before its slot. What does not go together is said, and nothing is moved.
 */
export function timetable(planned: readonly Planned[]): Placed[] {
  let now: Minutes = DAY.begins;
  let late: Minutes = DAY.begins;
  let before: Planned | undefined;
  return planned.map((item) => {
    const earliest = item.slot?.from ?? 0;
    const begins = Math.max(now, earliest);
    const beginsLate = Math.max(late, earliest);
    const ends = begins + item.p50;
    const endsLate = beginsLate + item.p80;
    const conflicts: Conflict[] = [];
    if (item.slot && begins > item.slot.to) conflicts.push({ is: 'too-late', by: begins - item.slot.to });
    else if (item.slot && beginsLate > item.slot.to)
      conflicts.push({ is: 'may-be-late', by: beginsLate - item.slot.to });
    if (item.slot && before?.slot && item.slot.to <= before.slot.from) conflicts.push({ is: 'before-the-one-before' });
    if (ends > DAY.ends) conflicts.push({ is: 'after-hours', by: ends - DAY.ends });
    now = ends + DAY.between;
    late = endsLate + DAY.between;
    before = item;
    return { id: item.id, begins, ends, endsLate, conflicts };
  });
}

/** Times of a day in which nothing is planned and something short could be done. */
export function gapsOf(placed: readonly Placed[]): Slot[] {
  const gaps: Slot[] = [];
  let free: Minutes = DAY.begins;
  for (const { begins, ends } of placed) {
    if (begins - DAY.between - free >= WORTH_OFFERING) gaps.push({ from: free, to: begins - DAY.between });
    free = Math.max(free, ends + DAY.between);
  }
  if (DAY.ends - free >= WORTH_OFFERING) gaps.push({ from: free, to: DAY.ends });
  return gaps;
}

/** What comes first: gas and carbon monoxide, then no heat with frost or frail people, then the rest. */
export const PRIORITIES = ['danger', 'frost', 'usual'] as const;
export type Priority = (typeof PRIORITIES)[number];

export const PRIORITY_WORDS: Readonly<Record<Priority, string>> = {
  danger: 'Gas or CO',
  frost: 'Frost, or frail people',
  usual: 'Usual',
};

/** Items that stand before something graver than themselves. */
export function outOfOrder(items: readonly { readonly id: string; readonly priority: Priority }[]): string[] {
  const grave = (p: Priority): number => PRIORITIES.indexOf(p);
  return items
    .filter(({ priority }, i) => items.slice(i + 1).some((later) => grave(later.priority) < grave(priority)))
    .map(({ id }) => id);
}

/** A time of day in words. */
export const timeWords = (minutes: Minutes): string =>
  `${String(Math.floor(minutes / 60)).padStart(2, '0')}:${String(Math.round(minutes % 60)).padStart(2, '0')}`;

/** Reads `9-11`, `09:00-11:30` or nothing. Gives words for the reader when it cannot. */
export function readSlot(text: string): { readonly slot: Slot | undefined } | { readonly wrong: string } {
  if (text.trim() === '') return { slot: undefined };
  const wrong = { wrong: 'From when to when, as 9-11 or 09:00-11:30.' };
  const found = /^\s*(\d{1,2})(?::(\d{2}))?\s*[-–]\s*(\d{1,2})(?::(\d{2}))?\s*$/.exec(text);
  if (!found) return wrong;
  const [h1, m1, h2, m2] = found.slice(1).map((part) => Number(part ?? '0')) as [number, number, number, number];
  if (h1 > 23 || h2 > 24 || m1 > 59 || m2 > 59) return wrong;
  const slot = { from: h1 * 60 + m1, to: h2 * 60 + m2 };
  return slot.to > slot.from ? { slot } : { wrong: 'It ends before it begins. Write from when to when, as 9-11.' };
}
