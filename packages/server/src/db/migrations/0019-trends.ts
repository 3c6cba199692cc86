import type { QueryInterface } from 'sequelize';
import { inOrder } from '../steps';

const ID = 'CHAR(36) CHARACTER SET ascii COLLATE ascii_bin';

/** Where the readings of machines go, made from the logs of their calls, and up to where that was looked at. */
export const up = (q: QueryInterface): Promise<void> =>
  inOrder(q)(
    `CREATE TABLE IF NOT EXISTS machine_lines (
       machineId ${ID} NOT NULL, line VARCHAR(160) NOT NULL, title VARCHAR(160) NOT NULL, dimension VARCHAR(40) NOT NULL,
       points SMALLINT NOT NULL, lastAt DATETIME(3) NOT NULL, lastValue DOUBLE NOT NULL, perYear DOUBLE NOT NULL,
       perYearWithin DOUBLE NOT NULL, limitValue DOUBLE NULL, words VARCHAR(10) NULL, earliest DATETIME(3) NULL,
       latest DATETIME(3) NULL, PRIMARY KEY (machineId, line), INDEX machine_lines_ahead (earliest),
       FOREIGN KEY (machineId) REFERENCES machines (id))`,
    `CREATE TABLE IF NOT EXISTS machine_lines_read (
       machineId ${ID} NOT NULL PRIMARY KEY, stamp BIGINT NOT NULL, FOREIGN KEY (machineId) REFERENCES machines (id))`,
    'ALTER TABLE case_facts ADD INDEX IF NOT EXISTS case_facts_stamp (machineId, upTo)',
  );

export const down = (q: QueryInterface): Promise<void> =>
  inOrder(q)(
    'ALTER TABLE case_facts DROP INDEX IF EXISTS case_facts_stamp',
    'DROP TABLE IF EXISTS machine_lines_read',
    'DROP TABLE IF EXISTS machine_lines',
  );
