import { join } from 'node:path';
import { openHouse } from '../../test/house';
import { Call, LoggedEvent, StoredOverview } from '../features/calls/model';
import { StoredDayItem } from '../features/days/model';
import { Machine } from '../features/machines/model';
import { StoredPhoto } from '../features/photos/model';
import { Person } from '../features/session/model';

const said: string[] = [];
const house = openHouse({ season: join(__dirname, '../../../season/season.jsonl.gz'), say: (done) => said.push(done) });

test('with the season the shop has eight people, 180 machines and some 600 calls, up to today and not beyond', async () => {
  expect(await Person.count()).toBe(8);
  expect(await Machine.count()).toBe(180);
  expect(await Call.count()).toBeGreaterThanOrEqual(600);
  expect(await StoredOverview.count()).toBe(await Call.count());
  const newest = (await LoggedEvent.max<string, LoggedEvent>('at'))!;
  expect(Date.parse(newest)).toBeLessThanOrEqual(Date.now());
  expect(Date.parse(newest)).toBeGreaterThan(Date.now() - 86_400_000);
  expect(said.length).toBeGreaterThan(5);
});

test('the day is full, photos are pictures with their small ones, every call is pinned to a profile that ships', async () => {
  const items = await StoredDayItem.findAll();
  expect(items.length).toBeGreaterThanOrEqual(16);
  expect(new Set(items.map((i) => i.personId)).size).toBeGreaterThan(2);
  for (const { machineId, words } of items) expect([machineId === null, words === '']).toEqual([false, false]);
  const photos = await StoredPhoto.findAll();
  expect(photos.length).toBeGreaterThan(5);
  expect(photos.every(({ picture, thumbnail }) => picture !== null && thumbnail !== null)).toBe(true);
  const api = house.api();
  const signed = await house.signIn('kofi');
  for (const { id } of await Call.findAll({ limit: 5, order: [['createdAt', 'DESC']] })) {
    const answer = await api.get(`/api/calls/${id}`).set(signed);
    expect(answer.status).toBe(200);
  }
});

test('Today tells what runs, the register and the search find the season’s machines', async () => {
  const signed = await house.signIn();
  const today = await house.api().get('/api/calls?state=open').set(signed);
  expect(today.status).toBe(200);
  const found = await house.api().get('/api/machines?search=Tollgate').set(signed);
  expect(found.status).toBe(200);
  expect(JSON.stringify(found.body)).toContain('Tollgate');
});
