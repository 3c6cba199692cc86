import { DAY, gapsOf, outOfOrder, type Planned, readSlot, timetable, timeWords } from '@zetalysis/core/schedule';

const at = (hour: number, minute = 0): number => hour * 60 + minute;
const visit = (id: string, more: Partial<Planned> = {}): Planned => ({
  id,
  slot: undefined,
  p50: 60,
  p80: 90,
  ...more,
});

describe('the day in its order', () => {
  test('each begins when the one before is over and the way is driven', () => {
    const [a, b] = timetable([visit('a'), visit('b', { p50: 30 })]);
    expect([a!.begins, a!.ends]).toEqual([at(8), at(9)]);
    expect([b!.begins, b!.ends]).toEqual([at(9, 20), at(9, 50)]);
    // When the first takes long.
    expect(b!.endsLate).toBe(at(8) + 90 + DAY.between + 90);
  });
  test('nobody comes before they were announced', () =>
    expect(timetable([visit('a', { slot: { from: at(10), to: at(12) } })])[0]).toMatchObject({
      begins: at(10),
      conflicts: [],
    }));
  test('what would begin after it was announced is said, and how much', () => {
    const [, late] = timetable([visit('a', { p50: 150, p80: 150 }), visit('b', { slot: { from: at(8), to: at(10) } })]);
    expect(late!.conflicts).toEqual([{ is: 'too-late', by: 50 }]);
  });
  test('what is in time by the usual length, and not by the long one, may be late', () => {
    const [, b] = timetable([visit('a', { p50: 60, p80: 120 }), visit('b', { slot: { from: at(9), to: at(10) } })]);
    expect(b!.conflicts).toEqual([{ is: 'may-be-late', by: 20 }]);
  });
  test('the wrong way round, and after hours', () => {
    const placed = timetable([
      visit('a', { slot: { from: at(14), to: at(16) } }),
      visit('b', { slot: { from: at(9), to: at(11) }, p50: 150 }),
    ]);
    expect(placed[1]!.conflicts.map((c) => c.is)).toEqual(['too-late', 'before-the-one-before', 'after-hours']);
  });
});

test('gaps that are worth an offer: before, between and after', () => {
  const placed = timetable([
    visit('a', { slot: { from: at(9), to: at(10) } }),
    visit('b', { slot: { from: at(13), to: at(14) } }),
  ]);
  expect(gapsOf(placed).map(({ from, to }) => `${timeWords(from)}-${timeWords(to)}`)).toEqual([
    '10:20-12:40',
    '14:20-17:00',
  ]);
  expect(gapsOf([])).toEqual([{ from: DAY.begins, to: DAY.ends }]);
});

test('gas and carbon monoxide first, then frost; who stands before something graver is told', () => {
  const items = [
    { id: 'a', priority: 'usual' },
    { id: 'b', priority: 'danger' },
    { id: 'c', priority: 'frost' },
    { id: 'd', priority: 'usual' },
  ] as const;
  expect(outOfOrder(items)).toEqual(['a']);
  expect(outOfOrder([items[1], items[2], items[0], items[3]])).toEqual([]);
});

describe('when somebody was announced', () => {
  test.each([
    ['9-11', at(9), at(11)],
    ['09:30–12:00', at(9, 30), at(12)],
    [' 8 - 24 ', at(8), at(24)],
  ])('%j', (text, from, to) => expect(readSlot(text)).toEqual({ slot: { from, to } }));
  test.each(['soon', '9', '11-9', '9-9', '25-26', '9:70-10'])(
    '%j is not understood, and what to write is said',
    (text) => expect(readSlot(text)).toEqual({ wrong: expect.stringMatching(/9-11/) }),
  );
  test('nothing is nothing', () => expect(readSlot('  ')).toEqual({ slot: undefined }));
});
