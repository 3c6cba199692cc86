import type { CallEvent } from './event';
import type { EventBody } from './event-kinds';

/** What stands where words were taken out. */
export const TAKEN_OUT = '(taken out)';

/** The fields of an entry that hold somebody's own words. */
const FREE_TEXT: { readonly [T in EventBody['type']]?: readonly string[] } = {
  opened: ['complaint'],
  note: ['text'],
  adjusted: ['what', 'original', 'now'],
  repaired: ['action'],
  'break-recorded': ['failure', 'cause', 'action'],
  'danger-over': ['words'],
  photo: ['words'],
  closed: ['words'],
  reopened: ['words'],
};

/** Whether an entry has words of somebody's own that can be taken out. */
export const hasFreeText = (type: EventBody['type']): boolean => FREE_TEXT[type] !== undefined;

/** The same entry with its free text taken out; everything that the appliance's state hangs on stays. */
export function withoutFreeText(event: CallEvent): CallEvent {
  const fields = FREE_TEXT[event.body.type] ?? [];
  return { ...event, body: { ...event.body, ...Object.fromEntries(fields.map((field) => [field, TAKEN_OUT])) } };
}
