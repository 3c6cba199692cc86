import type { Machine, MachineChange } from '@zetalysis/contract';
import { BLANK_SHEET, type MachineEntry } from '@zetalysis/core/history';
import type { EventBody } from '@zetalysis/core/visit';
import { v7 } from 'uuid';
import * as builds from '../../db/migrations/0003-builds';
import { made, openHouse, opening } from '../../../test/house';

const house = openHouse();
const { api, signIn } = house;

describe('machines', () => {
  const plain = { options: [], order: {} };
  const machine = {
    label: 'Test',
    site: 'Shop',
    make: '',
    modelName: '',
    serial: '',
    profile: 'furnace-condensing',
    build: plain,
  };

  test('a machine needs a known profile and a build that goes together', async () => {
    const me = await signIn();
    const post = (body: object) => api().post('/api/machines').set(me).send(body);
    expect((await post(machine)).status).toBe(201);
    expect((await post({ ...machine, profile: 'toaster' })).body.detail).toMatch(/Known: .*furnace-condensing/);
    const wood = { ...machine, build: { options: ['wood'], order: {} } };
    expect((await post(wood)).body.detail).toMatch(/unknown variant "wood"/);
    expect((await post({ ...machine, label: '' })).status).toBe(400);
    expect((await post({ ...machine, label: "'; DROP TABLE machines; --" })).status).toBe(201);
    expect((await api().get('/api/machines').set(me)).body.total).toBeGreaterThan(4);
  });

  test('how a machine is built can be changed; what does not go together is refused with the reason', async () => {
    const me = await signIn();
    const boiler = { ...machine, label: 'Boiler', profile: 'hydronic-boiler' };
    const { id } = (await api().post('/api/machines').set(me).send(boiler)).body as { id: string };
    const rebuild = (build: object) => api().put(`/api/machines/${id}/build`).set(me).send(build);
    const both = { options: ['no-damper', 'module-with-lockout'], order: { safety: ['spill', 'rollout'] } };
    expect((await rebuild(both)).body.build).toEqual(both);
    const clash = await rebuild({ options: ['no-damper', 'limit-before-aquastat'], order: {} });
    expect(clash.status).toBe(400);
    expect(clash.body.detail).toMatch(/limit-before-aquastat: does not go together with no-damper.*rungs.safety/);
    expect((await rebuild({ options: [], order: { safety: ['lwco', 'toaster'] } })).body.detail).toMatch(/toaster/);
    expect((await rebuild({ options: [], order: { safety: ['lwco', 'lwco'] } })).body.detail).toMatch(/twice/);
    expect((await api().get(`/api/machines/${id}`).set(me)).body.build).toEqual(both);
    expect((await api().put(`/api/machines/${v7()}/build`).set(me).send(plain)).status).toBe(404);
  });

  test('a call keeps the build that its machine had when it was opened', async () => {
    const me = await signIn();
    const built = { options: ['nitride'], order: {} };
    const { id } = (
      await api()
        .post('/api/machines')
        .set(me)
        .send({ ...machine, build: built })
    ).body as { id: string };
    const call = v7();
    const opened = made(call, { ...opening, machine: id, build: built });
    await api()
      .post(`/api/calls/${call}/events`)
      .set(me)
      .send({ events: [opened] });
    await api().put(`/api/machines/${id}/build`).set(me).send(plain);
    const head = (await api().get(`/api/calls/${call}`).set(me)).body;
    expect([head.build, head.machine.build]).toEqual([built, plain]);
  });

  test('a machine that had a variant before there were builds keeps it', async () => {
    await house.sequelize.query(
      "INSERT INTO machines (id, label, site, make, modelName, serial, profile, createdAt) VALUES (:id, 'Old', 'Shop', '', '', '', 'furnace-condensing', NOW(3))",
      { replacements: { id: v7() } },
    );
    await builds.down(house.owner.getQueryInterface());
    await house.sequelize.query("UPDATE machines SET variant = 'nitride' WHERE label = 'Old'");
    await builds.up(house.owner.getQueryInterface());
    const { body } = await api()
      .get('/api/machines')
      .set(await signIn());
    const of = (label: string) =>
      (body as { machines: { label: string; build: object }[] }).machines.find((m) => m.label === label)!.build;
    expect(of('Old')).toEqual({ options: ['nitride'], order: {} });
    expect(of('Furnace, chapel hall')).toEqual({ options: ['nitride'], order: {} });
    expect(of('Furnace, Mill Lane 14')).toEqual(plain);
  });

  test('terminal names and wire colours are kept with the machine', async () => {
    const me = await signIn();
    const { machines } = (await api().get('/api/machines').set(me)).body as {
      machines: { id: string; label: string }[];
    };
    const { id } = machines.find((m) => m.label.includes('Corn Exchange'))!;
    const put = (on: string, body: object) => api().put(`/api/machines/${on}/wires`).set(me).send(body);
    const wires = { MV: { terminal: 'TR9', colour: 'violet' } };
    expect((await put(id, wires)).body.wires).toEqual(wires);
    expect((await put(id, { MV: { terminal: 'x'.repeat(41), colour: '' } })).status).toBe(400);
    expect((await put(id, { MV: 'TR9' })).status).toBe(400);
    expect((await put(v7(), wires)).status).toBe(404);
    expect((await put('nonsense', wires)).status).toBe(400);
  });
});

