import type { CaretakerForm, DueDuty, DutyOfMachine, Machine, OpenAddress } from '@zetalysis/contract';
import { addDays } from '@zetalysis/core/upkeep';
import { v7 } from 'uuid';
import { made, openHouse, opening } from '../../../test/house';

const { api, signIn } = openHouse();

const TODAY = new Date().toISOString().slice(0, 10);
const BOILER = {
  label: 'Boiler of the mill',
  site: 'Mill',
  make: '',
  modelName: '',
  serial: '',
  profile: 'steam-intermittent-pilot',
  build: { options: ['float-and-auxiliary'], order: {} },
};
const as = async (name: string) => signIn(name);
const addBoiler = async (): Promise<string> =>
  (
    (
      await api()
        .post('/api/machines')
        .set(await as('imre'))
        .send(BOILER)
    ).body as Machine
  ).id;
const of = async (id: string) =>
  (
    await api()
      .get(`/api/machines/${id}/upkeep`)
      .set(await as('bea'))
  ).body as {
    duties: DutyOfMachine[];
    records: { duty: string; result: string; by: string; call: string | null }[];
  };
const duty = async (id: string, which: string): Promise<DutyOfMachine> =>
  (await of(id)).duties.find((d) => d.duty === which)!;
const done = async (id: string, body: object) =>
  api()
    .post(`/api/machines/${id}/upkeep`)
    .set(await as('imre'))
    .send(body);
const give = async (name: string, body: object) =>
  api()
    .post('/api/addresses')
    .set(await as(name))
    .send(body);

test('what a machine asks for by its family and what is fitted, and when; done puts it off, failed makes it due', async () => {
  const id = await addBoiler();
  expect((await of(id)).duties.map((d) => d.duty)).toEqual(
    expect.arrayContaining(['drain-test', 'combustion', 'co-alarm']),
  );
  expect((await duty(id, 'combustion')).due!.day).toBe(addDays(TODAY, 365));
  expect(
    (await done(id, { duty: 'combustion', day: addDays(TODAY, -100), result: 'good', words: '31 ppm' })).status,
  ).toBe(201);
  expect(await duty(id, 'combustion')).toMatchObject({ last: { result: 'good' }, due: { day: addDays(TODAY, 265) } });
  await done(id, { duty: 'combustion', day: TODAY, result: 'bad', words: 'CO 400' });
  expect((await duty(id, 'combustion')).due).toMatchObject({ failed: true, state: 'overdue' });
  const all = (
    await api()
      .get('/api/upkeep')
      .set(await as('bea'))
  ).body as DueDuty[];
  expect(all[0]).toMatchObject({ machine: { id }, duty: 'combustion', due: { failed: true } });
});

test('how often is set for a machine by a lead; nought takes it away, nothing gives the family’s back', async () => {
  const id = await addBoiler();
  const plan = async (name: string, every: number | null) =>
    api()
      .put(`/api/machines/${id}/upkeep/plan`)
      .set(await as(name))
      .send({ duty: 'co-alarm', every });
  expect((await plan('imre', 30)).status).toBe(403);
  expect((await plan('rosa', 30)).status).toBe(200);
  expect(await duty(id, 'co-alarm')).toMatchObject({ every: 30, own: true, due: { day: addDays(TODAY, 30) } });
  await plan('rosa', 0);
  expect((await duty(id, 'co-alarm')).due).toBeNull();
  await plan('rosa', null);
  expect(await duty(id, 'co-alarm')).toMatchObject({ every: 365, own: false });
  // A duty that the family does not have.
  const more = await api()
    .put(`/api/machines/${id}/upkeep/plan`)
    .set(await as('rosa'))
    .send({ duty: 'anode', every: 365 });
  expect((more.body as DutyOfMachine[]).map((d) => d.duty)).toContain('anode');
});

test.each([
  [{ duty: 'combustion', day: '2999-01-01', result: 'good', words: '' }, /has not come yet/],
  [{ duty: 'combustion', day: '2026-02-30', result: 'good', words: '' }, /not in the calendar/],
  [{ duty: 'sweeping', day: TODAY, result: 'good', words: '' }, /duty/],
  [{ duty: 'combustion', day: 'today', result: 'good', words: '' }, /day/],
  [{ duty: 'combustion', day: TODAY, result: 'fine', words: '' }, /result/],
])('%j is not written down: what to do is said', async (body, words) => {
  const answer = await done(await addBoiler(), body);
  expect(answer.status).toBe(400);
  expect((answer.body as { detail: string }).detail).toMatch(words);
});

