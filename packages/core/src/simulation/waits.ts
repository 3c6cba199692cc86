import type { Model } from '../profile';
import { capital } from '../units';

/** A stretch of time that somebody has to sit out: a purge, a delay, a lockout, a cool-down. */
export interface Wait {
  readonly id: string;
  readonly title: string;
  readonly seconds: number;
}

/** Shorter ones are over before a clock is set. */
const LEAST = 15;

/** The waits of an appliance: timers of its control, delays of its parts, and those of the profile's actions. */
export function waitsOf(model: Model): Wait[] {
  const waits: Wait[] = [];
  const add = (id: string, title: string, seconds: number): void => {
    if (seconds >= LEAST && !waits.some((w) => w.title === title && w.seconds === seconds))
      waits.push({ id: `${id} ${seconds}`, title, seconds });
  };
  for (const region of model.controller?.regions ?? [])
    for (const state of region.states)
      for (const duration of state.go.flatMap((guard) => guard.when.durations))
        add(`${region.id}.${state.id}`, `${capital(state.id.replaceAll('-', ' '))} (${region.id})`, duration / 1000);
  for (const part of model.parts)
    for (const { words, seconds } of part.kind.waits?.(part.spec, part.modes) ?? [])
      add(part.id, `${capital(part.title)}: ${words}`, seconds);
  for (const action of model.actions) add(`action ${action.id}`, action.title, action.wait / 1000);
  return waits.sort((a, b) => a.seconds - b.seconds);
}
