import type { QueryInterface } from 'sequelize';
import { inOrder } from '../steps';

const ID = 'CHAR(36) CHARACTER SET ascii COLLATE ascii_bin';

/** What the tests of closed calls tell of tests like them: how long each took, and whether a look misled. Calls are read anew for it. */
export const up = (q: QueryInterface): Promise<void> =>
  inOrder(q)(
    `CREATE TABLE IF NOT EXISTS case_tests (
       callId ${ID} NOT NULL, number SMALLINT NOT NULL, profile VARCHAR(80) NOT NULL, test VARCHAR(120) NOT NULL, minutes FLOAT NULL,
       misled TINYINT(1) NULL, PRIMARY KEY (callId, number), INDEX case_tests_counted (profile, test, minutes, misled),
       FOREIGN KEY (callId) REFERENCES calls (id))`,
    'UPDATE case_facts SET upTo = 0',
  );

export const down = (q: QueryInterface): Promise<void> => inOrder(q)('DROP TABLE IF EXISTS case_tests');
