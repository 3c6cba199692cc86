import type { Model } from '../profile';
import type { Move } from './move';

/** By these names profiles ask for other appliances on the same gas. */
const ASKED = ['other-gas', 'gas-on', 'others-low'];

/** How they burn, by the answer of that look. */
const BURN: Readonly<Record<string, 'well' | 'low' | 'out'>> = {
  yes: 'well',
  normal: 'well',
  low: 'low',
  no: 'out',
  none: 'out',
};

/** How other appliances on the same gas burn, as somebody last went to see. */
export type OthersNow = 'well' | 'low' | 'out' | 'unseen';

/** What somebody knows of other appliances on the same gas; nothing where the machine has its gas alone. */
export function othersNow({ looks }: Pick<Model, 'looks'>, moves: readonly Move[]): OthersNow | undefined {
  const asked = looks.find(({ id }) => ASKED.includes(id));
  if (!asked) return undefined;
  const seen = moves.findLast(({ body }) => body.type === 'look' && body.look === asked.id)?.body;
  return seen?.type === 'look' ? (BURN[seen.answer] ?? 'unseen') : 'unseen';
}
