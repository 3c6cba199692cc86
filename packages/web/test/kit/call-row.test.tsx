/** @jest-environment jsdom */
// First of all: it gives the simulated page what the router asks for.
import { render } from './render';
import { screen } from '@testing-library/react';
import { MemoryRouter } from 'react-router';
import type { CallSummary } from '@zetalysis/contract';
import { overviewOf } from '@zetalysis/core/visit';
import { CallRow } from '../../src/places/today/CallRow';

const NOW = Date.parse('2026-01-05T10:00:00Z');
const STOP = {
  id: 'co',
  title: 'Carbon monoxide',
  grade: 'off' as const,
  person: 'imre',
  since: '2026-01-05T09:30:00.000Z',
  order: 'Open the windows.',
  unable: [],
  endedBy: 'lead',
};
const call = (overview: Partial<CallSummary['overview']>): CallSummary => ({
  id: 'c',
  person: 'Imre Castellan',
  callbackOf: null,
  complaint: 'It smells odd.',
  profile: 'furnace-condensing',
  build: { options: [], order: {} },
  openedAt: '2026-01-05T09:00:00.000Z',
  machine: null,
  overview: { ...overviewOf([], NOW), ...overview },
});
const draw = (overview: Partial<CallSummary['overview']>) =>
  render(
    <MemoryRouter>
      <ol>
        <CallRow call={call(overview)} profiles={[]} now={NOW} />
      </ol>
    </MemoryRouter>,
  );

describe('a call on the day’s cord', () => {
  test.each([
    ['open', { state: 'open', ending: null }],
    ['closed with it, to be seen by somebody else', { state: 'closed', ending: 'referred' }],
    ['closed, and an entry came late', { state: 'late', ending: 'referred' }],
  ] as const)('a stop is said whether the call is %s', (_how, standing) => {
    draw({ ...standing, stops: [STOP] });
    const said = screen.getByRole('alert').textContent;
    expect(said).toMatch(/STOP since .*Carbon monoxide/);
    expect(said).toMatch(/Not answered yet: Open the windows\. Ended by: lead\./);
  });

  test('what was left off and tagged is no alarm: it is off', () => {
    draw({ state: 'closed', ending: 'left-off', stops: [STOP] });
    expect(screen.queryByRole('alert')).toBeNull();
    expect(screen.getByText('Left off and tagged', { exact: false })).toBeTruthy();
  });

  test('a clock that runs is waited for; over, it says so', () => {
    const clocks = [{ title: 'Boiler cools', since: '2026-01-05T09:00:00.000Z', ends: '2026-01-05T09:59:00.000Z' }];
    draw({ clocks });
    expect(screen.getByText('Its clock is over:')).toBeTruthy();
  });
});

test.each([
  ['the-one-before', true],
  [null, false],
])('called back from %s: said %s', (callbackOf, said) => {
  render(
    <MemoryRouter>
      <CallRow call={{ ...call({}), callbackOf }} profiles={[]} now={NOW} />
    </MemoryRouter>,
  );
  expect(screen.queryByText('called back') !== null).toBe(said);
});
