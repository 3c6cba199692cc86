import type { Model } from '../profile';
import type { Test } from './tests';

export type Role = 'apprentice' | 'technician' | 'lead' | 'admin';

/** What stops all testing at once. */
export type Danger = 'gas' | 'co' | 'fire';

export const DANGER_WORDS: Readonly<Record<Danger, string>> = {
  gas: 'Strong smell of gas. No switches, no phone in the room. Everybody out, doors open on the way, gas shut outside if it can be reached safely. Call the gas emergency number from outside. Nobody goes back until they clear it.',
  co: 'Carbon monoxide. Everybody out into fresh air, open what opens on the way, appliance off from outside. Call the emergency number; anyone with headache or dizziness sees a doctor. The appliance stays off and tagged.',
  fire: 'Fire, scorching or sparks at the appliance. Power and gas off if that is safe, everybody out, call the fire service.',
};

/** Whether a test may be proposed to this person. The filter is hard: no amount of information outweighs it. */
export function mayPropose(model: Model, test: Test, role: Role): boolean {
  // An apprentice makes no live line-voltage tests and no bypass alone.
  return role !== 'apprentice' || !(test.line || goesRoundSafety(model, test));
}

/** Whether a test goes round a safety, and so belongs into the bypass ledger. */
export function goesRoundSafety(model: Model, test: Test): boolean {
  const { intervention } = test;
  if (!intervention) return false;
  if ('bypass' in intervention) return true;
  return 'action' in intervention && model.actions.some((a) => a.id === intervention.action && a.ledger);
}

/** Cautions of the profile that apply to a test. */
export function cautionsFor(model: Model, test: Test): string[] {
  const applies = new Set<string>();
  const q = test.question;
  if (test.line) applies.add('line');
  if (goesRoundSafety(model, test)) applies.add('bypass');
  if (q.kind === 'ohms') applies.add('ohms');
  if (q.kind === 'gauge' && model.quantities[model.gauges[q.gauge]!.quantity]!.id.includes('gas')) applies.add('gas');
  const phase = q.kind === 'volts' || q.kind === 'seen' ? q.phase : -1;
  const trial = model.phases.findIndex((p) => p.trial);
  if (trial >= 0 && phase >= trial) applies.add('trial');
  const { intervention } = test;
  const own = [
    q.kind === 'ohms' ? model.parts[q.part]!.caution : undefined,
    intervention && 'action' in intervention
      ? model.actions.find((a) => a.id === intervention.action)!.caution
      : undefined,
  ].filter((c) => c !== undefined);
  return [...own, ...model.cautions.filter((c) => applies.has(c.when)).map((c) => c.text)];
}
