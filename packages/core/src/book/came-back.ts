/** Why somebody had to come to a machine again soon, as far as the records tell. */
export const CAME_BACK_FOR = ['again', 'cause', 'unproved', 'other', 'nothing', 'unknown'] as const;
export type CameBackFor = (typeof CAME_BACK_FOR)[number];

/** What a visit recorded. */
interface Recorded {
  /** What broke, by name; `none` where nothing was wrong. */
  readonly part: string;
  readonly title: string;
  /** What its cause was called; empty where the part itself had failed. */
  readonly causeTitle: string;
  readonly standing: string;
}

/**
 * Why a visit was followed by another one.
 * @param next what the next one recorded; nothing while it is open, or where it recorded no break
 */
export function cameBackFor(visit: Recorded, next: Recorded | undefined): CameBackFor {
  if (!next) return 'unknown';
  if (next.part === 'none') return 'nothing';
  const proved = visit.standing === 'proved';
  if (next.title === visit.title) {
    if (!proved) return 'unproved';
    // The same part with a cause outside of it: that was not found, or it is still there.
    return visit.causeTitle !== '' || next.causeTitle !== '' ? 'cause' : 'again';
  }
  if (next.title === visit.causeTitle || (next.causeTitle !== '' && next.causeTitle === visit.causeTitle))
    return 'cause';
  return proved ? 'other' : 'unproved';
}
