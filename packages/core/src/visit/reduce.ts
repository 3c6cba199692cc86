import { findPhase, type Model } from '../profile';
import { askedKey, type Evidence } from '../question';
import { follow, type Followed } from '../rules';
import type { Setup } from '../simulation';
import { Draft, type Pin } from './draft';
import { type CallEvent, madeAt } from './event';
import { eventKindOf } from './event-kinds';
import type { Adjusted } from './events/adjusted';
import type { BreakRecord } from './events/break-recorded';
import type { Opened } from './events/opened';
import type { NeededPart } from './events/part-needed';
import type { Recommendation } from './events/recommended';
import type { ListedWire } from './events/wire-listed';
import { happeningsOf } from './happenings';
import { meaningsOf, withMeanings } from './meaning';
import { mergeEvents } from './order';
import { termsOf } from './overview';
import { retractions } from './retractions';
import { settled } from './settled';
import { translate } from './translate';
import { workOn } from './work-of';

/** Everything a call page shows, worked out from the log alone. */
export interface CallState {
  readonly opened: Opened | undefined;
  readonly evidence: Evidence;
  readonly setup: Setup;
  /** As `Situation.declined`. */
  readonly declined: ReadonlySet<string>;
  /** Adjustments that were neither put back nor kept on purpose, by event id. */
  readonly adjustments: ReadonlyMap<string, Adjusted>;
  /** What the rules say of it, at the time of its newest entry. */
  readonly followed: Followed;
  /** Questions and tests pinned by whoever looks on. */
  readonly pins: readonly Pin[];
  /** What was found beside the break, and what the customer said to it. */
  readonly recommendations: readonly Recommendation[];
  /** Parts that it waits for, or waited. */
  readonly needed: readonly NeededPart[];
  /** What was on which terminal before it was taken apart. */
  readonly wires: readonly ListedWire[];
  readonly shown: boolean;
  /** What was said on the telephone besides what the model weighs: the newest answer to each question. */
  readonly telephone: ReadonlyMap<string, string>;
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

/** How a log is to be read. */
export interface Reading {
  /** `met`: a story told afterwards, in which every reading was taken as the rules want it. */
  readonly needs?: 'met';
}

/** Folds a log into the state of the call. Pure; the order of arrival does not matter. */
export function reduceCall(model: Model, events: readonly CallEvent[], { needs }: Reading = {}): CallState {
  const ordered = withMeanings(meaningsOf(model), settled(mergeEvents(events)));
  const retracted = retractions(ordered);
  const now = Math.max(0, ...ordered.map(madeAt).filter(Number.isFinite));
  const followed = follow(happeningsOf(ordered, workOn(model)), {
    ...termsOf(ordered),
    ...(model.family !== undefined && { family: model.family }),
    now,
  });
  const proves = (event: CallEvent): boolean =>
    needs === 'met' || !(followed.marks.get(event.id) ?? []).some(({ mark }) => mark === 'without-need');
  const draft = new Draft(model);
  const log = ordered.map((event): LogEntry => {
    const struck = retracted.has(event.id);
    const problem = struck ? undefined : fold(draft, event, proves(event));
    return { event, retracted: struck, problem };
  });
  const { opened, episodes, items, declined, adjustments, record, episodeOf } = draft;
  return {
    opened,
    evidence: { episodes, items },
    setup: draft.present.setup,
    declined,
    adjustments,
    followed,
    pins: [...draft.pins.values()],
    recommendations: [...draft.recommendations.values()],
    needed: [...draft.needed.values()],
    wires: [...draft.wires.values()],
    shown: draft.shown,
    telephone: draft.telephone,
    record,
    closed: followed.ending !== undefined,
    log,
    episodeOf,
  };
}

/** Takes one entry into the draft; returns why it means nothing for the profile. */
function fold(draft: Draft, event: CallEvent, proves: boolean): string | undefined {
  const { model, episodes } = draft;
  const { body } = event;
  const read = translate(model, body);
  if (read.kind === 'problem') return read.message;
  if (read.kind === 'observation' && !proves) return undefined;
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
