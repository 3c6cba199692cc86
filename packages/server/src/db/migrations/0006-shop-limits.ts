import type { QueryInterface } from 'sequelize';
import { inOrder } from '../steps';

const ID = 'CHAR(36) CHARACTER SET ascii COLLATE ascii_bin';

/**
 * Limits that the shop made stricter, each with who did it and when; every change is a row, the newest counts. Overviews say
 * more than before: they are made again.
 */
export async function up(q: QueryInterface): Promise<void> {
  await inOrder(q)(
    `CREATE TABLE IF NOT EXISTS shop_limits (
       id ${ID} NOT NULL PRIMARY KEY, coFind SMALLINT UNSIGNED NOT NULL, coOff SMALLINT UNSIGNED NOT NULL,
       coOut SMALLINT UNSIGNED NOT NULL, personId ${ID} NOT NULL, createdAt DATETIME(3) NOT NULL,
       FOREIGN KEY (personId) REFERENCES people (id))`,
    'DELETE FROM overviews',
  );
}

export const down = (q: QueryInterface): Promise<void> => inOrder(q)('DROP TABLE IF EXISTS shop_limits');
