import type { Model } from '../profile';
import { type Lived, Random, type Setup } from '../simulation';
import type { Millis } from '../units';

interface HasActions {
  readonly actions: readonly { readonly id: string }[];
}

/** By this name every profile calls it: the knob of the gas valve is held down, the pilot lit. */
const HOLD = 'hold-knob';

/** The knob of a pilot, where the machine has one that a hand must hold. */
export const knobOf = ({ actions }: HasActions): string | undefined => actions.find(({ id }) => id === HOLD)?.id;

/** How the knob stands; nothing where none has to be held. */
export const knobNow = (model: HasActions, { actions }: Setup): 'held' | 'free' | undefined =>
  knobOf(model) === undefined ? undefined : actions.includes(HOLD) ? 'held' : 'free';

/** A thermocouple or a pile takes so long to come up, seconds: the knob is held as long (TRADE §3, 30 to 60 s). */
const COMES_UP = { from: 30, to: 60 };

/** How long this machine's has to be held before its pilot burns by itself. */
export const heldFor = (seed: number): Millis =>
  (COMES_UP.from + (COMES_UP.to - COMES_UP.from) * new Random(seed * 31 + 7).next()) * 1000;

/** Whether a pilot burned at the end of a stretch of a machine's life. */
export function pilotBurned({ phases }: Pick<Model, 'phases'>, { trace }: Lived): boolean {
  const pilot = phases.find(({ id }) => id === 'pilot');
  return pilot !== undefined && trace.cues[pilot.index]!.some(({ to }) => to >= trace.end);
}
