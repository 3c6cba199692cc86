import { QueryTypes } from 'sequelize';
import { v7 } from 'uuid';
import type { CallEvent } from '@zetalysis/core/visit';
import { defineModels } from '../../db/models';
import { type Credentials, made, openHouse, opening } from '../../../test/house';
import { redactEntry } from './redact';

const house = openHouse();
const { api, signIn } = house;

describe('taking words out for good', () => {
  let me: Credentials;
  let call: string;
  const send = (events: readonly CallEvent[]) => api().post(`/api/calls/${call}/events`).set(me).send({ events });
  const read = async () =>
    ((await api().get(`/api/calls/${call}/events`).set(me)).body as { entries: { event: CallEvent }[] }).entries.map(
      (e) => e.event,
    );
  /** The command runs with the migrating user's connection. */
  const redact = async (id: string, by = 'rosa'): Promise<string> => {
    defineModels(house.owner);
    try {
      return await redactEntry(id, by);
    } finally {
      defineModels(house.sequelize);
    }
  };
  beforeEach(async () => {
    me = await signIn();
    call = v7();
  });

  test('the words are gone everywhere, an entry says so, and the one who sends it again is told that it is there', async () => {
    const first = made(call, { ...opening, complaint: 'Mrs Quill, 555 0142, has no heat' });
    const note = made(call, { type: 'note', text: 'the key is under the third pot' }, 2);
    await send([first, note]);
    const { id: person } = (await api().get('/api/session').set(me)).body as { id: string };
    const item = { day: '2026-12-01', person, call, machine: null, duty: null, slot: '', priority: 'usual' };
    expect((await api().post('/api/days').set(me).send(item)).status).toBe(201);
    expect(await redact(note.id)).toMatch(/words of .* are out/);
    await redact(first.id);

    const log = await read();
    expect(log.map((e) => e.body.type)).toEqual(['opened', 'note', 'redacted', 'redacted']);
    expect(log[0]!.body).toMatchObject({ complaint: '(taken out)', profile: opening.profile });
    expect(log[1]!.body).toEqual({ type: 'note', text: '(taken out)' });
    expect(log[2]).toMatchObject({ person: 'rosa', seq: 3, body: { event: note.id } });
    for (const table of ['events', 'calls', 'overviews', 'entry_words', 'day_items', 'duty_records'])
      expect(
        JSON.stringify(await house.sequelize.query(`SELECT * FROM ${table}`, { type: QueryTypes.SELECT })),
      ).not.toMatch(/third pot|Quill/);
    expect((await send([first, note])).body.acknowledged).toHaveLength(2);
    expect((await send([{ ...note, body: { type: 'note', text: 'under the fourth pot' } }])).status).toBe(409);
  });

  test('what cannot be', async () => {
    const entries = [made(call, opening), made(call, { type: 'code', code: '3' }, 2)];
    await send(entries);
    await expect(redact(v7())).rejects.toThrow(/no entry/);
    await expect(redact(entries[0]!.id, 'nobody')).rejects.toThrow(/no person "nobody"/);
    await expect(redact(entries[1]!.id)).rejects.toThrow(/no words of anybody/);
    await redact(entries[0]!.id);
    expect(await redact(entries[0]!.id)).toMatch(/before/);
    await expect(
      house.owner.query(`UPDATE events SET hash = REPEAT('b', 64) WHERE id = '${entries[0]!.id}'`),
    ).rejects.toThrow(/never changed/);
  });
});
