import type { CallEvent } from './event';
import type { EventBody } from './event-kinds';

/** What stands where words were taken out. */
export const TAKEN_OUT = '(taken out)';

/** The fields of an entry that hold somebody's own words. */
const FREE_TEXT: { readonly [T in EventBody['type']]?: readonly string[] } = {
  opened: ['complaint'],
  note: ['text'],
  adjusted: ['what', 'original', 'now'],
  repaired: ['action', 'number'],
  'break-recorded': ['failure', 'cause', 'action'],
  'danger-over': ['words'],
  photo: ['words'],
  closed: ['words'],
  reopened: ['words'],
  reset: ['title'],
  cause: ['words'],
  'stop-ended': [],
  need: ['words'],
  temporary: ['title'],
  'stop-order': ['words'],
  countersigned: ['words'],
  pinned: ['words'],
  'pin-answered': ['words'],
  'proof-line': ['words'],
  recommended: ['words'],
  'upkeep-done': ['words'],
  'recommendation-settled': ['words'],
  'part-needed': ['what', 'from'],
  'wire-listed': ['part', 'wire', 'terminal'],
};

/** Whether an entry has words of somebody's own that can be taken out. */
export const hasFreeText = (type: EventBody['type']): boolean => FREE_TEXT[type] !== undefined;

/** The same entry with its free text taken out; everything that the appliance's state hangs on stays. */
export function withoutFreeText(event: CallEvent): CallEvent {
  const { body } = event;
  const fields = FREE_TEXT[body.type] ?? [];
  return {
    ...event,
    body: {
      ...body,
      ...Object.fromEntries(fields.filter((field) => field in body).map((field) => [field, TAKEN_OUT])),
      ...(body.type === 'closed' && body.given && { given: emptied(body.given) }),
      ...(body.type === 'stop-ended' && { evidence: emptied(body.evidence) }),
    } as EventBody,
  };
}

/** Answers with their words taken out; ticks and numbers stay. */
function emptied<V extends string | number>(answers: Readonly<Record<string, V>>): Record<string, V | string> {
  return Object.fromEntries(
    Object.entries(answers).map(([id, value]) => [
      id,
      typeof value === 'string' && value !== 'yes' ? TAKEN_OUT : value,
    ]),
  );
}
