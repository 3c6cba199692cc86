import type { Model } from '../profile';
import { parseQuantity } from '../units';

/** A stretch of time that somebody has to sit out: a purge, a delay, a lockout, a cool-down. */
export interface Wait {
  readonly id: string;
  readonly title: string;
  readonly seconds: number;
}

/** Shorter ones are over before a clock is set. */
const LEAST = 15;

/** The waits of an appliance: timers of its control, delays in its wiring, and those of the profile's actions. */
export function waitsOf(model: Model): Wait[] {
  const waits: Wait[] = [];
  const add = (id: string, title: string, seconds: number): void => {
    if (seconds >= LEAST && !waits.some((w) => w.title === title && w.seconds === seconds))
      waits.push({ id, title, seconds });
  };
  for (const region of model.controller?.regions ?? [])
    for (const state of region.states)
      for (const guard of state.go) {
        const written = /^after\(([^)]+)\)$/.exec(guard.when.text.trim())?.[1];
        const parsed = written === undefined ? undefined : parseQuantity(written, 'time');
        if (parsed?.ok)
          add(
            `${region.id}.${state.id}`,
            `${capital(state.id.replaceAll('-', ' '))} (${region.id})`,
            parsed.value.value,
          );
      }
  for (const part of model.parts) {
    const delays = ['wait', 'on-delay', 'off-delay', 'cools-in'].filter((f) => f in part.kind.fields);
    for (const field of delays)
      if (field !== 'cools-in' || part.modes.some((m) => m.id === 'opens-hot'))
        add(`${part.id}.${field}`, `${capital(part.title)}: ${WORDS[field]}`, part.spec[field] as number);
  }
  for (const action of model.actions) add(`action ${action.id}`, action.title, action.wait / 1000);
  return waits.sort((a, b) => a.seconds - b.seconds);
}

const WORDS: Readonly<Record<string, string>> = {
  wait: 'delay',
  'on-delay': 'before it comes on',
  'off-delay': 'before it goes off',
  'cools-in': 'until its coil is cool',
};

const capital = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1);
