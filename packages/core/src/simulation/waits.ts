import type { Model } from '../profile';
import { capital, type Millis, millis } from '../units';

/** A stretch of time that somebody has to sit out: a purge, a delay, a lockout, a cool-down. */
export interface Wait {
  readonly id: string;
  readonly title: string;
  readonly lasts: Millis;
}

/** Shorter ones are over before a clock is set. */
const LEAST = millis(15);

/** The waits of an appliance: timers of its control, delays of its parts, and those of the profile's actions. */
export function waitsOf(model: Model): Wait[] {
  const waits: Wait[] = [];
  const add = (id: string, title: string, lasts: Millis): void => {
    if (lasts >= LEAST && !waits.some((w) => w.title === title && w.lasts === lasts))
      waits.push({ id: `${id} ${lasts}`, title, lasts });
  };
  for (const region of model.controller?.regions ?? [])
    for (const state of region.states)
      for (const duration of state.go.flatMap((guard) => guard.when.durations))
        add(`${region.id}.${state.id}`, `${capital(state.id.replaceAll('-', ' '))} (${region.id})`, duration);
  for (const part of model.parts)
    for (const { words, lasts } of part.kind.waits?.(part.spec, part.modes) ?? [])
      add(part.id, `${capital(part.title)}: ${words}`, lasts);
  for (const action of model.actions) add(`action ${action.id}`, action.title, action.wait);
  return waits.sort((a, b) => a.lasts - b.lasts);
}
