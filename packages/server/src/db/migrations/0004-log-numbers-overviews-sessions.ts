import type { QueryInterface } from 'sequelize';
import { inOrder, replaceTrigger } from '../steps';

const ID = 'CHAR(36) CHARACTER SET ascii COLLATE ascii_bin';
const OLD_ID = 'CHAR(36)';

/** The tables that point at others: left alone while ids change their spelling. */
const LINKS = [
  { table: 'calls', name: 'calls_ibfk_1', column: 'machineId', to: 'machines' },
  { table: 'calls', name: 'calls_ibfk_2', column: 'openedBy', to: 'people' },
  { table: 'events', name: 'events_ibfk_1', column: 'callId', to: 'calls' },
] as const;

const unlink = LINKS.map(({ table, name }) => `ALTER TABLE ${table} DROP FOREIGN KEY IF EXISTS ${name}`);
const link = LINKS.map(
  ({ table, name, column, to }) =>
    `ALTER TABLE ${table} ADD CONSTRAINT ${name} FOREIGN KEY IF NOT EXISTS ${name} (${column}) REFERENCES ${to} (id)`,
);

const spellIds = (id: string): string[] => [
  `ALTER TABLE people MODIFY id ${id} NOT NULL`,
  `ALTER TABLE machines MODIFY id ${id} NOT NULL`,
  `ALTER TABLE calls MODIFY id ${id} NOT NULL, MODIFY machineId ${id} NULL, MODIFY openedBy ${id} NOT NULL`,
  `ALTER TABLE events MODIFY id ${id} NOT NULL, MODIFY callId ${id} NOT NULL`,
];

/**
 * Entries are numbered within their call, ids have one spelling, calls have an overview, lists have indexes, sessions belong
 * to a person, and what belongs to customers stands beside the log.
 */
export async function up(q: QueryInterface): Promise<void> {
  const run = inOrder(q);
  await run(
    ...unlink,
    ...spellIds(ID),
    'ALTER TABLE calls MODIFY engineVersion VARCHAR(80) NOT NULL',
    'DROP TRIGGER IF EXISTS events_no_update',
    'ALTER TABLE events ADD COLUMN IF NOT EXISTS number INT NULL, ADD COLUMN IF NOT EXISTS clockOffset BIGINT NULL, ADD COLUMN IF NOT EXISTS hash CHAR(64) CHARACTER SET ascii COLLATE ascii_bin NULL',
  );
  // Entries get their place in their call: the order in which they arrived so far.
  if ('arrival' in (await columnsOf(q, 'events')))
    await run(
      `UPDATE events JOIN (SELECT id, ROW_NUMBER() OVER (PARTITION BY callId ORDER BY arrival) AS place FROM events) AS placed
         ON placed.id = events.id SET events.number = placed.place`,
      'ALTER TABLE events MODIFY number INT NOT NULL, DROP PRIMARY KEY, DROP COLUMN arrival, ADD PRIMARY KEY (callId, number)',
    );
  await run('ALTER TABLE events DROP INDEX IF EXISTS events_call_id_arrival', ...link);
  // The log is append-only by rule of the database. Only the migrating user, who made the rule, may take words out.
  await replaceTrigger(
    q,
    'events_no_update',
    `BEFORE UPDATE ON events FOR EACH ROW
       IF SUBSTRING_INDEX(USER(), '@', 1) <> SUBSTRING_INDEX(CURRENT_USER(), '@', 1) OR NEW.hash IS NULL OR OLD.hash IS NOT NULL
          OR NOT (NEW.id <=> OLD.id AND NEW.callId <=> OLD.callId AND NEW.number <=> OLD.number AND NEW.seq <=> OLD.seq
                  AND NEW.at <=> OLD.at AND NEW.person <=> OLD.person AND NEW.device <=> OLD.device AND NEW.type <=> OLD.type)
       THEN SIGNAL SQLSTATE '45000' SET MESSAGE_TEXT = 'events are never changed or deleted'; END IF`,
  );
  await run(
    `CREATE TABLE IF NOT EXISTS overviews (
       callId ${ID} PRIMARY KEY, upTo INT NOT NULL, title VARCHAR(120) NOT NULL, openedAt DATETIME(3) NOT NULL,
       open TINYINT NOT NULL, watch TINYINT NOT NULL, dueAt DATETIME(3) NULL, body JSON NOT NULL,
       INDEX overviews_open_opened (open, openedAt, callId), INDEX overviews_open_title (open, title, callId),
       INDEX overviews_watch (watch, openedAt))`,
    'ALTER TABLE profiles ADD COLUMN IF NOT EXISTS description JSON NULL',
    'SET STATEMENT innodb_ft_enable_stopword = OFF FOR ALTER TABLE machines ADD FULLTEXT INDEX IF NOT EXISTS machines_words (label, site, make, modelName, serial)',
    'SET STATEMENT innodb_ft_enable_stopword = OFF FOR ALTER TABLE calls ADD FULLTEXT INDEX IF NOT EXISTS calls_words (complaint)',
    'ALTER TABLE machines ADD INDEX IF NOT EXISTS machines_label (label, id), ADD INDEX IF NOT EXISTS machines_site (site, id), ADD INDEX IF NOT EXISTS machines_make (make, id)',
    // Everybody signs in once more: sessions are of another kind now.
    'DROP TABLE IF EXISTS sessions',
    `CREATE TABLE IF NOT EXISTS sessions (
       sid VARCHAR(64) CHARACTER SET ascii COLLATE ascii_bin PRIMARY KEY, id ${ID} NULL, personId ${ID} NULL,
       origin VARCHAR(200) NOT NULL DEFAULT '', expires DATETIME NULL, data TEXT NULL, createdAt DATETIME NOT NULL,
       updatedAt DATETIME NOT NULL, INDEX sessions_person (personId), INDEX sessions_expires (expires))`,
    'ALTER TABLE attempts ADD INDEX IF NOT EXISTS attempts_expires (expires)',
    // What belongs to people stands beside the log, where it can be erased.
    `CREATE TABLE IF NOT EXISTS contacts (
       machineId ${ID} PRIMARY KEY, customer VARCHAR(120) NOT NULL, telephone VARCHAR(60) NOT NULL,
       FOREIGN KEY (machineId) REFERENCES machines (id))`,
    `CREATE TABLE IF NOT EXISTS photos (
       id ${ID} PRIMARY KEY, callId ${ID} NOT NULL, personId ${ID} NOT NULL, type VARCHAR(20) NOT NULL,
       hash CHAR(64) CHARACTER SET ascii COLLATE ascii_bin NOT NULL, picture MEDIUMBLOB NULL, createdAt DATETIME(3) NOT NULL,
       INDEX photos_call (callId), FOREIGN KEY (callId) REFERENCES calls (id), FOREIGN KEY (personId) REFERENCES people (id))`,
  );
}

