import type { QueryInterface } from 'sequelize';
import { inOrder } from '../steps';

const ID = 'CHAR(36) CHARACTER SET ascii COLLATE ascii_bin';

/** Accounts that are shut, passwords that somebody else gave, and what was done to accounts and settings, by whom. */
export const up = (q: QueryInterface): Promise<void> =>
  inOrder(q)(
    `ALTER TABLE people ADD COLUMN IF NOT EXISTS disabled BOOLEAN NOT NULL DEFAULT FALSE,
       ADD COLUMN IF NOT EXISTS mustChange BOOLEAN NOT NULL DEFAULT FALSE`,
    `CREATE TABLE IF NOT EXISTS audit_log (
       id ${ID} NOT NULL PRIMARY KEY, personId ${ID} NULL, what VARCHAR(20) NOT NULL, of VARCHAR(120) NOT NULL,
       words VARCHAR(300) NOT NULL, createdAt DATETIME(3) NOT NULL, INDEX (what, id),
       FOREIGN KEY (personId) REFERENCES people (id))`,
  );

export const down = (q: QueryInterface): Promise<void> =>
  inOrder(q)(
    'DROP TABLE IF EXISTS audit_log',
    'ALTER TABLE people DROP COLUMN IF EXISTS disabled, DROP COLUMN IF EXISTS mustChange',
  );
