import { DataTypes, type QueryInterface } from 'sequelize';

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
  await q.addColumn('machines', 'wires', { type: DataTypes.JSON });
}

export async function down(q: QueryInterface): Promise<void> {
  await q.removeColumn('machines', 'wires');
  await q.dropTable('profiles');
}
