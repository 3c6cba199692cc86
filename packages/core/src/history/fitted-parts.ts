import type { MachineEntry } from './reading-lines';

/** A part that is in a machine because somebody fitted it. */
export interface FittedPart {
  readonly part: string;
  readonly title: string;
  readonly call: string;
  /** When it was fitted, milliseconds since 1970. */
  readonly at: number;
  readonly action: string;
  readonly number: string;
  /** The last day of its warranty, as 2027-11-30; empty where none was noted. */
  readonly warranty: string;
  readonly underWarranty: boolean;
}

/**
 * The newest of each part that was repaired or replaced, the newest first. Where the old one is in again, what was fitted before
 * it is not in the machine any more.
 * @param today as 2026-11-30
 */
export function fittedParts(entries: readonly MachineEntry[], today: string): FittedPart[] {
  const fitted = new Map<string, FittedPart>();
  for (const { at, call, body } of [...entries].sort((a, b) => a.at - b.at)) {
    if (body.type !== 'repaired') continue;
    const { part, title = part, action, number = '', warranty = '', old } = body;
    fitted.delete(part);
    if (old === true) continue;
    fitted.set(part, { part, title, call, at, action, number, warranty, underWarranty: warranty >= today });
  }
  return [...fitted.values()].sort((a, b) => b.at - a.at);
}
