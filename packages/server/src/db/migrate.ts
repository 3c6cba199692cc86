import type { QueryInterface, Sequelize } from 'sequelize';
import { SequelizeStorage, Umzug } from 'umzug';
import * as first from './migrations/0001-people-machines-calls-events';
import * as second from './migrations/0002-profiles-wires';
import * as third from './migrations/0003-builds';

/** All migrations in order. A landed migration is never edited; a change is a new one. */
const MIGRATIONS = [
  { name: '0001-people-machines-calls-events', ...first },
  { name: '0002-profiles-wires', ...second },
  { name: '0003-builds', ...third },
];

/** Brings the database up to date; safe to call at every start. Returns the names of what was applied. */
export async function migrate(sequelize: Sequelize): Promise<string[]> {
  const umzug = new Umzug<QueryInterface>({
    migrations: MIGRATIONS.map(({ name, up, down }) => ({
      name,
      up: ({ context }) => up(context),
      down: ({ context }) => down(context),
    })),
    context: sequelize.getQueryInterface(),
    storage: new SequelizeStorage({ sequelize, tableName: 'migrations' }),
    logger: undefined,
  });
  return (await umzug.up()).map((m) => m.name);
}
