import type { Model } from '../profile';
import { asUsual, kindOf, type Question, questionKey } from '../question';
import { type Authority, can, type Followed, isNeverBypassed, offer, safetyOf, workOf } from '../rules';
import type { Test } from './tests';
import { wantedOf } from './wanted';

/**
 * Whether a test may be proposed to this person, as things stand. The filter is hard: no amount of information outweighs it.
 * What it needs first does not withdraw it.
 */
export function mayPropose(model: Model, test: Test, person: Authority, followed?: Followed): boolean {
  const wanted = wantedOf(model, test);
  const work = workOf(wanted.work);
  if (work?.never) return false;
  if (test.line && can(person, 'line-test') !== '+') return false;
  if (followed) return offer(wanted, followed, person).offered && fitsWhatIsOn(model, test, followed);
  if (wanted.work === 'bypass') return !isNeverBypassed(safetyOf(wanted.kind ?? '')) && can(person, 'bypass') === '+';
  if (wanted.work === 'manual-reset') return can(person, 'reset') === '+';
  return work?.grant === 'gas' ? can(person, 'gas-work') === '+' : true;
}

/** While something is temporary, only what fits it is proposed. */
function fitsWhatIsOn(model: Model, test: Test, { c }: Followed): boolean {
  const on = c.bypasses.find(({ kind }) => safetyOf(kind).rings !== 'only');
  if (on) {
    // A bypass gives its one answer, then it comes off.
    if (test.intervention) return false;
    const asks = model.actions.find((a) => a.id === on.id)?.asks;
    if (!asks) return test.question.kind === 'outcome';
    const keys = asks.map((ask) => questionKey(model, ask.kind === 'volts' ? asUsual(model, ask) : ask));
    return keys.includes(questionKey(model, test.question));
  }
  if (c.power || !hasLiveTests(model)) return true;
  const { kind } = test.question;
  // What is placed with the power off may be prepared; the rest is dead tests in a row.
  if (test.intervention) return goesRoundSafety(model, test);
  return (
    kind === 'ohms' ||
    kind === 'farads' ||
    kind === 'between' ||
    kind === 'continuity' ||
    kind === 'joint' ||
    kind === 'look' ||
    kind === 'told'
  );
}

/** Whether anything of it is fed by what the power switch switches. */
const hasLiveTests = (model: Model): boolean => model.levels.some((level) => level !== 'millivolt');

/** Whether a test goes round a safety, and so belongs into the bypass ledger. */
export function goesRoundSafety(model: Model, { intervention }: Test): boolean {
  if (!intervention) return false;
  if ('bypass' in intervention) return true;
  return (
    'action' in intervention && model.actions.some((a) => a.id === intervention.action && a.goesRound !== undefined)
  );
}

/** Cautions of the profile that apply to a test. */
export function cautionsFor(model: Model, test: Test): string[] {
  const { question, intervention } = test;
  const done =
    intervention && 'action' in intervention
      ? model.actions.find((a) => a.id === intervention.action)!.caution
      : undefined;
  return cautionsAt(model, question, {
    line: test.line,
    bypass: goesRoundSafety(model, test),
    ...(done !== undefined && { done }),
  });
}

/** What can hurt where a question is answered, whoever chose it. */
export function cautionsAt(
  model: Model,
  question: Question,
  { line, bypass = false, done }: { readonly line: boolean; readonly bypass?: boolean; readonly done?: string },
): string[] {
  const { applies = [], own } = kindOf(question).cautions?.(model, question) ?? {};
  const all = new Set<string>([...applies, ...(line ? ['line'] : []), ...(bypass ? ['bypass'] : [])]);
  return [
    ...[own, done].filter((c) => c !== undefined),
    ...model.cautions.filter((c) => all.has(c.when)).map((c) => c.text),
  ];
}
