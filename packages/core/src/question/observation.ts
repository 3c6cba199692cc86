import type { MeterInput } from '../circuit';
import type { Model } from '../profile';
import { NORMAL_SETUP, type Outcome, type Setup, setupKey } from '../simulation';
import type { Reading } from '../units';
import type { Complaint } from './complaint';

/** What a person saw or measured, without when and who. All indices are the model's. */
export type Observation =
  | { readonly kind: 'seen'; readonly phase: number; readonly answer: boolean; readonly attempt?: number }
  | { readonly kind: 'outcome'; readonly outcome: Outcome }
  | { readonly kind: 'code'; readonly code: string }
  | {
      readonly kind: 'volts';
      readonly red: number;
      readonly black: number;
      /** The phase during which it was read; -1 for the state in which the appliance ends up. */
      readonly phase: number;
      readonly input: MeterInput;
      readonly reading: Reading;
    }
  /** A dead test: power off, the part isolated. */
  | { readonly kind: 'ohms'; readonly part: number; readonly branch: string; readonly reading: Reading }
  | { readonly kind: 'gauge'; readonly gauge: number; readonly reading: Reading }
  /** Seconds from the call until a phase began. */
  | { readonly kind: 'timing'; readonly phase: number; readonly reading: Reading }
  | { readonly kind: 'look'; readonly look: number; readonly answer: number }
  /** The customer's complaint, of the kinds that can be told apart. */
  | { readonly kind: 'told'; readonly complaint: Complaint };

/** What is asked, without the answer: predictions are made for questions. */
export type Question =
  | { readonly kind: 'seen'; readonly phase: number; readonly attempt?: number }
  | { readonly kind: 'outcome' }
  | { readonly kind: 'code' }
  | {
      readonly kind: 'volts';
      readonly red: number;
      readonly black: number;
      readonly phase: number;
      readonly input: MeterInput;
    }
  | { readonly kind: 'ohms'; readonly part: number; readonly branch: string }
  | { readonly kind: 'gauge'; readonly gauge: number }
  | { readonly kind: 'timing'; readonly phase: number }
  | { readonly kind: 'look'; readonly look: number }
  | { readonly kind: 'told'; readonly complaint: Complaint };

/** One stretch of time with one setup. Parts repaired before it are sound in it, as far as the repair was good. */
export interface Episode {
  readonly setup: Setup;
  readonly repaired: readonly number[];
  /** Those of them whose new part was measured good before it was fitted. */
  readonly measured?: readonly number[];
}

/** How a visit begins: everything on and in place, nothing repaired. */
export const FIRST_EPISODE: Episode = { setup: NORMAL_SETUP, repaired: [] };

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

/** A name for a question; the same question asked twice has the same name. */
export function questionKey(model: Model, q: Question): string {
  switch (q.kind) {
    case 'seen':
      return `seen ${model.phases[q.phase]!.id}${q.attempt === undefined ? '' : `#${q.attempt}`}`;
    case 'outcome':
    case 'code':
      return q.kind;
    case 'volts': {
      const phase = q.phase < 0 ? 'end' : model.phases[q.phase]!.id;
      return `volts ${model.nets[q.red]} ${model.nets[q.black]} ${phase}${q.input === 'low-impedance' ? ' low-z' : ''}`;
    }
    case 'ohms':
      return `ohms ${model.parts[q.part]!.id}${q.branch === '' ? '' : `.${q.branch}`}`;
    case 'gauge':
      return `gauge ${model.gauges[q.gauge]!.id}`;
    case 'timing':
      return `timing ${model.phases[q.phase]!.id}`;
    case 'look':
      return `look ${model.looks[q.look]!.id}`;
    case 'told':
      return 'told';
  }
}

/** A key that is equal for episodes that look the same to the appliance. */
export function episodeKey(episode: Episode): string {
  return `${setupKey(episode.setup)}/${[...episode.repaired].sort((a, b) => a - b).join(',')}`;
}

/** A question in a kind of episode. */
export const askedKey = (model: Model, episode: Episode, question: Question): string =>
  `${episodeKey(episode)}|${questionKey(model, question)}`;

/** The same for a chain of episodes. */
export const chainKey = (chain: readonly Episode[]): string => chain.map(episodeKey).join('>');
