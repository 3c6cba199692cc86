import type { Circumstances } from './circumstances';
import type { FactValue } from './facts';
import { needOf } from './needs';
import { type Ender, type Evidence, evidenceFor, type Stop } from './stops';

/** Who may end a stop, on what is given as evidence. */
export const endedBy = (
  { endedBy: ender }: Stop,
  c: Circumstances,
  evidence: Readonly<Record<string, FactValue>>,
): Ender => (typeof ender === 'function' ? ender(c, evidence) : ender);

/** What is still missing of the evidence on which a stop ends; lines that only decide who may end it are never missing. */
export function missingEvidence(
  stop: Stop,
  since: number,
  given: Readonly<Record<string, FactValue>>,
  c: Circumstances,
): readonly Evidence[] {
  return evidenceFor(stop, c.family).filter((line) => line.id !== 'cut-off' && !isGiven(line, since, given, c));
}

function isGiven(
  { id, is }: Evidence,
  since: number,
  given: Readonly<Record<string, FactValue>>,
  c: Circumstances,
): boolean {
  const value = given[id];
  if (is === 'tick') return value === 'yes';
  if (is === 'words') return typeof value === 'string' && value.trim() !== '';
  if ('minutes' in is) return c.now - since >= is.minutes * 60_000;
  if ('need' in is) return needOf(is.need).holds(c);
  return typeof value === 'number' && value <= (is.most ?? Infinity) && value >= (is.least ?? -Infinity);
}
