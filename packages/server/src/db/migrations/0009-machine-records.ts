import type { QueryInterface } from 'sequelize';
import { inOrder } from '../steps';

const ID = 'CHAR(36) CHARACTER SET ascii COLLATE ascii_bin';

/**
 * What is written down of a machine beside its name, whether it is still there or was entered twice, every change of it, and how one
 * gets to it.
 */
export async function up(q: QueryInterface): Promise<void> {
  await inOrder(q)(
    // The words of machines are indexed anew, as before: short and common ones too.
    `SET STATEMENT innodb_ft_enable_stopword = OFF FOR ALTER TABLE machines ADD COLUMN IF NOT EXISTS sheet JSON NULL, ADD COLUMN IF NOT EXISTS retired VARCHAR(200) NULL,
       ADD COLUMN IF NOT EXISTS mergedInto ${ID} NULL, ADD COLUMN IF NOT EXISTS gone BOOLEAN NOT NULL DEFAULT FALSE,
       ADD INDEX IF NOT EXISTS machines_gone_label (gone, label, id), ADD INDEX IF NOT EXISTS machines_gone_site (gone, site, id),
       ADD INDEX IF NOT EXISTS machines_gone_make (gone, make, id), ADD INDEX IF NOT EXISTS machines_merged (mergedInto),
       DROP INDEX IF EXISTS machines_label, DROP INDEX IF EXISTS machines_site, DROP INDEX IF EXISTS machines_make`,
    "ALTER TABLE contacts ADD COLUMN IF NOT EXISTS access VARCHAR(300) NOT NULL DEFAULT ''",
    `CREATE TABLE IF NOT EXISTS machine_changes (
       id ${ID} NOT NULL PRIMARY KEY, machineId ${ID} NOT NULL, personId ${ID} NOT NULL, what VARCHAR(12) NOT NULL,
       was JSON NOT NULL, becomes JSON NOT NULL, createdAt DATETIME(3) NOT NULL, INDEX (machineId, id),
       FOREIGN KEY (machineId) REFERENCES machines (id), FOREIGN KEY (personId) REFERENCES people (id))`,
  );
}

export const down = (q: QueryInterface): Promise<void> =>
  inOrder(q)(
    'DROP TABLE IF EXISTS machine_changes',
    'ALTER TABLE contacts DROP COLUMN IF EXISTS access',
    `SET STATEMENT innodb_ft_enable_stopword = OFF FOR ALTER TABLE machines ADD INDEX IF NOT EXISTS machines_label (label, id), ADD INDEX IF NOT EXISTS machines_site (site, id),
       ADD INDEX IF NOT EXISTS machines_make (make, id), DROP INDEX IF EXISTS machines_gone_label,
       DROP INDEX IF EXISTS machines_gone_site, DROP INDEX IF EXISTS machines_gone_make, DROP INDEX IF EXISTS machines_merged,
       DROP COLUMN IF EXISTS sheet, DROP COLUMN IF EXISTS retired, DROP COLUMN IF EXISTS mergedInto, DROP COLUMN IF EXISTS gone`,
  );
