import { type AddressInfo, createServer } from 'node:net';
import { type Node, Nodes, readNodes } from './nodes';

const [A, B, C]: readonly Node[] = [1, 2, 3].map((port) => ({ host: 'db', port }));

test('the first that answers is taken, and everybody keeps to it', async () => {
  const nodes = new Nodes([A!, B!, C!], async (n) => n !== A);
  expect(await nodes.choose()).toBe(B);
  expect(await nodes.choose()).toBe(B);
});

test('one that came back is liked again once its time is over; until then it is asked last', async () => {
  jest.useFakeTimers({ now: 0 });
  const up = new Set([B]);
  const asked: (number | undefined)[] = [];
  const nodes = new Nodes([A!, B!], async (n) => (asked.push(n.port), up.has(n)));
  expect(await nodes.choose()).toBe(B);
  up.add(A);
  expect(await nodes.choose()).toBe(B);
  jest.setSystemTime(2001);
  expect(await nodes.choose()).toBe(A);
  expect(asked).toEqual([1, 2, 2, 1]);
  jest.useRealTimers();
});

test('one that answers and cannot be worked with is left; where none answers the best liked says why', async () => {
  const nodes = new Nodes([A!, B!], async () => true);
  nodes.leave(A!);
  expect(await nodes.choose()).toBe(B);
  expect(await new Nodes([A!, B!], async () => false).choose()).toBe(A);
  expect(nodes.at('db', 2)).toBe(B);
  expect(nodes.at('db', 9)).toBeUndefined();
});

test('a port that listens answers, one that does not is passed over', async () => {
  const server = createServer().listen(0, '127.0.0.1');
  await new Promise((resolve) => server.once('listening', resolve));
  const open = { host: '127.0.0.1', port: (server.address() as AddressInfo).port };
  expect(await new Nodes([{ host: '127.0.0.1', port: 1 }, open]).choose()).toEqual(open);
  server.close();
});

test('nodes as they are written down', () => {
  expect(readNodes('10.0.0.2:3307, db-3 ,')).toEqual([
    { host: '10.0.0.2', port: 3307 },
    { host: 'db-3', port: 3306 },
  ]);
  expect(readNodes('')).toEqual([]);
});
