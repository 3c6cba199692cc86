import { QueryTypes, type Sequelize } from 'sequelize';
import { openHouse } from '../../test/house';
import { connect } from './connect';
import { migrate, migrateDown, pendingMigrations } from './migrate';
import * as longest from './migrations/0004-log-numbers-overviews-sessions';
import * as rights from './migrations/0005-rights-lookers';
import * as records from './migrations/0009-machine-records';

/** So many migrations there are. */
const ALL = 21;

const house = openHouse();

/** An empty database beside the house's own. */
async function withDatabase(name: string, work: (url: string) => Promise<void>): Promise<void> {
  const database = `${house.ownerUrl.split('/').at(-1)!}_${name}`;
  await house.owner.query(`CREATE DATABASE ${database} CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci`);
  try {
    await work(house.ownerUrl.replace(/\/[^/]+$/, `/${database}`));
  } finally {
    await house.owner.query(`DROP DATABASE ${database}`);
  }
}

async function open<T>(url: string, work: (owner: Sequelize) => Promise<T>): Promise<T> {
  const owner = connect(url, { patient: true });
  try {
    return await work(owner);
  } finally {
    await owner.close();
  }
}

/** Everything that tells how the tables are made. */
async function shape(owner: Sequelize): Promise<string> {
  const tables = await owner.query<{ name: string }>(
    "SELECT TABLE_NAME AS name FROM information_schema.TABLES WHERE TABLE_SCHEMA = DATABASE() AND TABLE_NAME <> 'migrations' ORDER BY 1",
    { type: QueryTypes.SELECT },
  );
  const made = [];
  for (const { name } of tables) {
    const [row] = await owner.query<Record<string, string>>(`SHOW CREATE TABLE ${name}`, { type: QueryTypes.SELECT });
    made.push(row!['Create Table']!.replace(/AUTO_INCREMENT=\d+ /, ''));
  }
  const triggers = await owner.query<{ Trigger: string; Statement: string }>('SHOW TRIGGERS', {
    type: QueryTypes.SELECT,
  });
  return [...made, ...triggers.map((t) => `${t.Trigger}: ${t.Statement}`).sort()].join('\n\n');
}

test('several servers start at once on an empty database: each migration is applied once', () =>
  withDatabase('parallel', async (url) => {
    const applied = await Promise.all([1, 2, 3, 4].map(() => open(url, migrate)));
    expect(applied.flat().sort()).toHaveLength(ALL);
    expect(await open(url, pendingMigrations)).toEqual([]);
    expect(await open(url, shape)).toBe(await shape(house.owner));
  }));

test('down and up again lead to the same tables, and a database without tables can be told', () =>
  withDatabase('down', (url) =>
    open(url, async (owner) => {
      expect(await pendingMigrations(owner)).toHaveLength(ALL);
      await migrate(owner);
      const before = await shape(owner);
      expect(await migrateDown(owner, ALL)).toHaveLength(ALL);
      expect(await shape(owner)).toBe('');
      await migrate(owner);
      expect(await shape(owner)).toBe(before);
    }),
  ));

test.each([
  { name: 'the longest', migration: longest, down: ALL - 3, atLeast: 20 },
  { name: 'the rights', migration: rights, down: ALL - 4, atLeast: 5 },
  { name: 'the records', migration: records, down: ALL - 8, atLeast: 2 },
])(
  '$name that was killed after any of its statements starts again and ends as it should',
  ({ name, migration, down, atLeast }) =>
    withDatabase(`killed_${name.slice(4)}`, (url) =>
      open(url, async (owner) => {
        await migrate(owner);
        const whole = await shape(owner);
        let statements = 0;
        for (let most = 1; most === 1 || statements >= most; most++) {
          await migrateDown(owner, down);
          statements = 0;
          const context = owner.getQueryInterface();
          const dying = Object.assign(Object.create(context) as typeof context, {
            sequelize: {
              query: (...asked: Parameters<Sequelize['query']>) => {
                statements++;
                if (statements > most) throw new Error('killed');
                return owner.query(...asked);
              },
            },
          });
          await migration.up(dying).catch((error: Error) => expect(error.message).toBe('killed'));
          await migrate(owner);
          expect(await shape(owner)).toBe(whole);
        }
        expect(statements).toBeGreaterThan(atLeast);
      }),
    ),
  120_000,
);

