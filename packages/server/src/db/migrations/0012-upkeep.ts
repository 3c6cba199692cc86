import type { QueryInterface } from 'sequelize';
import { inOrder } from '../steps';

const ID = 'CHAR(36) CHARACTER SET ascii COLLATE ascii_bin';

/** What was done of a machine's upkeep, how often a machine asks for it, and addresses that are read without an account. */
export const up = (q: QueryInterface): Promise<void> =>
  inOrder(q)(
    `CREATE TABLE IF NOT EXISTS duty_records (
       id ${ID} NOT NULL PRIMARY KEY, machineId ${ID} NOT NULL, duty VARCHAR(40) NOT NULL, day DATE NOT NULL,
       result VARCHAR(4) NOT NULL, words VARCHAR(500) NOT NULL, \`by\` VARCHAR(120) NOT NULL, callId ${ID} NULL,
       createdAt DATETIME(3) NOT NULL, INDEX (machineId, duty, day), INDEX (callId),
       FOREIGN KEY (machineId) REFERENCES machines (id))`,
    `CREATE TABLE IF NOT EXISTS duty_plans (
       id ${ID} NOT NULL PRIMARY KEY, machineId ${ID} NOT NULL, duty VARCHAR(40) NOT NULL, every SMALLINT UNSIGNED NULL,
       personId ${ID} NOT NULL, createdAt DATETIME(3) NOT NULL, INDEX (machineId, duty, id),
       FOREIGN KEY (machineId) REFERENCES machines (id), FOREIGN KEY (personId) REFERENCES people (id))`,
    `CREATE TABLE IF NOT EXISTS open_addresses (
       id ${ID} NOT NULL PRIMARY KEY, kind VARCHAR(10) NOT NULL, hash CHAR(64) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
       label VARCHAR(120) NOT NULL, machineId ${ID} NULL, personId ${ID} NOT NULL, createdAt DATETIME(3) NOT NULL,
       revokedAt DATETIME(3) NULL, UNIQUE (hash),
       FOREIGN KEY (machineId) REFERENCES machines (id), FOREIGN KEY (personId) REFERENCES people (id))`,
  );

export const down = (q: QueryInterface): Promise<void> =>
  inOrder(q)(
    'DROP TABLE IF EXISTS open_addresses',
    'DROP TABLE IF EXISTS duty_plans',
    'DROP TABLE IF EXISTS duty_records',
  );
