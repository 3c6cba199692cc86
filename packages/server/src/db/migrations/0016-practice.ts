import type { QueryInterface } from 'sequelize';
import { inOrder } from '../steps';

const ID = 'CHAR(36) CHARACTER SET ascii COLLATE ascii_bin';
const CODE = 'VARCHAR(80) CHARACTER SET ascii COLLATE ascii_bin';

/** What people have practised, what was set for them, and which levels were signed off. */
export const up = (q: QueryInterface): Promise<void> =>
  inOrder(q)(
    `CREATE TABLE IF NOT EXISTS practice_results (
       id ${ID} NOT NULL PRIMARY KEY, personId ${ID} NOT NULL, code ${CODE} NOT NULL, level TINYINT NOT NULL,
       title VARCHAR(300) NOT NULL, mark TINYINT NOT NULL, proved TINYINT(1) NOT NULL, critical TINYINT(1) NOT NULL,
       minutes FLOAT NOT NULL, planned FLOAT NOT NULL, confused JSON NOT NULL, endedAt DATETIME(3) NOT NULL,
       moves MEDIUMTEXT NOT NULL, createdAt DATETIME(3) NOT NULL, UNIQUE INDEX (personId, code), INDEX (personId, level),
       FOREIGN KEY (personId) REFERENCES people (id))`,
    `CREATE TABLE IF NOT EXISTS practice_set (
       id ${ID} NOT NULL PRIMARY KEY, personId ${ID} NOT NULL, code ${CODE} NOT NULL, words VARCHAR(200) NOT NULL,
       byId ${ID} NOT NULL, createdAt DATETIME(3) NOT NULL, INDEX (personId),
       FOREIGN KEY (personId) REFERENCES people (id), FOREIGN KEY (byId) REFERENCES people (id))`,
    `CREATE TABLE IF NOT EXISTS practice_signed (
       id ${ID} NOT NULL PRIMARY KEY, personId ${ID} NOT NULL, level TINYINT NOT NULL, words VARCHAR(200) NOT NULL,
       byId ${ID} NOT NULL, createdAt DATETIME(3) NOT NULL, INDEX (personId, level),
       FOREIGN KEY (personId) REFERENCES people (id), FOREIGN KEY (byId) REFERENCES people (id))`,
  );

export const down = (q: QueryInterface): Promise<void> =>
  inOrder(q)(
    'DROP TABLE IF EXISTS practice_signed',
    'DROP TABLE IF EXISTS practice_set',
    'DROP TABLE IF EXISTS practice_results',
  );
