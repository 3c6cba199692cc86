/** What a proof asks for; the presentation says it in words. */
export type RequirementName =
  // Of the part.
  | 'cured'
  | 'not-denied'
  | 'dead-value'
  | 'in-not-out'
  | 'volts-across'
  | 'source-missing'
  | 'seen-to-act'
  | 'power-across'
  | 'does-not-act'
  | 'primary-live'
  | 'secondary-dead'
  | 'found'
  | 'power-behind'
  | 'causes-cleared'
  | 'reset-pressed'
  | 'holds-when-renewed'
  // Of a switch that opened, and why.
  | 'sensed-wrong'
  // Of a control.
  | 'control-fed'
  | 'input-measured'
  | 'sensor-cleared'
  | 'idle-though-fed'
  | 'output-missing'
  | 'input-live'
  // Of everything else.
  | 'explains-all'
  | 'rival-excluded'
  | 'rivals-excluded'
  | 'likely-enough';

/** One thing that a proof asks for, whether it is shown, and by which entries. */
export interface Requirement {
  readonly requirement: RequirementName;
  /** Title of the part, or words of the rival, that it is asked of; the suspect itself when nothing is said. */
  readonly of?: string;
  readonly met: boolean;
  readonly by: readonly string[];
}

/** Requirements that together condemn a part, and how far they are met: what planning a proof reckons with, 0 to 1. */
export interface Checklist {
  readonly share: number;
  readonly requirements: readonly Requirement[];
}

/** One requirement, met by an entry or not. */
export const need = (requirement: RequirementName, by: string | undefined, of?: string): Checklist => ({
  share: by === undefined ? 0 : 1,
  requirements: [
    { requirement, met: by !== undefined, by: by === undefined ? [] : [by], ...(of === undefined ? {} : { of }) },
  ],
});

/** One requirement that may be met in part. */
export const partly = (requirement: RequirementName, share: number, by: readonly string[], of?: string): Checklist => ({
  share,
  requirements: [{ requirement, met: share >= 1, by, ...(of === undefined ? {} : { of }) }],
});

/** All of these, each worth the same. */
export const all = (lists: readonly Checklist[]): Checklist => ({
  share: lists.reduce((sum, l) => sum + l.share, 0) / lists.length,
  requirements: lists.flatMap((l) => l.requirements),
});

/** Both of these, the first worth this share of the whole. */
export const both = (first: Checklist, worth: number, second: Checklist): Checklist => ({
  share: worth * first.share + (1 - worth) * second.share,
  requirements: [...first.requirements, ...second.requirements],
});

/** Any of these; the one that is met furthest is followed. */
export function any(first: Checklist, ...others: readonly Checklist[]): Checklist {
  let best = first;
  for (const one of others) if (one.share > best.share) best = one;
  return best;
}
