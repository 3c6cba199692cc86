import type { QueryInterface } from 'sequelize';
import { inOrder, replaceTrigger } from '../steps';

const ID = 'CHAR(36) CHARACTER SET ascii COLLATE ascii_bin';

/** Once for both directions: which columns of an entry nobody changes. */
const guard = (more: string): string =>
  `BEFORE UPDATE ON events FOR EACH ROW
       IF SUBSTRING_INDEX(USER(), '@', 1) <> SUBSTRING_INDEX(CURRENT_USER(), '@', 1) OR NEW.hash IS NULL OR OLD.hash IS NOT NULL
          OR NOT (NEW.id <=> OLD.id AND NEW.callId <=> OLD.callId AND NEW.number <=> OLD.number AND NEW.seq <=> OLD.seq
                  AND NEW.at <=> OLD.at AND NEW.person <=> OLD.person AND NEW.device <=> OLD.device AND NEW.type <=> OLD.type${more})
       THEN SIGNAL SQLSTATE '45000' SET MESSAGE_TEXT = 'events are never changed or deleted'; END IF`;

/**
 * People have grants, entries keep what their person might do when they came, and a call knows who looks at it. Leads have all
 * grants at first; technicians get theirs by name. Overviews say more than before: they are made again.
 */
export async function up(q: QueryInterface): Promise<void> {
  const run = inOrder(q);
  await run(
    "ALTER TABLE people ADD COLUMN IF NOT EXISTS grants VARCHAR(120) NOT NULL DEFAULT ''",
    "UPDATE people SET grants = 'line,gas,bypass,combustion,steam,refrigerant' WHERE role = 'lead' AND grants = ''",
    'ALTER TABLE events ADD COLUMN IF NOT EXISTS authority VARCHAR(140) NULL',
  );
  await replaceTrigger(q, 'events_no_update', guard(' AND NEW.authority <=> OLD.authority'));
  await run(
    'DELETE FROM overviews',
    `CREATE TABLE IF NOT EXISTS lookers (
       callId ${ID} NOT NULL, personId ${ID} NOT NULL, at DATETIME(3) NOT NULL, PRIMARY KEY (callId, personId),
       FOREIGN KEY (callId) REFERENCES calls (id), FOREIGN KEY (personId) REFERENCES people (id))`,
  );
}

export async function down(q: QueryInterface): Promise<void> {
  const run = inOrder(q);
  await run('DROP TABLE IF EXISTS lookers', 'DELETE FROM overviews');
  await replaceTrigger(q, 'events_no_update', guard(''));
  await run('ALTER TABLE events DROP COLUMN IF EXISTS authority', 'ALTER TABLE people DROP COLUMN IF EXISTS grants');
}
