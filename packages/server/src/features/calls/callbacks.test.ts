import type { CallSummary, Machine } from '@zetalysis/contract';
import { v7 } from 'uuid';
import { made, openHouse, opening } from '../../../test/house';

const house = openHouse();
const { api, signIn } = house;

test('a call on a machine to which somebody came within thirty days says from which call it came back', async () => {
  const me = await signIn();
  const register = {
    ...{ label: 'Alone', site: 'Here', make: '', modelName: '', serial: '', profile: 'furnace-condensing' },
    build: { options: [], order: {} },
  };
  const machine = ((await api().post('/api/machines').set(me).send(register)).body as Machine).id;
  const open = async (daysAgo: number): Promise<string> => {
    const call = v7();
    await api()
      .post(`/api/calls/${call}/events`)
      .set(me)
      .send({ events: [made(call, { ...opening, machine })] });
    await house.owner.query(`UPDATE calls SET createdAt = NOW(3) - INTERVAL ${daysAgo} DAY WHERE id = '${call}'`);
    return call;
  };
  const [old, first, second] = [await open(60), await open(29), await open(0)];
  const calls = (await api().get(`/api/machines/${machine}/calls`).set(me)).body as CallSummary[];
  const of = Object.fromEntries(calls.map(({ id, callbackOf }) => [id, callbackOf]));
  expect(of).toEqual({ [old]: null, [first]: null, [second]: first });
});
