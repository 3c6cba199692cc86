import { ageAt, BLANK_SHEET, SHEET, SHEET_IDS, sheetProblems, type SheetId } from '../src/history';

const problems = (typed: Partial<Record<SheetId, string>>) => sheetProblems({ ...BLANK_SHEET, ...typed }, 2026);

test('nothing has to be written down, and every example may be', () => {
  expect(problems({})).toEqual({});
  expect(problems(Object.fromEntries(SHEET_IDS.map((id) => [id, SHEET[id].example])))).toEqual({});
  for (const id of SHEET_IDS) expect(SHEET[id].example.length).toBeLessThanOrEqual(SHEET[id].most);
});

test.each([
  ['made', '14', /A year from 1900 to 2026/],
  ['made', '1899', /A year/],
  ['made', '2027', /A year/],
  ['made', 'spring 2014', /A year/],
  ['manifold', '3.5', /With its unit/],
  ['manifold', 'plenty', /./],
  ['inlet', '5 V', /pressure/],
  ['volts', '120', /With its unit/],
] as const)('%s: "%s" is refused with what to write', (id, text, words) =>
  expect(problems({ [id]: text })).toEqual({ [id]: expect.stringMatching(words) }),
);

test.each([
  ['made', '1900'],
  ['made', '2026'],
  ['manifold', '8.7 mbar'],
  ['inlet', '5 to 10.5 in w.c.'],
  ['volts', '120-127 V'],
  ['input', 'as the plate has it'],
] as const)('%s: "%s" is taken', (id, text) => expect(problems({ [id]: text })).toEqual({}));

test.each([
  ['2014', 12],
  ['2026', 0],
  ['2027', 0],
  ['', undefined],
  [' ', undefined],
  ['spring 2014', undefined],
  [undefined, undefined],
])('a machine made %p is %p years old in 2026', (made, years) => {
  expect(ageAt(made, new Date(2026, 5, 1))).toBe(years);
});
