import type { Model } from '../profile';
import type { CallState } from './reduce';

/** What still stands in the way of closing a call; empty when it may be closed. */
export function closingObstacles(model: Model, state: CallState): string[] {
  const obstacles: string[] = [];
  if (state.danger) obstacles.push('The danger is not declared over.');
  if (state.setup.bypassed.length > 0)
    obstacles.push(`A bypass is still in place: ${state.setup.bypassed.join(', ')}. Take it off and write that down.`);
  if (state.setup.unplugged.length > 0) obstacles.push(`Still unplugged: ${state.setup.unplugged.join(', ')}.`);
  const actions = model.actions.filter((a) => state.setup.actions.includes(a.id));
  for (const action of actions) obstacles.push(`Not put back yet: ${action.title}.`);
  for (const { what, original } of state.adjustments.values())
    obstacles.push(`Adjusted while hunting: ${what}, was ${original}. Put it back, or say that it stays.`);
  if (!state.record) obstacles.push('No break is recorded.');
  return obstacles;
}
