/**
 * Time inside is in whole milliseconds: moments from the call for heat, delays, durations. What is written down (a
 * profile, a reading, an entry) is in seconds, the SI unit, and is turned here where it comes in and goes out.
 */
export type Millis = number;

export const millis = (seconds: number): Millis => Math.round(seconds * 1000);

export const inSeconds = (time: Millis): number => time / 1000;

/** A duration as one would say it: whole seconds below two minutes, whole minutes above. */
export const formatDuration = (time: Millis): string =>
  time < 120_000 ? `${Math.round(inSeconds(time))} s` : `${Math.round(time / 60_000)} min`;
