import type { Build } from '@zetalysis/core/profile';
import { addDays, daysBetween, dueOf, dueWords, DUTIES, dutiesOf, isDay, type LastDone } from '@zetalysis/core/upkeep';

const PLAIN: Build = { options: [], order: {} };
const ids = (profile: string, family: Parameters<typeof dutiesOf>[0]['family'], options: string[] = []): string[] =>
  dutiesOf({ profile, family, build: { ...PLAIN, options } }).map(({ id }) => id);
const weekly = { heating: true } as const;
const good = (day: string): LastDone => ({ day, result: 'good' });

describe('what a machine asks for (common practice, no source)', () => {
  test('a float is drained weekly and tested by evaporation yearly; a probe is cleaned', () => {
    expect(ids('steam-intermittent-pilot', 'steam', ['float-and-auxiliary'])).toEqual(
      expect.arrayContaining(['drain-test', 'evaporation']),
    );
    const probe = ids('steam-intermittent-pilot', 'steam');
    expect(probe).toContain('probe');
    expect(probe).not.toContain('drain-test');
  });
  test('a tank has a relief valve, an anode and a screen; a furnace a filter, a condensing one a trap too', () => {
    expect(ids('storage-water-heater', 'storage-heater')).toEqual(
      expect.arrayContaining(['relief-lever', 'anode', 'intake-screen']),
    );
    expect(ids('furnace-condensing', 'furnace')).toEqual(expect.arrayContaining(['filter', 'condensate-trap']));
    expect(ids('furnace-standing-pilot', 'furnace')).not.toContain('condensate-trap');
  });
  test('what burns no gas has no combustion test; a family that nobody knows has nothing', () => {
    expect(ids('pool-heat-pump', 'pool-heat-pump')).toEqual(['co-alarm']);
    expect(ids('own', undefined)).toEqual([]);
  });
  test('a duty for somebody without training says what can hurt', () => {
    const forCaretakers = DUTIES.filter((d) => d.caretaker);
    expect(forCaretakers.length).toBeGreaterThan(0);
    for (const { caution = '' } of forCaretakers) expect(caution).not.toBe('');
  });
});

describe('when it is due', () => {
  test('so long after it was done; before the first time so long after the machine was known', () => {
    expect(dueOf({}, 365, good('2026-01-10'), '2020-01-01', '2026-02-01').day).toBe('2027-01-10');
    expect(dueOf({}, 91, undefined, '2026-01-01', '2026-02-01').day).toBe('2026-04-02');
  });
  test.each([
    ['2026-11-08', 'soon'],
    ['2026-11-10', 'soon'],
    ['2026-11-11', 'overdue'],
    ['2026-11-06', 'later'],
  ])('a weekly test done on 3 November, on %s: %s', (today, state) =>
    expect(dueOf(weekly, 7, good('2026-11-03'), '2020-01-01', today).state).toBe(state),
  );
  test('a weekly test of the heating season rests in summer', () => {
    expect(dueOf(weekly, 7, good('2026-04-28'), '2020-01-01', '2026-06-01').day).toBe('2026-10-01');
    // Missed in April, and nobody heats in June: due with the first fire.
    expect(dueOf(weekly, 7, good('2026-03-01'), '2020-01-01', '2026-06-01')).toMatchObject({
      day: '2026-10-01',
      state: 'later',
    });
    expect(dueOf(weekly, 7, good('2026-03-01'), '2020-01-01', '2026-04-01').state).toBe('overdue');
  });
  test('what belongs before the season is due on its eve, once for each season', () => {
    const duty = { beforeSeason: true } as const;
    expect(dueOf(duty, 365, undefined, '2026-05-01', '2026-06-01').day).toBe('2026-09-30');
    expect(dueOf(duty, 365, good('2026-09-12'), '2020-01-01', '2026-09-20').day).toBe('2027-09-30');
    expect(dueOf(duty, 365, good('2026-06-12'), '2020-01-01', '2026-09-20').day).toBe('2026-09-30');
    expect(dueOf(duty, 365, good('2026-10-02'), '2020-01-01', '2026-10-20').day).toBe('2027-09-30');
  });
  test('what failed is due at once, whatever the calendar says', () =>
    expect(dueOf(weekly, 7, { day: '2026-06-01', result: 'bad' }, '2020-01-01', '2026-07-01')).toEqual({
      day: '2026-06-01',
      failed: true,
      state: 'overdue',
    }));
  test.each([
    ['2026-11-24', '6 days over'],
    ['2026-11-29', '1 day over'],
    ['2026-11-30', 'today'],
    ['2026-12-01', 'in 1 day'],
    ['2027-01-30', 'on 2027-01-30'],
  ])('%s is said as: %s', (day, words) => expect(dueWords({ day, failed: false }, '2026-11-30')).toBe(words));
});

describe('days', () => {
  test('over the end of a month, a leap day, and the change of the clocks', () => {
    expect(addDays('2028-02-28', 1)).toBe('2028-02-29');
    expect(addDays('2026-12-31', 1)).toBe('2027-01-01');
    expect(daysBetween('2026-03-28', '2026-03-30')).toBe(2);
    expect(daysBetween('2026-03-30', '2026-03-28')).toBe(-2);
  });
  test.each(['2026-02-30', '2026-13-01', '26-01-01', 'soon', ''])('%j is no day', (text) =>
    expect(isDay(text)).toBe(false),
  );
  test('2028-02-29 is one', () => expect(isDay('2028-02-29')).toBe(true));
});
