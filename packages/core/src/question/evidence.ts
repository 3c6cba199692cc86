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

/** A question in a kind of episode. */
export const askedKey = (model: Model, episode: Episode, question: Question): string =>
  `${episodeKey(episode)}|${questionKey(model, question)}`;
