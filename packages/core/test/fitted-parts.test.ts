import { fittedParts, leftToDo, type MachineEntry } from '@zetalysis/core/history';
import type { EventBody } from '@zetalysis/core/visit';

const DAY = 86_400_000;
const fitted = (day: number, more: Partial<Extract<EventBody, { type: 'repaired' }>>): MachineEntry => ({
  id: `e${day}`,
  at: day * DAY,
  call: `c${day}`,
  body: { type: 'repaired', part: 'igniter', title: 'igniter', action: 'New igniter', ...more },
});

test('the newest of each part, with its number and whether its warranty still holds', () => {
  const parts = fittedParts(
    [
      fitted(9, { number: 'HS-42', warranty: '2027-11-30' }),
      fitted(2, { number: 'HS-41', warranty: '2020-01-01' }),
      fitted(5, { part: 'inducer', title: 'inducer', warranty: '2026-11-29' }),
    ],
    '2026-11-30',
  );
  expect(parts.map(({ part, number, underWarranty, call }) => [part, number, underWarranty, call])).toEqual([
    ['igniter', 'HS-42', true, 'c9'],
    ['inducer', '', false, 'c5'],
  ]);
});

test('on its last day it holds; one without a day has none', () => {
  const on = (warranty: string | undefined) =>
    fittedParts([fitted(1, warranty === undefined ? {} : { warranty })], '2026-11-30')[0]!.underWarranty;
  expect([on('2026-11-30'), on('2026-11-29'), on(undefined)]).toEqual([true, false, false]);
});

test('where the old one is in again, what was fitted is in the machine no more', () => {
  expect(fittedParts([fitted(1, {}), fitted(2, { old: true })], '2026-11-30')).toEqual([]);
  expect(fittedParts([{ id: 'e', at: 0, call: 'c', body: { type: 'note', text: 'x' } }], '2026-11-30')).toEqual([]);
});

test('what was recommended and not declined is left to do, the newest first; what the customer wants is said', () => {
  const said = (id: string, day: number, body: EventBody): MachineEntry => ({
    id,
    at: day * DAY,
    call: `c${day}`,
    body,
  });
  const entries = [
    said('a', 1, { type: 'recommended', words: 'a new flue' }),
    said('b', 2, { type: 'recommended', words: 'a drip leg' }),
    said('c', 3, { type: 'recommended', words: 'an alarm' }),
    said('d', 4, { type: 'recommendation-settled', event: 'b', how: 'declined', words: '' }),
    said('e', 5, { type: 'recommendation-settled', event: 'c', how: 'accepted', words: '' }),
    // Declined at first, and wanted in the end.
    said('f', 6, { type: 'recommendation-settled', event: 'a', how: 'declined', words: '' }),
    said('g', 7, { type: 'recommendation-settled', event: 'a', how: 'accepted', words: '' }),
    fitted(8, {}),
  ];
  expect(leftToDo([...entries].reverse()).map(({ words, wanted, call }) => [words, wanted, call])).toEqual([
    ['an alarm', true, 'c3'],
    ['a new flue', true, 'c1'],
  ]);
  expect(leftToDo(entries.slice(0, 2)).map(({ words, wanted }) => [words, wanted])).toEqual([
    ['a drip leg', false],
    ['a new flue', false],
  ]);
});