test('what was done on a call stands with the machine; taken back there, it is gone here', async () => {
  const machine = await addBoiler();
  const call = v7();
  const done = made(call, { type: 'upkeep-done', duty: 'probe', title: 'Probe', result: 'good', words: 'clean' }, 2);
  const send = async (...events: object[]) =>
    api()
      .post(`/api/calls/${call}/events`)
      .set(await as('imre'))
      .send({ events });
  const opened = made(call, { ...opening, machine });
  expect((await send(opened, done)).status).toBe(200);
  expect((await of(machine)).records).toMatchObject([{ duty: 'probe', by: 'Imre Castellan', call }]);
  await send(made(call, { type: 'retracted', event: done.id }, 3));
  expect((await of(machine)).records).toEqual([]);
});

describe('addresses without an account', () => {
  test('a caretaker fills the form of one machine; a failed test stands first in what is due', async () => {
    const machine = await addBoiler();
    const { secret } = (await give('rosa', { kind: 'caretaker', label: 'Mr Lund', machine })).body as {
      secret: string;
    };
    const form = async () => (await api().get(`/api/caretaker/${secret}`)).body as CaretakerForm;
    expect(await form()).toMatchObject({ machine: BOILER.label, duty: 'drain-test', last: null });
    const filled = await api()
      .post(`/api/caretaker/${secret}`)
      .send({ day: TODAY, result: 'bad', by: 'Lund', words: 'kept burning' });
    expect(filled.body).toMatchObject({ last: { day: TODAY, result: 'bad' } });
    expect((await of(machine)).records[0]).toMatchObject({ by: 'Lund (caretaker)', result: 'bad' });
    expect((await duty(machine, 'drain-test')).due).toMatchObject({ failed: true });
  });

  test('a failed test is due though the machine does not ask for it: who gave the form may not have known', async () => {
    const register = { ...BOILER, profile: 'furnace-condensing', build: { options: [], order: {} } };
    const me = await as('imre');
    const machine = ((await api().post('/api/machines').set(me).send(register)).body as Machine).id;
    const { secret } = (await give('rosa', { kind: 'caretaker', label: 'X', machine })).body as { secret: string };
    const fill = (result: string) =>
      api().post(`/api/caretaker/${secret}`).send({ day: TODAY, result, by: 'Lund', words: '' });
    await fill('bad');
    const all = (await api().get('/api/upkeep').set(me)).body as DueDuty[];
    expect(all.find((d) => d.machine.id === machine && d.due.failed)).toMatchObject({ duty: 'drain-test' });
    await fill('good');
    expect((await of(machine)).duties.map((d) => d.duty)).not.toContain('drain-test');
  });

  test('a calendar is fetched by its address, as RFC 5545 has it; what is due has a day and a name that stays', async () => {
    const machine = await addBoiler();
    await done(machine, { duty: 'filter', day: TODAY, result: 'bad', words: '' });
    const { secret } = (await give('office', { kind: 'calendar', label: 'Office', machine })).body as {
      secret: string;
    };
    const answer = await api().get(`/api/calendar/${secret}.ics`);
    expect(answer.headers['content-type']).toMatch(/text\/calendar/);
    const lines = answer.text.split('\r\n');
    expect(lines[0]).toBe('BEGIN:VCALENDAR');
    // RFC 5545, 3.1: lines end in CRLF and hold at most 75 octets.
    expect(Math.max(...lines.map((l) => Buffer.byteLength(l)))).toBeLessThanOrEqual(75);
    const unfolded = answer.text.replace(/\r\n[ \t]/g, '');
    expect(unfolded).toContain(`UID:${machine}-drain-test@zetalysis`);
    expect(unfolded).toMatch(/SUMMARY:Low-water cut-off\\, drain test\\, Boiler of the mill/);
    expect(unfolded).toMatch(/DTSTART;VALUE=DATE:\d{8}\r\n/);
  });

  test('it is told once, taken back for good, and nobody can guess one', async () => {
    const machine = await addBoiler();
    const given = (await give('rosa', { kind: 'caretaker', label: 'X', machine })).body as OpenAddress & {
      secret: string;
    };
    const listed = (
      await api()
        .get('/api/addresses')
        .set(await as('rosa'))
    ).body as object[];
    expect(JSON.stringify(listed)).not.toContain(given.secret);
    // One kind is not the other.
    expect((await api().get(`/api/calendar/${given.secret}.ics`)).status).toBe(404);
    const revoke = async () =>
      api()
        .delete(`/api/addresses/${given.id}`)
        .set(await as('rosa'));
    expect((await revoke()).status).toBe(204);
    expect((await revoke()).status).toBe(404);
    expect((await api().get(`/api/caretaker/${given.secret}`)).status).toBe(404);
    expect((await api().get(`/api/caretaker/${'A'.repeat(43)}`)).status).toBe(404);
    expect((await api().get('/api/caretaker/short')).status).toBe(400);
  });

  test('a caretaker’s address is for one machine', async () => {
    const answer = await give('rosa', { kind: 'caretaker', label: 'X', machine: null });
    expect(answer.status).toBe(400);
    expect((answer.body as { detail: string }).detail).toMatch(/Choose it/);
  });
});
