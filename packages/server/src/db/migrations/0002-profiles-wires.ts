import { DataTypes, type QueryInterface } from 'sequelize';
import { inOrder } from '../steps';

export async function up(q: QueryInterface): Promise<void> {
  // Every version that was ever served stays: calls are pinned to one.
  await q.createTable('profiles', {
    id: { type: DataTypes.STRING(80), primaryKey: true },
    version: { type: DataTypes.STRING(20), primaryKey: true },
    source: { type: DataTypes.TEXT('medium'), allowNull: false },
    /** Who brought it in; nothing for those that ship with the program. */
    importedBy: { type: DataTypes.STRING(60) },
    createdAt: { type: DataTypes.DATE(3), allowNull: false },
  });
  await inOrder(q)('ALTER TABLE machines ADD COLUMN IF NOT EXISTS wires JSON');
}

export async function down(q: QueryInterface): Promise<void> {
  await inOrder(q)('ALTER TABLE machines DROP COLUMN IF EXISTS wires', 'DROP TABLE IF EXISTS profiles');
}
