import sharp from 'sharp';
import { v7 } from 'uuid';
import type { Photo, SmallPhoto } from '@zetalysis/contract';
import { made, openHouse, opening } from '../../../test/house';

const { api, signIn } = openHouse();

/** A picture of 40 by 20 that a camera lying on its side took somewhere. */
const taken = (format: 'jpeg' | 'png' | 'webp') =>
  sharp({ create: { width: 40, height: 20, channels: 3, background: '#a33' } })
    .withExif({
      IFD0: { Make: 'Somebody’s phone' },
      IFD3: { GPSLatitudeRef: 'N', GPSLatitude: '51/1 30/1 0/1' },
    })
    .withMetadata({ orientation: 6 })
    .toFormat(format)
    .toBuffer();

async function machineAndCall() {
  const me = await signIn();
  const { machines } = (await api().get('/api/machines').set(me)).body as {
    machines: { id: string; profile: string }[];
  };
  const machine = machines.find((m) => m.profile === 'furnace-condensing')!.id;
  const call = v7();
  await api()
    .post(`/api/calls/${call}/events`)
    .set(me)
    .send({ events: [made(call, { ...opening, machine })] });
  const send = (body: object, id = v7()) =>
    api()
      .put(`/api/photos/${id}`)
      .set(me)
      .send({ call, ...body });
  const small = async () => (await api().get(`/api/machines/${machine}/photos`).set(me)).body as SmallPhoto[];
  const read = async (id: string) => (await api().get(`/api/photos/${id}`).set(me)).body as Photo;
  return { me, call, send, small, read };
}

test.each(['jpeg', 'png', 'webp'] as const)(
  'a %s is kept upright, and without what its camera wrote into it',
  async (format) => {
    const { send, read } = await machineAndCall();
    const id = v7();
    const picture = await taken(format);
    expect((await sharp(picture).metadata()).exif).toBeDefined();
    const body = { type: `image/${format}`, data: picture.toString('base64') };
    expect((await send(body, id)).status).toBe(204);
    const kept = await sharp(Buffer.from((await read(id)).data, 'base64')).metadata();
    expect([kept.format, kept.width, kept.height, kept.exif, kept.orientation]).toEqual([
      format,
      20,
      40,
      undefined,
      undefined,
    ]);
    // Sent again, it is the same one; another under its id is refused.
    expect((await send(body, id)).status).toBe(204);
    const other = await sharp(picture).negate().toFormat(format).toBuffer();
    expect((await send({ ...body, data: other.toString('base64') }, id)).status).toBe(409);
  },
);

test('a machine’s page has them small, the newest first; an erased one is gone', async () => {
  const { me, call, send, small } = await machineAndCall();
  const before = (await small()).length;
  const data = (await taken('jpeg')).toString('base64');
  const [first, second] = [v7(), v7()];
  await send({ type: 'image/jpeg', data }, first);
  await send({ type: 'image/jpeg', data }, second);
  const found = await small();
  expect(found.slice(0, 2).map((p) => [p.id, p.call])).toEqual([
    [second, call],
    [first, call],
  ]);
  expect(found).toHaveLength(before + 2);
  const { format, width, height } = await sharp(Buffer.from(found[0]!.thumbnail, 'base64')).metadata();
  expect([format, width, height]).toEqual(['webp', 264, 184]);
  expect((await api().delete(`/api/photos/${second}`).set(me)).status).toBe(204);
  expect((await small()).map((p) => p.id)).not.toContain(second);
});

test.each([
  ['words', async () => Buffer.from('this is no picture at all')],
  ['the beginning of a picture', async () => (await taken('jpeg')).subarray(0, 200)],
  ['a picture of another kind', () => taken('png')],
  ['a script in the coat of a picture', async () => Buffer.from('\xff\xd8\xff<script>alert(1)</script>', 'latin1')],
])('%s: refused with what to do, and nothing is kept', async (_, bytes) => {
  const { send, small } = await machineAndCall();
  const before = (await small()).length;
  const answer = await send({ type: 'image/jpeg', data: (await bytes()).toString('base64') });
  expect([answer.status, answer.body.detail]).toEqual([
    400,
    expect.stringMatching(/no whole picture.*Take the photo again/),
  ]);
  expect(await small()).toHaveLength(before);
});

test('a picture that would fill the memory is refused by its size', async () => {
  const { send } = await machineAndCall();
  // 9000 by 9000 of one colour is small as a file.
  const huge = await sharp({ create: { width: 9000, height: 9000, channels: 3, background: '#fff' } })
    .png()
    .toBuffer();
  const answer = await send({ type: 'image/png', data: huge.toString('base64') });
  expect([answer.status, answer.body.detail]).toEqual([400, expect.stringContaining('64 megapixels')]);
});
