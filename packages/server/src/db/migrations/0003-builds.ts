import type { QueryInterface } from 'sequelize';
import { inOrder } from '../steps';

const TABLES = ['machines', 'calls'] as const;

/** How a machine is built takes the place of the one variant it could have; calls keep what they were opened with. */
export async function up(q: QueryInterface): Promise<void> {
  for (const table of TABLES) {
    await inOrder(q)(`ALTER TABLE ${table} ADD COLUMN IF NOT EXISTS build JSON`);
    if ('variant' in (await q.describeTable(table)))
      await inOrder(q)(
        `UPDATE ${table} SET build = IF(variant IS NULL, '{"options":[],"order":{}}', JSON_OBJECT('options', JSON_ARRAY(variant), 'order', JSON_OBJECT()))`,
        `ALTER TABLE ${table} DROP COLUMN variant`,
      );
  }
}

export async function down(q: QueryInterface): Promise<void> {
  for (const table of TABLES) {
    await inOrder(q)(`ALTER TABLE ${table} ADD COLUMN IF NOT EXISTS variant VARCHAR(80)`);
    if ('build' in (await q.describeTable(table)))
      await inOrder(q)(
        `UPDATE ${table} SET variant = JSON_VALUE(build, '$.options[0]')`,
        `ALTER TABLE ${table} DROP COLUMN build`,
      );
  }
}
