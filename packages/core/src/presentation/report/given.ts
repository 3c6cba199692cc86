import type { CallState } from '../../visit';

/** What was answered when the call was closed last, by what was asked. */
export function givenAtClosing({ log }: CallState): Readonly<Record<string, string>> {
  const closing = log.findLast(({ event, retracted }) => !retracted && event.body.type === 'closed')?.event.body;
  return (closing?.type === 'closed' && closing.given) || {};
}
