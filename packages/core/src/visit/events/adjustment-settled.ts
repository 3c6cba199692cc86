import { bodyOf, oneOf } from '../../question';
import { uuid } from '../fields';
import type { EventKind } from './event-kind';

const body = bodyOf('adjustment-settled', { event: uuid, how: oneOf(['put-back', 'kept'] as const) });

/** What became of an adjustment: put back, or kept because it was the cause. */
export const adjustmentSettled: EventKind<typeof body> = {
  body,
  apply: (draft, { event }) => void draft.adjustments.delete(event),
};