describe('what was read on a machine', () => {
  test('is given of all its calls, the newest first, with what was mended; what was taken back and what is no reading is not', async () => {
    const me = await signIn();
    const all = (await api().get('/api/machines').set(me)).body as { machines: { id: string; profile: string }[] };
    const [here, there] = all.machines.filter((m) => m.profile === 'furnace-condensing').map((m) => m.id);
    const ohms = (value: number): EventBody => ({
      type: 'ohms',
      part: 'igniter',
      branch: '',
      reading: { kind: 'value', value, dimension: 'resistance' },
      typed: String(value),
    });
    const readings = async (of: string) =>
      (await api().get(`/api/machines/${of}/readings`).set(me)).body as MachineEntry[];
    const [before, elsewhere] = [(await readings(here!)).length, (await readings(there!)).length];
    const call = v7();
    const wrong = made(call, ohms(6), 2);
    const log = [
      made(call, { ...opening, machine: here! }),
      wrong,
      made(call, { type: 'seen', phase: 'inducer', answer: 'yes' }, 3),
      made(call, { type: 'retracted', event: wrong.id }, 4),
      made(call, ohms(62), 5),
      made(call, { type: 'repaired', part: 'flame-rod', action: 'clean' }, 6),
    ];
    expect((await api().post(`/api/calls/${call}/events`).set(me).send({ events: log })).body.refused).toEqual([]);
    const found = await readings(here!);
    expect(found).toHaveLength(before + 2);
    expect(found.slice(0, 2).map((e) => e.body)).toEqual([log[5]!.body, log[4]!.body]);
    expect(found[1]).toMatchObject({ call, at: Date.parse(log[4]!.at) });
    expect(await readings(there!)).toHaveLength(elsewhere);
  });
});

