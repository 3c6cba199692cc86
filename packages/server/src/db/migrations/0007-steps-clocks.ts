import type { QueryInterface } from 'sequelize';
import { inOrder } from '../steps';

/** Overviews tell how far the run came, what clocks were set and what is waited for; descriptions tell the steps. */
export async function up(q: QueryInterface): Promise<void> {
  await inOrder(q)('DELETE FROM overviews', 'UPDATE profiles SET description = NULL');
}

export const down = (q: QueryInterface): Promise<void> => inOrder(q)('DELETE FROM overviews');
