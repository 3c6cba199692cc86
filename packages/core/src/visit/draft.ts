import type { Model } from '../profile';
import type { EvidenceItem } from '../question';
import { type Episode, FIRST_EPISODE } from '../simulation';
import type { Adjusted } from './events/adjusted';
import type { BreakRecorded } from './events/break-recorded';
import type { Opened } from './events/opened';
import type { NeededPart } from './events/part-needed';
import type { Recommendation } from './events/recommended';
import type { ListedWire } from './events/wire-listed';

/** A question or a wanted test, pinned by whoever looks on. */
export interface Pin {
  readonly event: string;
  readonly words: string;
  readonly test: string | undefined;
  readonly person: string;
  readonly answer: string | undefined;
}

/** The state of a call while its log is folded, entry by entry. */
export class Draft {
  readonly episodes: Episode[] = [FIRST_EPISODE];
  items: EvidenceItem[] = [];
  readonly declined = new Set<string>();
  readonly episodeOf = new Map<string, number>();
  /** What was taken apart by an entry and not put back: the part, or the point whose lead is lifted. */
  readonly apart = new Map<string, string>();
  readonly adjustments = new Map<string, Adjusted>();
  opened: Opened | undefined;
  shown = false;
  /** Answers on the telephone, by question. */
  readonly telephone = new Map<string, string>();
  readonly pins = new Map<string, Pin>();
  readonly recommendations = new Map<string, Recommendation>();
  readonly needed = new Map<string, NeededPart>();
  readonly wires = new Map<string, ListedWire>();
  record: (Omit<BreakRecorded, 'type'> & { readonly event: string }) | undefined;

  constructor(readonly model: Model) {}

  /** The appliance is taken apart or put together, and otherwise as it was: a new episode. */
  setApart(): void {
    const { setup, repaired, measured = [] } = this.present;
    this.episodes.push({ setup: { ...setup, apart: [...this.apart.values()] }, repaired, measured });
  }

  get present(): Episode {
    return this.episodes[this.episodes.length - 1]!;
  }
}
