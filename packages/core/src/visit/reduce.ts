import { findPhase, type Model } from '../profile';
import { askedKey, type Evidence } from '../question';
import type { Danger } from '../rules';
import type { Setup } from '../simulation';
import { Draft } from './draft';
import type { CallEvent } from './event';
import { eventKindOf } from './event-kinds';
import type { Adjusted } from './events/adjusted';
import type { BreakRecord } from './events/break-recorded';
import type { Opened } from './events/opened';
import { mergeEvents } from './order';
import { retractions } from './retractions';
import { translate } from './translate';

/** Everything a call page shows, worked out from the log alone. */
export interface CallState {
  readonly opened: Opened | undefined;
  readonly evidence: Evidence;
  readonly setup: Setup;
  /** As `Situation.declined`. */
  readonly declined: ReadonlySet<string>;
  /** Adjustments that were neither put back nor kept on purpose, by event id. */
  readonly adjustments: ReadonlyMap<string, Adjusted>;
  readonly danger: Danger | undefined;
  readonly record: (BreakRecord & { readonly event: string }) | undefined;
  readonly closed: boolean;
  /** The log in order; `retracted` entries stay visible, struck through. */
  readonly log: readonly LogEntry[];
  /** Which of the log's events feed the engine, by event id: the episode they belong to. */
  readonly episodeOf: ReadonlyMap<string, number>;
}

interface LogEntry {
  readonly event: CallEvent;
  readonly retracted: boolean;
  /** Why the event means nothing for this profile. */
  readonly problem: string | undefined;
}

/** Folds a log into the state of the call. Pure; the order of arrival does not matter. */
export function reduceCall(model: Model, events: readonly CallEvent[]): CallState {
  const ordered = mergeEvents(events);
  const retracted = retractions(ordered);
  const draft = new Draft(model);
  const log = ordered.map((event): LogEntry => {
    const struck = retracted.has(event.id);
    const problem = struck ? undefined : fold(draft, event);
    return { event, retracted: struck, problem };
  });
  const { opened, episodes, items, declined, adjustments, danger, record, closed, episodeOf } = draft;
  return {
    opened,
    evidence: { episodes, items },
    setup: draft.present.setup,
    declined,
    adjustments,
    danger,
    record,
    closed,
    log,
    episodeOf,
  };
}

/** Takes one entry into the draft; returns why it means nothing for the profile. */
function fold(draft: Draft, event: CallEvent): string | undefined {
  const { model, episodes } = draft;
  const { body } = event;
  const read = translate(model, body);
  if (read.kind === 'problem') return read.message;
  if (read.kind === 'observation') {
    // The customer has said it better: the newest complaint counts.
    if (read.observation.kind === 'told') draft.items = draft.items.filter((i) => i.observation.kind !== 'told');
    const episode = episodes.length - 1;
    draft.episodeOf.set(event.id, episode);
    draft.items.push({ id: event.id, episode, observation: read.observation });
  } else if (body.type === 'seen') {
    // What could not be told is not asked again while everything is as it was.
    const phase = findPhase(model, body.phase)!.index;
    draft.declined.add(askedKey(model, draft.present, { kind: 'seen', phase }));
  } else eventKindOf(body.type)?.apply?.(draft, body as never, event);
  return undefined;
}
