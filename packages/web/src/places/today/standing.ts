import type { CallSummary } from '@zetalysis/contract';

/** It was left off with a tag, and nobody has proved it since. */
export const isTagged = ({ overview }: CallSummary): boolean =>
  overview.state === 'closed' && overview.ending === 'left-off' && overview.bypasses.length === 0;

/** A stop stands, whether the call is open or was closed with it. */
export const isStopped = (call: CallSummary): boolean => call.overview.stops.length > 0 && !isTagged(call);