test('entries of an old log get their numbers in the order in which they came', () =>
  withDatabase('old', (url) =>
    open(url, async (owner) => {
      await migrate(owner);
      await migrateDown(owner, ALL - 3);
      await owner.query("INSERT INTO people VALUES ('p', 'imre', 'Imre', 'lead', 'us', 'x')");
      for (const call of ['a', 'b'])
        await owner.query(
          `INSERT INTO calls (id, complaint, profile, profileVersion, engineVersion, settings, openedBy, createdAt) VALUES ('${call}', 'x', 'x', '1', '1', '{}', 'p', NOW(3))`,
        );
      for (const [id, call] of ['1a', '1b', '2b', '2a', '3b'].map((id) => [id, id[1]]))
        await owner.query(
          `INSERT INTO events (id, callId, seq, at, device, person, type, body, createdAt) VALUES ('${id}', '${call}', 1, 'x', 'd', 'imre', 'note', '{}', NOW(3))`,
        );
      await migrate(owner);
      expect(
        await owner.query('SELECT CONCAT(number, callId) AS made, id FROM events ORDER BY id', {
          type: QueryTypes.SELECT,
        }),
      ).toEqual(['1a', '1b', '2a', '2b', '3b'].map((id) => ({ made: id, id })));
    }),
  ));

test('the columns are as long as what the contract lets in', async () => {
  for (const model of Object.values(house.sequelize.models)) {
    const rows = await house.sequelize.query<{ name: string; length: number | string }>(
      'SELECT COLUMN_NAME AS name, CHARACTER_MAXIMUM_LENGTH AS length FROM information_schema.COLUMNS WHERE TABLE_SCHEMA = DATABASE() AND TABLE_NAME = :table',
      { replacements: { table: model.getTableName() as string }, type: QueryTypes.SELECT },
    );
    const lengths = new Map(rows.map((r) => [r.name, Number(r.length)]));
    for (const [name, { type }] of Object.entries(model.getAttributes())) {
      const wanted = /^(?:VAR)?CHAR\((\d+)\)/.exec(String((type as { toSql(): string }).toSql()))?.[1];
      if (wanted !== undefined)
        expect([model.name, name, lengths.get(name)]).toEqual([model.name, name, Number(wanted)]);
    }
  }
});

test('the running program can neither change tables nor empty them, nor change what is logged', async () => {
  const refused = [
    'ALTER TABLE events ADD COLUMN x INT',
    'DROP TABLE events',
    'TRUNCATE TABLE events',
    'TRUNCATE TABLE calls',
    'DROP TRIGGER events_no_delete',
    'CREATE TABLE x (y INT)',
    "UPDATE events SET body = '{}', hash = REPEAT('a', 64) LIMIT 1",
    'DELETE FROM events LIMIT 1',
  ];
  for (const statement of refused)
    await expect(house.sequelize.query(statement)).rejects.toThrow(/denied|never changed/);
});

test('the migrating user may take words out, and nothing else', async () => {
  for (const change of [
    'seq = seq + 1',
    "body = '{}'",
    "hash = REPEAT('a', 64), person = 'x'",
    "hash = REPEAT('a', 64), number = 99",
  ])
    await expect(house.owner.query(`UPDATE events SET ${change} LIMIT 1`)).rejects.toThrow(/never changed/);
  await expect(house.owner.query('DELETE FROM events LIMIT 1')).rejects.toThrow(/never changed/);
});