describe('the record of a machine', () => {
  const rest = { make: '', modelName: '', serial: '', build: { options: [], order: {} } };
  const enter = async (label: string, profile = 'furnace-condensing') =>
    (
      (
        await api()
          .post('/api/machines')
          .set(await signIn())
          .send({ ...rest, label, site: 'Test yard', profile })
      ).body as Machine
    ).id;
  const put = async (who: string, path: string, body: object) =>
    api()
      .put(`/api/machines/${path}`)
      .set(await signIn(who))
      .send(body);
  const get = async <T>(path: string) =>
    (
      await api()
        .get(`/api/machines${path}`)
        .set(await signIn())
    ).body as T;
  const found = async (words: string) =>
    (await get<{ machines: Machine[] }>(`?search=${encodeURIComponent(words)}`)).machines.map((m) => m.label);

  test('its plate and what is normal on it are kept; a value that cannot be read is refused with what to write', async () => {
    const id = await enter('Sheet one');
    const sheet = { ...BLANK_SHEET, made: '2014', manifold: '3.5 in w.c.', normal: 'hums for a second' };
    expect((await put('bea', `${id}/sheet`, sheet)).body).toMatchObject({ sheet });
    for (const [wrong, words] of [
      [{ made: '14' }, /Made: A year from 1900/],
      [{ made: '2199' }, /Made: A year/],
      [{ manifold: 'plenty' }, /Manifold/],
      [{ inlet: '5' }, /Inlet, least: With its unit/],
      [{ normal: 'x'.repeat(401) }, /normal/],
    ] as const) {
      const answer = await put('imre', `${id}/sheet`, { ...sheet, ...wrong });
      expect([answer.status, answer.body.detail]).toEqual([400, expect.stringMatching(words)]);
    }
    expect((await get<Machine>(`/${id}`)).sheet).toEqual(sheet);
  });

  test('nothing is overwritten: every change stands there with what it was before, and who made it', async () => {
    const id = await enter('Mill');
    const names = { label: 'Mill, cellar', site: 'Test yard', make: '', modelName: '', serial: '' };
    await put('imre', id, names);
    await put('imre', id, names);
    await put('bea', `${id}/wires`, { R: { terminal: 'R', colour: 'red' } });
    const changes = await get<MachineChange[]>(`/${id}/changes`);
    expect(changes.map((c) => [c.what, c.by])).toEqual([
      ['wires', 'Bea Oduya'],
      ['register', 'Imre Castellan'],
    ]);
    expect(changes[1]).toMatchObject({ was: { label: 'Mill' }, becomes: { label: 'Mill, cellar' } });
  });

  test('one that is retired stands in no list, and comes back as it was', async () => {
    const id = await enter('Scrapheap boiler');
    expect((await put('rosa', `${id}/retired`, { retired: 'scrapped' })).body.retired).toBe('scrapped');
    expect(await found('Scrapheap')).toEqual([]);
    expect((await get<Machine>(`/${id}`)).label).toBe('Scrapheap boiler');
    expect((await put('rosa', `${id}/retired`, { retired: '' })).status).toBe(400);
    expect((await put('office', `${id}/retired`, { retired: null })).body.retired).toBeNull();
    expect(await found('Scrapheap')).toEqual(['Scrapheap boiler']);
  });

  test('one that was entered twice is counted with the other: its calls, its readings, and those that were merged into it', async () => {
    const [stays, twice, before] = [await enter('Twin A'), await enter('Twin B'), await enter('Twin C')];
    const me = await signIn();
    for (const machine of [stays, twice, before]) {
      const call = v7();
      await api()
        .post(`/api/calls/${call}/events`)
        .set(me)
        .send({ events: [made(call, { ...opening, machine })] });
    }
    const calls = async (id: string) => (await get<unknown[]>(`/${id}/calls`)).length;
    expect((await put('rosa', `${before}/merged`, { into: twice })).status).toBe(200);
    expect(await calls(twice)).toBe(2);
    expect((await put('rosa', `${twice}/merged`, { into: stays })).status).toBe(200);
    expect(await calls(stays)).toBe(3);
    expect(await found('Twin')).toEqual(['Twin A']);
    expect((await get<Machine>(`/${before}`)).mergedInto).toBe(stays);
    expect((await put('rosa', `${twice}/merged`, { into: null })).body.mergedInto).toBeNull();
    expect(await calls(stays)).toBe(2);
    expect(await found('Twin')).toEqual(['Twin A', 'Twin B']);
  });

  test.each([
    ['with itself', (a: string) => a, 400, /the other one/],
    ['with one of another family', () => enter('Dryer', 'dryer-burner'), 400, /another family/],
    ['with nobody', () => v7(), 404, /register/],
  ])('it is not merged %s', async (_, other, status, words) => {
    const id = await enter('Alone');
    const answer = await put('rosa', `${id}/merged`, { into: await other(id) });
    expect([answer.status, answer.body.detail]).toEqual([status, expect.stringMatching(words)]);
    expect((await get<Machine>(`/${id}`)).mergedInto).toBeNull();
  });

  test('it is not merged with one that is gone itself, and not in a ring', async () => {
    const [a, b] = [await enter('Ring A'), await enter('Ring B')];
    await put('rosa', `${a}/merged`, { into: b });
    expect((await put('rosa', `${b}/merged`, { into: a })).body.detail).toMatch(/stands in the register/);
  });
});
