import './browser';
import { currentRates, ratesWith } from '../src/store/rates';

const BOOK = { format: 'zetalysis-rates/1', families: {} } as const;

/** What the server says next, by address; an address that is missing cannot be reached. */
let says: Readonly<Record<string, readonly [number, object]>> = {};
const asked: string[] = [];
beforeEach(() => {
  asked.length = 0;
  globalThis.fetch = ((address: string) => {
    asked.push(address);
    const answer = says[address];
    if (!answer) return Promise.reject(new TypeError('failed to fetch'));
    const [status, body] = answer;
    return Promise.resolve(
      new Response(JSON.stringify(body), { status, headers: { 'content-type': 'application/json' } }),
    );
  }) as typeof fetch;
});

test('what ships is used where the shop publishes nothing, and where nothing was ever heard', async () => {
  says = {};
  expect(await currentRates()).toBeUndefined();
  says = { '/api/rates/current': [200, { version: null }] };
  expect(await currentRates()).toBeUndefined();
});

test('a version is fetched once, and then pinned and read without the server', async () => {
  says = { '/api/rates/current': [200, { version: 4 }], '/api/rates/4': [200, { version: 4, book: BOOK }] };
  expect(await currentRates()).toBe(4);
  // Heard, but not here yet: nobody pins what they cannot read.
  says = {};
  expect(await currentRates()).toBeUndefined();
  says = { '/api/rates/4': [200, { version: 4, book: BOOK }] };
  expect(await ratesWith(4)).toEqual(BOOK);
  says = {};
  asked.length = 0;
  expect(await ratesWith(4)).toEqual(BOOK);
  expect(asked).toEqual([]);
  expect(await currentRates()).toBe(4);
});

test('a version of another shop is none, and one that cannot be fetched now is said', async () => {
  says = { '/api/rates/9': [404, { title: 'No such version', detail: 'There is none.' }] };
  expect(await ratesWith(9)).toBeUndefined();
  says = {};
  await expect(ratesWith(10)).rejects.toThrow(/cannot be reached/);
});
