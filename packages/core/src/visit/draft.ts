import type { Model } from '../profile';
import type { EvidenceItem } from '../question';
import type { Danger } from '../rules';
import { type Episode, FIRST_EPISODE } from '../simulation';
import type { Adjusted } from './events/adjusted';
import type { BreakRecorded } from './events/break-recorded';
import type { Opened } from './events/opened';

/** The state of a call while its log is folded, entry by entry. */
export class Draft {
  readonly episodes: Episode[] = [FIRST_EPISODE];
  items: EvidenceItem[] = [];
  readonly declined = new Set<string>();
  readonly episodeOf = new Map<string, number>();
  readonly adjustments = new Map<string, Adjusted>();
  opened: Opened | undefined;
  danger: Danger | undefined;
  record: (Omit<BreakRecorded, 'type'> & { readonly event: string }) | undefined;
  closed = false;

  constructor(readonly model: Model) {}

  get present(): Episode {
    return this.episodes[this.episodes.length - 1]!;
  }
}
