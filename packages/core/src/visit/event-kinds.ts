import type { Static, TObject } from '@sinclair/typebox';
import { type AnswerBody, QUESTION_KINDS } from '../question';
import { adjusted } from './events/adjusted';
import { adjustmentSettled } from './events/adjustment-settled';
import { breakRecorded } from './events/break-recorded';
import { byTelephone } from './events/by-telephone';
import { cause } from './events/cause';
import { closed } from './events/closed';
import { countersigned } from './events/countersigned';
import { danger } from './events/danger';
import { dangerOver } from './events/danger-over';
import { declined } from './events/declined';
import type { EventKind } from './events/event-kind';
import { fact } from './events/fact';
import { need } from './events/need';
import { note } from './events/note';
import { opened } from './events/opened';
import { partArrived, partNeeded } from './events/part-needed';
import { photo } from './events/photo';
import { pinAnswered, pinned } from './events/pinned';
import { proofLine } from './events/proof-line';
import { recommendationSettled, recommended } from './events/recommended';
import { redacted } from './events/redacted';
import { reopened } from './events/reopened';
import { repaired } from './events/repaired';
import { reset } from './events/reset';
import { retracted } from './events/retracted';
import { setup } from './events/setup';
import { shown } from './events/shown';
import { stopEnded } from './events/stop-ended';
import { stopOrder } from './events/stop-order';
import { temporary } from './events/temporary';
import { timer } from './events/timer';
import { undone } from './events/undone';
import { upkeepDone } from './events/upkeep-done';
import { wireBack, wireListed } from './events/wire-listed';

/** Every kind of entry that is no answer, by its type; a new one is a file of its own and a line here. */
const OTHERS = {
  opened,
  setup,
  declined,
  repaired,
  adjusted,
  'adjustment-settled': adjustmentSettled,
  danger,
  'danger-over': dangerOver,
  fact,
  reset,
  cause,
  need,
  temporary,
  undone,
  'stop-order': stopOrder,
  'stop-ended': stopEnded,
  'proof-line': proofLine,
  countersigned,
  shown,
  pinned,
  'pin-answered': pinAnswered,
  timer,
  'by-telephone': byTelephone,
  note,
  photo,
  recommended,
  'recommendation-settled': recommendationSettled,
  'part-needed': partNeeded,
  'part-arrived': partArrived,
  'upkeep-done': upkeepDone,
  'wire-listed': wireListed,
  'wire-back': wireBack,
  retracted,
  redacted,
  'break-recorded': breakRecorded,
  closed,
  reopened,
} as const;

type Others = typeof OTHERS;

/** What happened. Names are the profile's (nets, parts, phases), so that a log can be read without the model. */
export type EventBody = AnswerBody | { [T in keyof Others]: Static<Others[T]['body']> }[keyof Others];

type AnyEventKind = EventKind<Others[keyof Others]['body']>;

/** The kind of an entry that is no answer. */
export const eventKindOf = (type: string): AnyEventKind | undefined =>
  // Each kind is only ever given bodies of its own type.
  Object.hasOwn(OTHERS, type) ? (OTHERS[type as keyof Others] as unknown as AnyEventKind) : undefined;

/** The schema of every body, by type. */
export const BODIES: Readonly<Record<string, TObject>> = {
  ...Object.fromEntries(QUESTION_KINDS.map((kind) => [kind.kind, kind.body])),
  ...Object.fromEntries(Object.entries(OTHERS).map(([type, kind]) => [type, kind.body])),
};
