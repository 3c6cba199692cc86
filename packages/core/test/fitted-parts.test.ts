import { fittedParts, type MachineEntry } from '@zetalysis/core/history';
import type { EventBody } from '@zetalysis/core/visit';

const DAY = 86_400_000;
const fitted = (day: number, more: Partial<Extract<EventBody, { type: 'repaired' }>>): MachineEntry => ({
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
  expect(fittedParts([{ at: 0, call: 'c', body: { type: 'note', text: 'x' } }], '2026-11-30')).toEqual([]);
});
