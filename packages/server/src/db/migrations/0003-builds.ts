import { DataTypes, type QueryInterface } from 'sequelize';

const TABLES = ['machines', 'calls'] as const;

/** In plain words: the connector's answer to the library's own way of asking cannot be read. */
const dropColumn = (q: QueryInterface, table: string, column: string): Promise<unknown> =>
  q.sequelize.query(`ALTER TABLE ${table} DROP COLUMN ${column}`);

/** How a machine is built takes the place of the one variant it could have; calls keep what they were opened with. */
export async function up(q: QueryInterface): Promise<void> {
  for (const table of TABLES) {
    await q.addColumn(table, 'build', { type: DataTypes.JSON });
    await q.sequelize.query(
      `UPDATE ${table} SET build = IF(variant IS NULL, '{"options":[],"order":{}}', JSON_OBJECT('options', JSON_ARRAY(variant), 'order', JSON_OBJECT()))`,
    );
    await dropColumn(q, table, 'variant');
  }
}

export async function down(q: QueryInterface): Promise<void> {
  for (const table of TABLES) {
    await q.addColumn(table, 'variant', { type: DataTypes.STRING(80) });
    await q.sequelize.query(`UPDATE ${table} SET variant = JSON_VALUE(build, '$.options[0]')`);
    await dropColumn(q, table, 'build');
  }
}
