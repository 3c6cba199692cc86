import type { CallState } from './reduce';

/** What still stands in the way of closing a call; empty when it may be closed. */
export function closingObstacles(state: CallState): string[] {
  const obstacles: string[] = [];
  if (state.danger) obstacles.push('The danger is not declared over.');
  if (state.setup.bypassed.length > 0)
    obstacles.push(`A bypass is still in place: ${state.setup.bypassed.join(', ')}. Take it off and write that down.`);
  if (state.setup.unplugged.length > 0) obstacles.push(`Still unplugged: ${state.setup.unplugged.join(', ')}.`);
  if (!state.record) obstacles.push('No break is recorded.');
  return obstacles;
}
