import type { MachineEntry } from '@zetalysis/core/history';
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
