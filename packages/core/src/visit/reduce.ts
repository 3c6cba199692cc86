import { findPart, type Model, replacedWith } from '../profile';
import { askedKey, type Episode, type Evidence, type EvidenceItem, FIRST_EPISODE } from '../question';
import type { Setup } from '../simulation';
import type { Danger } from '../test-choice';
import type { BreakRecord, CallEvent, EventBody } from './event';
import { mergeEvents } from './order';
import { translate } from './translate';

/** Everything a call page shows, worked out from the log alone. */
export interface CallState {
  readonly opened: Extract<EventBody, { type: 'opened' }> | undefined;
  readonly evidence: Evidence;
  readonly setup: Setup;
  /** As `Situation.declined`. */
  readonly declined: ReadonlySet<string>;
  /** Adjustments that were neither put back nor kept on purpose, by event id. */
  readonly adjustments: ReadonlyMap<string, Adjustment>;
  readonly danger: Danger | undefined;
  readonly record: (BreakRecord & { readonly event: string }) | undefined;
  readonly closed: boolean;
  /** The log in order; `retracted` entries stay visible, struck through. */
  readonly log: readonly LogEntry[];
  /** Which of the log's events feed the engine, by event id: the episode they belong to. */
  readonly episodeOf: ReadonlyMap<string, number>;
}

export type Adjustment = Extract<EventBody, { type: 'adjusted' }>;

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
  const episodes: Episode[] = [FIRST_EPISODE];
  let items: EvidenceItem[] = [];
  const declined = new Set<string>();
  const episodeOf = new Map<string, number>();
  const log: LogEntry[] = [];
  const adjustments = new Map<string, Adjustment>();
  let opened: CallState['opened'];
  let danger: Danger | undefined;
  let record: CallState['record'];
  let closed = false;

  for (const event of ordered) {
    const struck = retracted.has(event.id);
    const { body } = event;
    const translated = struck ? ({ kind: 'nothing' } as const) : translate(model, body);
    log.push({ event, retracted: struck, problem: translated.kind === 'problem' ? translated.message : undefined });
    if (struck || translated.kind === 'problem') continue;
    const present = episodes[episodes.length - 1]!;
    if (translated.kind === 'observation') {
      // The customer has said it better: the newest complaint counts.
      if (translated.observation.kind === 'told') items = items.filter((i) => i.observation.kind !== 'told');
      episodeOf.set(event.id, episodes.length - 1);
      items.push({ id: event.id, episode: episodes.length - 1, observation: translated.observation });
      continue;
    }
    switch (body.type) {
      case 'opened':
        opened ??= body;
        break;
      case 'setup':
        episodes.push({
          setup: {
            power: body.power,
            gas: body.gas,
            heatCall: body.call,
            unplugged: body.unplugged,
            bypassed: body.bypassed,
            actions: body.actions ?? [],
          },
          repaired: present.repaired,
          measured: present.measured ?? [],
        });
        break;
      case 'repaired': {
        const parts = replacedWith(model, findPart(model, body.part)!.index);
        const measured = (present.measured ?? []).filter((p) => !parts.includes(p));
        episodes.push({
          setup: present.setup,
          repaired: [...new Set([...present.repaired, ...parts])],
          measured: body.measured === true ? [...measured, ...parts] : measured,
        });
        break;
      }
      case 'adjusted':
        adjustments.set(event.id, body);
        break;
      case 'adjustment-settled':
        adjustments.delete(body.event);
        break;
      case 'declined':
        declined.add(body.test);
        break;
      case 'seen': {
        // What could not be told is not asked again while everything is as it was.
        const phase = model.phases.findIndex((p) => p.id === body.phase);
        declined.add(askedKey(model, present, { kind: 'seen', phase }));
        break;
      }
      case 'danger':
        danger = body.danger;
        break;
      case 'danger-over':
        danger = undefined;
        break;
      case 'break-recorded': {
        const { type: _type, ...rest } = body;
        record = { ...rest, event: event.id };
        break;
      }
      case 'closed':
        closed = true;
        break;
      default:
    }
  }
  return {
    opened,
    evidence: { episodes, items },
    setup: episodes[episodes.length - 1]!.setup,
    declined,
    adjustments,
    danger,
    record,
    closed,
    log,
    episodeOf,
  };
}

/** Retractions may themselves be retracted; later ones are decided first. */
function retractions(ordered: readonly CallEvent[]): ReadonlySet<string> {
  const struck = new Set<string>();
  for (let i = ordered.length - 1; i >= 0; i--) {
    const event = ordered[i]!;
    if (event.body.type === 'retracted' && !struck.has(event.id)) struck.add(event.body.event);
  }
  return struck;
}
