import { type Dimension, parseReading } from '../units';

interface SheetField {
  readonly title: string;
  /** The longest text. */
  readonly most: number;
  readonly example: string;
  /** It is read off the plate, and not said of the place. */
  readonly plate?: true;
  /** It is a value with its unit, or a range of them. */
  readonly reads?: Dimension;
  /** It is a year. */
  readonly year?: true;
}

/** What is written down of a machine beside its name: its plate, how it stands, and what is normal on this one. */
export const SHEET = {
  made: { title: 'Made', most: 10, example: '2014', plate: true, year: true },
  fuel: { title: 'Fuel', most: 60, example: 'natural gas, not converted', plate: true },
  input: { title: 'Input', most: 40, example: '80,000 Btu/h', plate: true },
  manifold: { title: 'Manifold', most: 40, example: '3.5 in w.c.', plate: true, reads: 'pressure' },
  inlet: { title: 'Inlet, least', most: 40, example: '5.0 in w.c.', plate: true, reads: 'pressure' },
  rise: { title: 'Rise', most: 40, example: '35–65 °F', plate: true },
  volts: { title: 'Volts', most: 40, example: '120 V', plate: true, reads: 'voltage' },
  stands: { title: 'Stands', most: 120, example: 'utility room, behind the water heater' },
  shares: { title: 'Shares', most: 120, example: 'one switch with the second boiler' },
  normal: { title: 'Normal on this one', most: 400, example: 'The inducer hums for a second before it turns.' },
} as const satisfies Readonly<Record<string, SheetField>>;

export type SheetId = keyof typeof SHEET;
export type Sheet = Readonly<Record<SheetId, string>>;

export const SHEET_IDS = Object.keys(SHEET) as readonly SheetId[];

/** Nothing was written down yet. */
export const BLANK_SHEET = Object.fromEntries(SHEET_IDS.map((id) => [id, ''])) as Sheet;

/** No furnace of before is met any more. */
const FIRST_YEAR = 1900;

/** What of a sheet cannot be read, by field, each with what to write; `year` is this year. */
export function sheetProblems(sheet: Sheet, year: number): Partial<Record<SheetId, string>> {
  const problems: Partial<Record<SheetId, string>> = {};
  for (const id of SHEET_IDS) {
    const field: SheetField = SHEET[id];
    const text = sheet[id].trim();
    if (text === '') continue;
    if (field.year && !(/^\d{4}$/.test(text) && Number(text) >= FIRST_YEAR && Number(text) <= year))
      problems[id] = `A year from ${FIRST_YEAR} to ${year}, as ${field.example}.`;
    if (field.reads) {
      const read = parseReading(text, field.reads);
      if (!read.ok) problems[id] = read.message;
      else if (!/[a-z]/i.test(text)) problems[id] = `With its unit: ${field.example}`;
    }
  }
  return problems;
}
