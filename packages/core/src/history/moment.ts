/** Something that happened at a moment, milliseconds since 1970. */
export interface Moment {
  readonly at: number;
}

export const MILLIS_A_YEAR = 365.25 * 24 * 3600 * 1000;
