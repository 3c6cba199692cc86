import type { Model } from '../profile';
import type { Millis } from '../units';
import { type CallEvent, type CallState, type EventBody, reduceCall } from '../visit';

/** What somebody does in an exercise that no call has. */
export type PracticeBody =
  /** They asked for help: the half that is left, the best next test, or why it is the best. */
  | { readonly type: 'hint'; readonly hint: 'half' | 'test' | 'why' }
  /** They said beforehand what a reading would be; in words as they typed it. */
  | { readonly type: 'predicted'; readonly of: string; readonly guess: string; readonly right: boolean }
  /** Ohms were measured where there is voltage. */
  | { readonly type: 'accident'; readonly where: string }
  /** A switch of the supply was thrown: how both stand since. */
  | { readonly type: 'supply'; readonly breaker: boolean; readonly service: boolean }
  /** The leads were held together and what they read was taken off. */
  | { readonly type: 'lead-zero' }
  /** A new part was measured and was as bad as the old one: another one was taken. */
  | { readonly type: 'new-part-bad'; readonly part: string }
  /** They told the steps of a sound run in their order, and when each comes, seconds since the call for heat. */
  | {
      readonly type: 'run-told';
      readonly order: readonly string[];
      readonly seconds: Readonly<Record<string, number>>;
    };

/** One thing that was done, and when. The whole of an exercise is a list of them, in order. */
export interface Move {
  /** Time since somebody stood in front of the machine. */
  readonly at: Millis;
  readonly body: EventBody | PracticeBody;
}

const PRACTICE: ReadonlySet<string> = new Set<PracticeBody['type']>([
  'hint',
  'predicted',
  'accident',
  'supply',
  'lead-zero',
  'new-part-bad',
  'run-told',
]);

/** Whether no call has it. */
export const isPractice = (body: Move['body']): body is PracticeBody => PRACTICE.has(body.type);

/** Exercises have no day; their entries take one, since entries have. */
export const BEGINS = Date.parse('2026-01-05T08:00:00.000Z');

/** The id of the entry that is made of a move. */
export const idOf = (index: number): string => `00000000-0000-7000-8000-${String(index).padStart(12, '0')}`;

/** The place of a move among those of its exercise, from the id of the entry that was made of it. */
export const moveOf = (id: string): number => Number(id.slice(-12));

/** What was done, as the entries of a call: the same model reads them as reads a real one. */
function entriesOf(moves: readonly Move[]): CallEvent[] {
  return moves.flatMap(({ at, body }, index) =>
    isPractice(body)
      ? []
      : {
          id: idOf(index),
          call: 'exercise',
          seq: index + 1,
          at: new Date(BEGINS + at).toISOString(),
          device: 'exercise',
          person: 'you',
          body,
        },
  );
}

/** The moves that were written down as entries of a call that began then. */
export const movesOf = (entries: readonly CallEvent[]): Move[] =>
  entries.map(({ at, body }) => ({ at: Date.parse(at) - BEGINS, body }));

/** How it was ended, whatever that lacks; nothing while it goes on. */
export function endingOf(moves: readonly Move[]): string | undefined {
  const last = moves.findLast(({ body }) => body.type === 'closed')?.body;
  return last?.type === 'closed' ? last.ending : undefined;
}

/** What is so after some moves. */
export const stateAfter = (model: Model, moves: readonly Move[]): CallState => reduceCall(model, entriesOf(moves));

/** What an exercise begins with: the entry that opens its call. */
export const opening = ({ profile }: { readonly profile: string }, model: Model, complaint: string): Move => ({
  at: 0,
  body: {
    type: 'opened',
    complaint,
    ...(model.family !== undefined && { family: model.family }),
    profile,
    profileVersion: model.version,
    engineVersion: 'practice',
    settings: { units: 'us', settingsVersion: '1' },
  },
});
