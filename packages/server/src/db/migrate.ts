import { QueryTypes, type QueryInterface, type Sequelize } from 'sequelize';
import { SequelizeStorage, Umzug } from 'umzug';
import * as first from './migrations/0001-people-machines-calls-events';
import * as second from './migrations/0002-profiles-wires';
import * as third from './migrations/0003-builds';
import * as fourth from './migrations/0004-log-numbers-overviews-sessions';
import * as fifth from './migrations/0005-rights-lookers';
import * as sixth from './migrations/0006-shop-limits';
import * as seventh from './migrations/0007-steps-clocks';
import * as eighth from './migrations/0008-instruments';
import * as ninth from './migrations/0009-machine-records';
import * as tenth from './migrations/0010-thumbnails';
import * as eleventh from './migrations/0011-shop-settings';
import * as twelfth from './migrations/0012-upkeep';
import * as thirteenth from './migrations/0013-accounts';
import * as fourteenth from './migrations/0014-day-plans';
import * as fifteenth from './migrations/0015-entry-words';
import * as sixteenth from './migrations/0016-practice';
import * as seventeenth from './migrations/0017-book';
import * as eighteenth from './migrations/0018-stock';
import * as nineteenth from './migrations/0019-trends';
import * as twentieth from './migrations/0020-tests';
import * as twentyFirst from './migrations/0021-book-unread';

/** All migrations in order. What a landed migration does is never changed; a change is a new one. */
const MIGRATIONS = [
  { name: '0001-people-machines-calls-events', ...first },
  { name: '0002-profiles-wires', ...second },
  { name: '0003-builds', ...third },
  { name: '0004-log-numbers-overviews-sessions', ...fourth },
  { name: '0005-rights-lookers', ...fifth },
  { name: '0006-shop-limits', ...sixth },
  { name: '0007-steps-clocks', ...seventh },
  { name: '0008-instruments', ...eighth },
  { name: '0009-machine-records', ...ninth },
  { name: '0010-thumbnails', ...tenth },
  { name: '0011-shop-settings', ...eleventh },
  { name: '0012-upkeep', ...twelfth },
  { name: '0013-accounts', ...thirteenth },
  { name: '0014-day-plans', ...fourteenth },
  { name: '0015-entry-words', ...fifteenth },
  { name: '0016-practice', ...sixteenth },
  { name: '0017-book', ...seventeenth },
  { name: '0018-stock', ...eighteenth },
  { name: '0019-trends', ...nineteenth },
  { name: '0020-tests', ...twentieth },
  { name: '0021-book-unread', ...twentyFirst },
];

/** How long one server waits for another that is bringing the same database up to date, seconds. */
const PATIENCE = 120;

/**
 * Brings the database up to date; safe to call at every start, by several servers at once, and again after one that was
 * killed half-way. Needs the migrating user. Returns the names of what was applied.
 */
export const migrate = (owner: Sequelize): Promise<string[]> =>
  alone(owner, async () => (await umzugOf(owner).up()).map((m) => m.name));

/** Takes the newest migrations back, as many as are named. Returns their names. */
export const migrateDown = (owner: Sequelize, steps: number): Promise<string[]> =>
  alone(owner, async () => (await umzugOf(owner).down({ step: steps })).map((m) => m.name));

/** The migrations that were not applied yet; asked by the running program, which may only look. */
export async function pendingMigrations(sequelize: Sequelize): Promise<string[]> {
  const tables = await sequelize.query("SHOW TABLES LIKE 'migrations'", { type: QueryTypes.SELECT });
  if (tables.length === 0) return MIGRATIONS.map((m) => m.name);
  const rows = await sequelize.query<{ name: string }>('SELECT name FROM migrations', { type: QueryTypes.SELECT });
  const applied = new Set(rows.map((r) => r.name));
  return MIGRATIONS.map((m) => m.name).filter((name) => !applied.has(name));
}

function umzugOf(sequelize: Sequelize): Umzug<QueryInterface> {
  return new Umzug<QueryInterface>({
    migrations: MIGRATIONS.map(({ name, up, down }) => ({
      name,
      up: ({ context }) => up(context),
      down: ({ context }) => down(context),
    })),
    context: sequelize.getQueryInterface(),
    storage: new SequelizeStorage({ sequelize, tableName: 'migrations' }),
    logger: undefined,
  });
}

/** Holds the database's own lock meanwhile; it goes with its connection, so a killed process leaves none behind. */
const alone = <T>(sequelize: Sequelize, work: () => Promise<T>): Promise<T> =>
  sequelize.transaction(async (transaction) => {
    const lock = `CONCAT(DATABASE(), '.migrate')`;
    const [row] = await sequelize.query<{ got: number | null }>(`SELECT GET_LOCK(${lock}, ${PATIENCE}) AS got`, {
      type: QueryTypes.SELECT,
      transaction,
    });
    if (Number(row?.got) !== 1)
      throw new Error(
        `Another server has been migrating this database for ${PATIENCE} seconds. Start again when it is done.`,
      );
    try {
      return await work();
    } finally {
      await sequelize.query(`DO RELEASE_LOCK(${lock})`, { transaction });
    }
  });
