import type { Model } from '../profile';
import { kindOf } from '../question';
import type { Role } from '../rules';
import type { Test } from './tests';

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
  const { question, intervention } = test;
  const { applies = [], own } = kindOf(question).cautions?.(model, question) ?? {};
  const all = new Set<string>(applies);
  if (test.line) all.add('line');
  if (goesRoundSafety(model, test)) all.add('bypass');
  const done =
    intervention && 'action' in intervention
      ? model.actions.find((a) => a.id === intervention.action)!.caution
      : undefined;
  return [
    ...[own, done].filter((c) => c !== undefined),
    ...model.cautions.filter((c) => all.has(c.when)).map((c) => c.text),
  ];
}
