import type { Model } from '../profile';
import type { CallState } from './reduce';

/** Something that still stands in the way of closing a call. Parts, plugs and actions by their titles. */
export type Obstacle =
  | { readonly message: 'danger' | 'no-record' }
  | {
      readonly message: 'bypassed' | 'unplugged' | 'not-put-back';
      readonly data: { readonly titles: readonly string[] };
    }
  | { readonly message: 'adjusted'; readonly data: { readonly what: string; readonly original: string } };

/** What still stands in the way of closing a call; empty when it may be closed. */
export function closingObstacles(model: Model, state: CallState): Obstacle[] {
  const obstacles: Obstacle[] = [];
  const { bypassed, unplugged, actions } = state.setup;
  const titles = (list: readonly { readonly id: string; readonly title: string }[], ids: readonly string[]): string[] =>
    ids.map((id) => list.find((x) => x.id === id)?.title ?? id);
  if (state.danger) obstacles.push({ message: 'danger' });
  if (bypassed.length > 0) obstacles.push({ message: 'bypassed', data: { titles: titles(model.parts, bypassed) } });
  if (unplugged.length > 0) obstacles.push({ message: 'unplugged', data: { titles: titles(model.plugs, unplugged) } });
  for (const title of titles(model.actions, actions))
    obstacles.push({ message: 'not-put-back', data: { titles: [title] } });
  for (const { what, original } of state.adjustments.values())
    obstacles.push({ message: 'adjusted', data: { what, original } });
  if (!state.record) obstacles.push({ message: 'no-record' });
  return obstacles;
}
