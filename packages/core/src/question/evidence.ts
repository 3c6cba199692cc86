import type { Model } from '../profile';
import { type Episode, episodeKey } from '../simulation';
import { type Observation, type Question, questionKey } from './question-kinds';

/** An observation with its place in the evidence. */
export interface EvidenceItem {
  readonly id: string;
  readonly episode: number;
  readonly observation: Observation;
}

export interface Evidence {
  readonly episodes: readonly Episode[];
  readonly items: readonly EvidenceItem[];
}

/** What was answered before anything was mended. */
export function untilMended({ items, episodes }: Evidence): readonly EvidenceItem[] {
  const mended = episodes.findIndex(({ repaired }) => repaired.length > 0);
  return mended < 0 ? items : items.filter(({ episode }) => episode < mended);
}

/** A question in a kind of episode. */
export const askedKey = (model: Model, episode: Episode, question: Question): string =>
  `${episodeKey(episode)}|${questionKey(model, question)}`;
