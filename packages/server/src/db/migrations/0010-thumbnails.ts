import type { QueryInterface } from 'sequelize';
import { inOrder } from '../steps';

/** A small picture beside each photo, for pages that show many. */
export const up = (q: QueryInterface): Promise<void> =>
  inOrder(q)('ALTER TABLE photos ADD COLUMN IF NOT EXISTS thumbnail BLOB NULL');

export const down = (q: QueryInterface): Promise<void> =>
  inOrder(q)('ALTER TABLE photos DROP COLUMN IF EXISTS thumbnail');
