import type { QueryInterface } from 'sequelize';
import { inOrder } from '../steps';

const ID = 'CHAR(36) CHARACTER SET ascii COLLATE ascii_bin';

/** The register of instruments, every time that one was shown a live source, and limits that are kept with the shop and its machines. */
export async function up(q: QueryInterface): Promise<void> {
  await inOrder(q)(
    `CREATE TABLE IF NOT EXISTS instruments (
       id ${ID} NOT NULL PRIMARY KEY, kind VARCHAR(20) NOT NULL, title VARCHAR(80) NOT NULL, serial VARCHAR(80) NOT NULL UNIQUE,
       classes JSON NOT NULL, calibrated DATE NULL, due DATE NULL, leadZero DOUBLE NULL, retired BOOLEAN NOT NULL,
       createdAt DATETIME(3) NOT NULL)`,
    `CREATE TABLE IF NOT EXISTS instrument_proofs (
       id ${ID} NOT NULL PRIMARY KEY, instrumentId ${ID} NOT NULL, personId ${ID} NOT NULL, moment VARCHAR(6) NOT NULL,
       createdAt DATETIME(3) NOT NULL, INDEX (instrumentId, moment),
       FOREIGN KEY (instrumentId) REFERENCES instruments (id), FOREIGN KEY (personId) REFERENCES people (id))`,
    `CREATE TABLE IF NOT EXISTS bench_limits (
       id ${ID} NOT NULL PRIMARY KEY, machineId ${ID} NULL, test VARCHAR(40) NOT NULL, measure VARCHAR(40) NOT NULL,
       field VARCHAR(8) NOT NULL, typed VARCHAR(60) NOT NULL, source VARCHAR(80) NOT NULL, personId ${ID} NOT NULL,
       createdAt DATETIME(3) NOT NULL, INDEX (machineId, test, measure, field),
       FOREIGN KEY (machineId) REFERENCES machines (id), FOREIGN KEY (personId) REFERENCES people (id))`,
  );
}

export const down = (q: QueryInterface): Promise<void> =>
  inOrder(q)(
    'DROP TABLE IF EXISTS bench_limits',
    'DROP TABLE IF EXISTS instrument_proofs',
    'DROP TABLE IF EXISTS instruments',
  );