export async function down(q: QueryInterface): Promise<void> {
  const run = inOrder(q);
  await run(
    'DROP TABLE IF EXISTS photos',
    'DROP TABLE IF EXISTS contacts',
    'ALTER TABLE attempts DROP INDEX IF EXISTS attempts_expires',
    'DROP TABLE IF EXISTS sessions',
    `CREATE TABLE sessions (sid VARCHAR(64) PRIMARY KEY, expires DATETIME NULL, data TEXT NULL,
       createdAt DATETIME NOT NULL, updatedAt DATETIME NOT NULL)`,
    'ALTER TABLE machines DROP INDEX IF EXISTS machines_label, DROP INDEX IF EXISTS machines_site, DROP INDEX IF EXISTS machines_make, DROP INDEX IF EXISTS machines_words',
    'ALTER TABLE calls DROP INDEX IF EXISTS calls_words',
    'ALTER TABLE profiles DROP COLUMN IF EXISTS description',
    'DROP TABLE IF EXISTS overviews',
    'DROP TRIGGER IF EXISTS events_no_update',
    ...unlink,
  );
  if ('number' in (await columnsOf(q, 'events')))
    await run(
      'ALTER TABLE events DROP PRIMARY KEY, ADD COLUMN arrival BIGINT NOT NULL AUTO_INCREMENT FIRST, ADD PRIMARY KEY (arrival), ADD INDEX events_call_id_arrival (callId, arrival), DROP COLUMN number, DROP COLUMN clockOffset, DROP COLUMN hash',
    );
  await run(...spellIds(OLD_ID), 'ALTER TABLE calls MODIFY engineVersion VARCHAR(20) NOT NULL', ...link);
  await replaceTrigger(
    q,
    'events_no_update',
    `BEFORE UPDATE ON events FOR EACH ROW
       SIGNAL SQLSTATE '45000' SET MESSAGE_TEXT = 'events are never changed or deleted'`,
  );
}

const columnsOf = (q: QueryInterface, table: string): Promise<Record<string, unknown>> => q.describeTable(table);
