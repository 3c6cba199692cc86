import { EVERYTHING, type Happening, type Jumper, type TemporaryKind, type What } from '../rules';
import { type CallEvent, madeAt } from './event';
import type { EventBody } from './event-kinds';
import { FORMER_DANGERS } from './events/danger';
import { retractions } from './retractions';

/** A piece of work that an entry was, beside what it says. */
export type WorkOf = (event: CallEvent) => Extract<What, { type: 'work' }> | undefined;

/**
 * An ordered log as the rules see it. It needs no profile: entries carry what it takes. `workOf` says which entries are
 * readings that need something; who does not know the profile leaves it out.
 */
export function happeningsOf(ordered: readonly CallEvent[], workOf?: WorkOf): Happening[] {
  const struck = retractions(ordered);
  const happenings: Happening[] = [];
  // Older logs declared a danger over without saying which.
  const lastOver = ordered.findLastIndex((e) => e.body.type === 'danger-over' && !struck.has(e.id));
  const isOver = (event: CallEvent): boolean => event.body.type === 'danger' && ordered.indexOf(event) < lastOver;
  for (const event of ordered) {
    const { body } = event;
    // Old logs may hold times that are none: such an entry was made when the one before it was.
    const entered = timeOr(madeAt(event), happenings.at(-1)?.entered ?? 0);
    const since = body.type === 'setup' && body.since !== undefined ? timeOr(Date.parse(body.since), entered) : entered;
    const add = (what: What): void =>
      void happenings.push({
        id: event.id,
        at: Math.min(since, entered),
        entered,
        person: event.person,
        by: event.as ?? EVERYTHING,
        ...(event.number !== undefined && { number: event.number }),
        struck: struck.has(event.id) || isOver(event),
        what,
      });
    for (const what of whatOf(body)) add(what);
    const work = workOf?.(event);
    if (work) add(work);
  }
  return happenings;
}

const timeOr = (time: number, otherwise: number): number => (Number.isFinite(time) ? time : otherwise);

function whatOf(body: EventBody): What[] {
  switch (body.type) {
    case 'setup':
      return [setupOf(body), ...(body.resets ?? []).map(pressed)];
    case 'look':
    case 'seen':
      return [
        ...(body.means ?? []).map(({ fact, value }): What => ({ type: 'fact', fact, value })),
        ...('raises' in body && body.raises ? [{ type: 'raises', stop: body.raises } as const] : []),
        ...('pressed' in body && body.pressed ? [pressed(body.pressed)] : []),
      ];
    case 'danger':
      return [{ type: 'fact', ...FORMER_DANGERS[body.danger] }];
    case 'fact':
      return [{ type: 'fact', fact: body.fact, value: body.value }];
    case 'reset':
      return [{ type: 'reset', safety: body.safety, title: body.title, kind: body.kind }];
    case 'cause':
      return [{ type: 'cause', safety: body.safety, mended: body.mended }];
    case 'need':
      return [{ type: 'need', need: body.need, ...(body.of !== undefined && { of: body.of }), answer: body.answer }];
    case 'temporary':
      return [{ type: 'temporary', kind: body.kind, title: body.title }];
    case 'adjusted':
      return [{ type: 'temporary', kind: 'adjustment', title: `${body.what}, was ${body.original}` }];
    case 'adjustment-settled':
    case 'undone':
      return [{ type: 'undone', event: body.event }];
    case 'stop-order':
      return [{ type: 'stop-order', stop: body.stop, order: body.order, answer: body.answer }];
    case 'stop-ended':
      return [{ type: 'stop-ended', stop: body.stop, evidence: body.evidence }];
    case 'repaired':
      return [
        {
          type: 'repaired',
          part: body.part,
          title: body.title ?? body.part,
          touches: body.touches ?? [],
          ...(body.old === true && { old: true }),
        },
      ];
    case 'proof-line': {
      const { type, line, answer, value, fuel, plate } = body;
      return [
        { type, line, answer, ...(value !== undefined && { value }), ...(fuel && { fuel }), ...(plate && { plate }) },
      ];
    }
    case 'break-recorded':
      return [{ type: 'break' }];
    case 'closed':
      return [{ type: 'closed', ending: body.ending, given: body.given ?? {} }];
    case 'reopened':
      return [{ type: 'reopened' }];
    case 'retracted':
      return [{ type: 'retracted', event: body.event }];
    case 'countersigned':
      return [{ type: 'countersigned', event: body.event, says: body.says }];
    default:
      return [];
  }
}

const pressed = ({ id, title, kind }: { id: string; title: string; kind: string }): What => ({
  type: 'reset',
  safety: id,
  title,
  kind,
});

function setupOf(body: Extract<EventBody, { type: 'setup' }>): What {
  const { gas, power, call, bypassed, unplugged, actions = [], ledger = [], apart = [] } = body;
  const titleOf = (id: string): string => apart.find((a) => a.id === id)?.title ?? id;
  // Logs from before there was a ledger name only the parts.
  const unlisted = bypassed
    .filter((id) => !ledger.some((line) => line.id === id))
    .map((id): Jumper => ({ id, title: id, kind: 'safety' }));
  const round = new Set(ledger.map(({ id }) => id));
  const thing = (kind: TemporaryKind) => (id: string) => ({ id, title: titleOf(id), kind });
  return {
    type: 'setup',
    gas,
    power,
    call,
    bypasses: [
      ...ledger.map(({ limit: _limit, found, why, ...line }): Jumper => ({
        ...line,
        ...(found !== undefined && { found }),
        ...(why !== undefined && { why }),
      })),
      ...unlisted,
    ],
    apart: [...unplugged.map(thing('plug')), ...actions.filter((id) => !round.has(id)).map(thing('action'))],
  };
}
