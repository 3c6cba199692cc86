import type { Hypothesis, ItemFit } from '../inference';
import type { Model } from '../profile';
import { CONTRADICTS, type Fit, isAbsent, type Observation } from '../question';

/** What is known about one suspect: its hypothesis and the evidence. */
export interface Inquiry {
  readonly model: Model;
  readonly h: Hypothesis;
  readonly items: readonly ItemFit[];
}

/** Hypotheses begin with the sound appliance. */
export const SOUND = { index: 0 };

/** Whether an entry is far from what is expected. */
export const odd = (fit: Fit | undefined, i: ItemFit): boolean => fit !== undefined && fit.fit < CONTRADICTS * i.base;

/** Whether an entry is as no sound appliance shows it, and as the suspect does. */
export const tells = ({ h }: Inquiry, i: ItemFit): boolean => odd(i.sound, i) && !odd(i.fits[h.index], i);

/** Whether the step of a reading never comes if a hypothesis is right. */
export function neverComes({ index }: { readonly index: number }, { predictions }: ItemFit): boolean {
  const told = predictions[index];
  return told !== undefined && isAbsent(told);
}

/** The first entry of which something holds, by its id. */
export const entry = (items: readonly ItemFit[], holds: (i: ItemFit) => boolean): string | undefined =>
  items.find(holds)?.item.id;

/** Whether the entry is an answer of a kind, with something that holds of it. */
export const is = <K extends Observation['kind']>(
  { item: { observation: o } }: ItemFit,
  kind: K,
  holds: (o: Extract<Observation, { kind: K }>) => boolean,
): boolean => o.kind === kind && holds(o as Extract<Observation, { kind: K }>);
