import type { QueryInterface } from 'sequelize';
import { inOrder } from '../steps';

const ID = 'CHAR(36) CHARACTER SET ascii COLLATE ascii_bin';

/** What stands on the shop's paper and what an hour costs; every change is a row, the newest counts. */
export const up = (q: QueryInterface): Promise<void> =>
  inOrder(q)(
    `CREATE TABLE IF NOT EXISTS shop_settings (
       id ${ID} NOT NULL PRIMARY KEY, name VARCHAR(120) NOT NULL, address VARCHAR(200) NOT NULL,
       currency VARCHAR(8) NOT NULL, hour DECIMAL(9,2) NULL, paper VARCHAR(8) NOT NULL,
       personId ${ID} NOT NULL, createdAt DATETIME(3) NOT NULL,
       FOREIGN KEY (personId) REFERENCES people (id))`,
  );

export const down = (q: QueryInterface): Promise<void> => inOrder(q)('DROP TABLE IF EXISTS shop_settings');
