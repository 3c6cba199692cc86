import type { QueryInterface } from 'sequelize';
import { inOrder } from '../steps';

const ID = 'CHAR(36) CHARACTER SET ascii COLLATE ascii_bin';

/** What the figures of Patterns are counted of: they are read from these alone, however long the rows are. */
const COUNTED = `ADD INDEX IF NOT EXISTS case_facts_stamp (machineId, upTo), ADD INDEX IF NOT EXISTS case_facts_read (callId, upTo),
  ADD INDEX IF NOT EXISTS case_facts_make (make), ADD INDEX IF NOT EXISTS case_facts_told (profile, told, part),
  ADD INDEX IF NOT EXISTS case_facts_worst (watchedRight, watchedSaid),
  ADD INDEX IF NOT EXISTS case_facts_series (profile, make, title, part, gap),
  ADD INDEX IF NOT EXISTS case_facts_breaks (title, causeTitle, part, cause, standing, openedAt, profile, make, age, machineId, personId, gap),
  ADD INDEX IF NOT EXISTS case_facts_advice (profile, personId, openedAt, part, standing, watchedRight, complaintRight, halfRight, endRight,
    watchedSaid, tests, minutes, plannedTests, plannedMinutes, fitted, unproved, inVain, cannot, willNot, machineId, cameBack, make, age)`;

/**
 * Where the readings of machines go, made from the logs of their calls, and up to where that was looked at. Of a call, what its machine's
 * others say of it: days since it broke like this before, and whether somebody came back.
 */
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
    `ALTER TABLE case_facts ADD COLUMN IF NOT EXISTS told TINYINT(1) NOT NULL DEFAULT 0, ADD COLUMN IF NOT EXISTS gap INT NULL,
       ADD COLUMN IF NOT EXISTS cameBack TINYINT(1) NOT NULL DEFAULT 0`,
    'UPDATE case_facts f SET told = EXISTS (SELECT 1 FROM case_ways w WHERE w.callId = f.callId)',
    `ALTER TABLE case_facts ${COUNTED}`,
    'ALTER TABLE case_ways ADD INDEX IF NOT EXISTS case_ways_counted (profile, make, age, way, share)',
  );

export const down = (q: QueryInterface): Promise<void> =>
  inOrder(q)(
    'ALTER TABLE case_ways DROP INDEX IF EXISTS case_ways_counted',
    `ALTER TABLE case_facts ${['stamp', 'read', 'make', 'told', 'worst', 'series', 'breaks', 'advice'].map((i) => `DROP INDEX IF EXISTS case_facts_${i}`).join(', ')}`,
    'ALTER TABLE case_facts DROP COLUMN IF EXISTS told, DROP COLUMN IF EXISTS gap, DROP COLUMN IF EXISTS cameBack',
    'DROP TABLE IF EXISTS machine_lines_read',
    'DROP TABLE IF EXISTS machine_lines',
  );
