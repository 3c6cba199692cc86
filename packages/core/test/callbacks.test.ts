import { callbacksAmong } from '../src/history';

const on = (id: string, day: string, ending: string | null = 'proved') => ({
  id,
  openedAt: `${day}T09:00:00Z`,
  ending,
});
const pairs = (...visits: Parameters<typeof callbacksAmong>[0][number][]) => Object.fromEntries(callbacksAmong(visits));

test('a machine that is called for again within thirty days: on both calls, in whatever order they are told', () =>
  expect(pairs(on('b', '2026-10-30'), on('a', '2026-10-01'))).toEqual({ a: { by: 'b' }, b: { of: 'a' } }));

test('thirty days are within, a day more is not', () => {
  expect(pairs(on('a', '2026-10-01'), on('b', '2026-10-31'))).toEqual({ a: { by: 'b' }, b: { of: 'a' } });
  expect(pairs(on('a', '2026-10-01'), on('b', '2026-11-01'))).toEqual({});
});

test('again and again: each comes back from the one before', () =>
  expect(pairs(on('a', '2026-10-01'), on('b', '2026-10-11'), on('c', '2026-10-21', null))).toEqual({
    a: { by: 'b' },
    b: { of: 'a', by: 'c' },
    c: { of: 'b' },
  }));

test('a call that was opened by mistake was no visit', () =>
  expect(pairs(on('a', '2026-09-15'), on('m', '2026-10-05', 'mistake'), on('b', '2026-10-30'))).toEqual({}));
