import type { QueryInterface } from 'sequelize';
import { inOrder } from '../steps';

const ID = 'CHAR(36) CHARACTER SET ascii COLLATE ascii_bin';
const NAME = 'VARCHAR(80)';

/** What calls add up to: what each was worth to the book, what it counts for, and the rates that were learned from them. */
export const up = (q: QueryInterface): Promise<void> =>
  inOrder(q)(
    `CREATE TABLE IF NOT EXISTS case_facts (
       callId ${ID} NOT NULL PRIMARY KEY, upTo INT NOT NULL, profile ${NAME} NOT NULL, machineId ${ID} NULL,
       make VARCHAR(60) NOT NULL, age VARCHAR(10) NULL,
       personId ${ID} NOT NULL, openedAt DATETIME(3) NOT NULL, part ${NAME} NULL, title VARCHAR(120) NOT NULL DEFAULT '',
       cause ${NAME} NOT NULL DEFAULT '', causeTitle VARCHAR(120) NOT NULL DEFAULT '', standing VARCHAR(10) NOT NULL DEFAULT '',
       repairs JSON NULL, watched JSON NULL,
       complaintRight TINYINT(1) NULL, watchedRight TINYINT(1) NULL, halfRight TINYINT(1) NULL, endRight TINYINT(1) NULL,
       watchedSaid FLOAT NULL, tests SMALLINT NOT NULL DEFAULT 0, minutes FLOAT NOT NULL DEFAULT 0,
       plannedTests SMALLINT NULL, plannedMinutes FLOAT NULL, cannot SMALLINT NOT NULL DEFAULT 0,
       willNot SMALLINT NOT NULL DEFAULT 0, fitted SMALLINT NOT NULL DEFAULT 0, unproved SMALLINT NOT NULL DEFAULT 0,
       inVain SMALLINT NOT NULL DEFAULT 0,
       INDEX case_facts_opened (openedAt), INDEX case_facts_profile (profile, openedAt), INDEX case_facts_part (part, openedAt),
       INDEX case_facts_person (personId, openedAt), INDEX case_facts_machine (machineId, openedAt),
       FOREIGN KEY (callId) REFERENCES calls (id))`,
    `CREATE TABLE IF NOT EXISTS case_ways (
       callId ${ID} NOT NULL, way VARCHAR(160) NOT NULL, share FLOAT NOT NULL, profile ${NAME} NOT NULL, make VARCHAR(60) NOT NULL,
       age VARCHAR(10) NULL, PRIMARY KEY (callId, way), INDEX case_ways_profile (profile, way),
       FOREIGN KEY (callId) REFERENCES calls (id))`,
    `CREATE TABLE IF NOT EXISTS rate_versions (
       version INT NOT NULL AUTO_INCREMENT PRIMARY KEY, byId ${ID} NOT NULL, createdAt DATETIME(3) NOT NULL,
       words VARCHAR(300) NOT NULL, cases FLOAT NOT NULL, book MEDIUMTEXT NOT NULL, FOREIGN KEY (byId) REFERENCES people (id))`,
    `CREATE TABLE IF NOT EXISTS rate_published (
       id ${ID} NOT NULL PRIMARY KEY, version INT NULL, byId ${ID} NOT NULL, createdAt DATETIME(3) NOT NULL,
       words VARCHAR(300) NOT NULL, INDEX (createdAt), FOREIGN KEY (version) REFERENCES rate_versions (version),
       FOREIGN KEY (byId) REFERENCES people (id))`,
  );

export const down = (q: QueryInterface): Promise<void> =>
  inOrder(q)(
    'DROP TABLE IF EXISTS rate_published',
    'DROP TABLE IF EXISTS rate_versions',
    'DROP TABLE IF EXISTS case_ways',
    'DROP TABLE IF EXISTS case_facts',
  );
