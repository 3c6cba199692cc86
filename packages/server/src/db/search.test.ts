import { QueryTypes } from 'sequelize';
import { openHouse } from '../../test/house';
import { connect } from './connect';
import { defineModels } from './models';
import { fullText } from './search';
import { listCalls, watchedCalls } from '../features/calls/repository';
import { listMachines } from '../features/machines/repository';

const house = openHouse();
const { api, signIn } = house;

const MANY = 3000;
const id = (kind: string): string => `LOWER(CONCAT('${kind}', LPAD(HEX(seq), 7, '0'), '-0000-7000-8000-000000000000'))`;

beforeAll(async () => {
  const { owner } = house;
  const [{ person }] = (await owner.query("SELECT id AS person FROM people WHERE name = 'imre'", {
    type: QueryTypes.SELECT,
  })) as [{ person: string }];
  await owner.query(
    `INSERT INTO machines (id, label, site, make, modelName, serial, profile, build, createdAt)
       SELECT ${id('a')}, CONCAT('Unit ', seq), CONCAT('Yard ', seq MOD 70), ELT(1 + seq MOD 3, 'Ostrander', 'Pathfare', 'The On'),
         'X', CONCAT('SN', seq), 'dryer-burner', '{"options":[],"order":{}}', NOW(3) FROM seq_1_to_${MANY}`,
  );
  await owner.query(
    `INSERT INTO calls (id, machineId, complaint, profile, profileVersion, build, engineVersion, settings, openedBy, createdAt)
       SELECT ${id('b')}, ${id('a')}, CONCAT('Complaint ', IF(seq MOD 500 = 0, 'soot', 'cold')), 'dryer-burner', '1.0.0',
         '{"options":[],"order":{}}', '1', '{}', '${person}', NOW(3) - INTERVAL seq MINUTE FROM seq_1_to_${MANY}`,
  );
  await owner.query(
    `INSERT INTO overviews (callId, upTo, title, openedAt, open, watch, body)
       SELECT ${id('b')}, 1, CONCAT('Unit ', seq), NOW(3) - INTERVAL seq MINUTE, seq MOD 50 = 0, seq MOD 200 = 0, '{}'
         FROM seq_1_to_${MANY}`,
  );
  for (const table of ['machines', 'calls', 'overviews'])
    await owner.query(`ANALYZE TABLE ${table}`, { type: QueryTypes.SELECT });
});

test('what is typed becomes a search that the database can make', () => {
  expect(fullText('  mill   LANE 14 ')).toBe('+mill* +LANE*');
  expect(fullText('+x* -"boiler" ~(gas)@2 %')).toBe('+boiler* +gas*');
  expect(fullText('žluť 漢字漢')).toBe('+žluť* +漢字漢*');
  expect(fullText('  ')).toBe('');
  expect(fullText('a 7')).toBe('+a* +7*');
});

test('lists use their indexes, as EXPLAIN shows', async () => {
  const asked: string[] = [];
  const listening = connect(house.url, {
    hear: (sql) => void asked.push(sql.replace(/^Executing \([^)]*\): /, '')),
  });
  defineModels(listening);
  const page = { search: '', down: true, offset: 0, limit: 25 };
  await listCalls({ ...page, open: true, sort: 'opened' });
  await listCalls({ ...page, open: false, sort: 'machine' });
  await listCalls({ ...page, search: 'soot', open: undefined, sort: 'opened' });
  await listMachines({ ...page, sort: 'label' });
  await listMachines({ ...page, sort: 'site' });
  await listMachines({ ...page, search: 'Unit 2999', sort: 'make' });
  await watchedCalls();
  defineModels(house.sequelize);
  expect(asked.length).toBeGreaterThan(12);
  for (const sql of asked.filter((s) => s.startsWith('SELECT'))) {
    const plan = (await listening.query(`EXPLAIN ${sql}`, { type: QueryTypes.SELECT })) as {
      table: string | null;
      type: string;
      key: string | null;
    }[];
    // Results of inner queries have no index of their own.
    const tables = plan.filter((row) => row.table !== null && !row.table.startsWith('<'));
    for (const { key, type } of tables) expect([sql, key === null || type === 'ALL']).toEqual([sql, false]);
  }
  await listening.close();
});

test('pages, order and search go together over HTTP', async () => {
  const me = await signIn();
  const machines = async (query: string) =>
    (await api().get(`/api/machines?${query}`).set(me)).body as {
      machines: { label: string; make: string }[];
      total: number;
    };
  const first = await machines('size=10&sort=label&order=down');
  const labels = first.machines.map((m) => m.label);
  expect(labels).toEqual([...labels].sort().reverse());
  expect(first.total).toBeGreaterThan(MANY);
  const second = await machines('size=10&page=2&sort=label&order=down');
  expect(second.machines[0]!.label < first.machines.at(-1)!.label).toBe(true);
  // Short words that other indexes leave out are found here.
  expect((await machines('search=pathf%20unit&size=1')).total).toBe(1000);
  expect((await machines('search=the%20SN12')).total).toBe((await machines('search=ThE%20sn12')).total);
  expect((await machines('search=the%20SN12')).total).toBeGreaterThan(20);
  expect((await machines('search=sn')).total).toBe(MANY);
  expect((await machines('search=q9')).total).toBe(0);
  expect((await machines('search=nothing-like-it')).machines).toEqual([]);
  const calls = (await api().get('/api/calls?search=soot&state=open&size=3&order=up').set(me)).body as {
    calls: { complaint: string; machine: { label: string } }[];
    total: number;
  };
  expect(calls.total).toBe(6);
  expect(calls.calls.map((c) => c.machine.label)).toEqual(['Unit 3000', 'Unit 2500', 'Unit 2000']);
  expect((await api().get('/api/calls?search=Unit%202750').set(me)).body.total).toBe(1);
  for (const bad of ['page=0', 'page=x', 'size=101', 'sort=price', 'order=sideways', 'page=1&page=2', 'colour=red'])
    expect([bad, (await api().get(`/api/machines?${bad}`).set(me)).status]).toEqual([bad, 400]);
});
