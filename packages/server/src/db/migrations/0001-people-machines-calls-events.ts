import { DataTypes, type QueryInterface } from 'sequelize';
import { inOrder, replaceTrigger } from '../steps';

const uuid = DataTypes.CHAR(36);

export async function up(q: QueryInterface): Promise<void> {
  await q.createTable('people', {
    id: { type: uuid, primaryKey: true },
    name: { type: DataTypes.STRING(60), allowNull: false, unique: true },
    fullName: { type: DataTypes.STRING(120), allowNull: false },
    role: { type: DataTypes.STRING(20), allowNull: false },
    units: { type: DataTypes.STRING(2), allowNull: false, defaultValue: 'us' },
    passwordHash: { type: DataTypes.STRING(255), allowNull: false },
  });
  await q.createTable('machines', {
    id: { type: uuid, primaryKey: true },
    label: { type: DataTypes.STRING(120), allowNull: false },
    site: { type: DataTypes.STRING(200), allowNull: false },
    make: { type: DataTypes.STRING(80), allowNull: false },
    modelName: { type: DataTypes.STRING(80), allowNull: false },
    serial: { type: DataTypes.STRING(80), allowNull: false },
    profile: { type: DataTypes.STRING(80), allowNull: false },
    variant: { type: DataTypes.STRING(80) },
    createdAt: { type: DataTypes.DATE(3), allowNull: false },
  });
  await q.createTable('calls', {
    id: { type: uuid, primaryKey: true },
    machineId: { type: uuid, references: { model: 'machines', key: 'id' } },
    complaint: { type: DataTypes.STRING(500), allowNull: false },
    profile: { type: DataTypes.STRING(80), allowNull: false },
    profileVersion: { type: DataTypes.STRING(20), allowNull: false },
    variant: { type: DataTypes.STRING(80) },
    engineVersion: { type: DataTypes.STRING(20), allowNull: false },
    settings: { type: DataTypes.JSON, allowNull: false },
    openedBy: { type: uuid, allowNull: false, references: { model: 'people', key: 'id' } },
    createdAt: { type: DataTypes.DATE(3), allowNull: false },
  });
  await q.createTable('events', {
    arrival: { type: DataTypes.BIGINT, primaryKey: true, autoIncrement: true },
    id: { type: uuid, allowNull: false, unique: true },
    callId: { type: uuid, allowNull: false, references: { model: 'calls', key: 'id' } },
    seq: { type: DataTypes.INTEGER, allowNull: false },
    at: { type: DataTypes.STRING(40), allowNull: false },
    device: { type: DataTypes.STRING(60), allowNull: false },
    person: { type: DataTypes.STRING(60), allowNull: false },
    type: { type: DataTypes.STRING(30), allowNull: false },
    body: { type: DataTypes.JSON, allowNull: false },
    createdAt: { type: DataTypes.DATE(3), allowNull: false },
  });
  await inOrder(q)('ALTER TABLE events ADD INDEX IF NOT EXISTS events_call_id_arrival (callId, arrival)');
  // The log is append-only by rule of the database, not only by habit of the program.
  for (const verb of ['UPDATE', 'DELETE'])
    await replaceTrigger(
      q,
      `events_no_${verb.toLowerCase()}`,
      `BEFORE ${verb} ON events FOR EACH ROW SIGNAL SQLSTATE '45000' SET MESSAGE_TEXT = 'events are never changed or deleted'`,
    );
  await q.createTable('sessions', {
    sid: { type: DataTypes.STRING(64), primaryKey: true },
    expires: { type: DataTypes.DATE },
    data: { type: DataTypes.TEXT },
    createdAt: { type: DataTypes.DATE, allowNull: false },
    updatedAt: { type: DataTypes.DATE, allowNull: false },
  });
  await q.createTable('attempts', {
    key: { type: DataTypes.STRING(190), primaryKey: true },
    hits: { type: DataTypes.INTEGER, allowNull: false },
    /** Milliseconds since 1970. */
    expires: { type: DataTypes.BIGINT, allowNull: false },
  });
}

export async function down(q: QueryInterface): Promise<void> {
  for (const table of ['attempts', 'sessions', 'events', 'calls', 'machines', 'people']) await q.dropTable(table);
}
