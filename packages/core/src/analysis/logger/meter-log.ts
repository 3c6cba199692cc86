import Papa from 'papaparse';
import { type Dimension, findUnit } from '../../units';

/** One column of a logging meter, SI; not a number where nothing could be read. */
export interface LogColumn {
  /** As the file names it. */
  readonly name: string;
  readonly dimension: Dimension | undefined;
  /** Of the unit that its name holds, as it is written; nothing where it holds none. */
  readonly unit: string | undefined;
  readonly values: Float64Array;
}

/** What a logging meter wrote. */
export interface MeterLog {
  /** Seconds since its first row. */
  readonly time: Float64Array;
  readonly columns: readonly LogColumn[];
  /** What was recognised of the file, in words. */
  readonly recognised: readonly string[];
  /** Rows that hold no time, and were left out. */
  readonly skipped: number;
}

/** Logs longer than this are refused: a day at ten readings a second. */
const MOST_ROWS = 1_000_000;
/** How many rows are read between two reports. */
const REPORT_EVERY = 20_000;
const DELIMITERS: Readonly<Record<string, string>> = { ',': 'commas', ';': 'semicolons', '\t': 'tabs' };

/**
 * Reads the file of a logging meter: a time, and one column for each channel. Delimiter, decimal comma, header and units are
 * recognised; rows without a time are left out.
 * @param onProgress share of the text that was read
 * @throws RangeError with what to do, where it is no such file
 */
export function readMeterLog(text: string, onProgress?: (share: number) => void): MeterLog {
  const sample = text.slice(0, 4000);
  const delimiter = delimiterOf(sample);
  const decimalComma = delimiter !== ',' && /\d,\d/.test(sample);
  const number = (cell: string | undefined): number => {
    const written = (cell ?? '').trim();
    if (written === '') return NaN;
    const value = Number(decimalComma ? written.replace(',', '.') : written);
    return Number.isNaN(value) ? amount(written, decimalComma) : value;
  };
  const rows: string[][] = [];
  Papa.parse<string[]>(text.trimEnd(), {
    delimiter,
    skipEmptyLines: true,
    step: ({ data, meta }) => {
      rows.push(data);
      if (rows.length % REPORT_EVERY === 0) onProgress?.(meta.cursor / text.length);
      if (rows.length > MOST_ROWS)
        throw new RangeError('More than a million rows: cut the log to the tries that matter, and read it again.');
    },
  });
  const clock = (cell: string | undefined): number => seconds((cell ?? '').trim(), number);
  const headed = rows.findIndex((r) => r.length > 1 && !Number.isNaN(clock(r[0])) && !Number.isNaN(number(r[1])));
  if (headed < 0)
    throw new RangeError(
      'No rows with a time and a reading were found. The first column is the time, the others the channels.',
    );
  // Whatever stands above the first row of numbers and is as long is its header.
  const header = headed > 0 ? rows[headed - 1] : undefined;
  const width = rows[headed]!.length;
  const names = Array.from({ length: width }, (_, i) => header?.[i]?.trim() || (i === 0 ? 'time' : `channel ${i}`));
  const body = rows.slice(headed).filter((r) => !Number.isNaN(clock(r[0])));
  const scale = /\[?\(?ms\]?\)?$/i.test(names[0]!) ? 1e-3 : /min/i.test(names[0]!) ? 60 : 1;
  const start = clock(body[0]![0]);
  const time = Float64Array.from(body, (r) => (clock(r[0]) - start) * scale);
  inOrder(time);
  const columns = names.slice(1).map((name, i): LogColumn => {
    const unit = unitIn(name);
    const known = unit === undefined ? undefined : findUnit(unit);
    return {
      name,
      unit,
      dimension: known?.dimension,
      values: Float64Array.from(body, (r) => number(r[i + 1]) * (known?.factor ?? 1) + (known?.offset ?? 0)),
    };
  });
  onProgress?.(1);
  return {
    time,
    columns,
    recognised: [
      `${body.length.toLocaleString('en-US')} rows`,
      `${DELIMITERS[delimiter]!} between cells`,
      decimalComma ? 'decimal comma' : 'decimal point',
      header ? `header: ${names.join(', ')}` : 'no header',
    ],
    skipped: rows.length - headed - body.length,
  };
}

/** The one that parts most rows into as many cells each. */
function delimiterOf(sample: string): string {
  const lines = sample.split(/\r?\n/).slice(0, 20).filter(Boolean);
  const counts = Object.keys(DELIMITERS).map((d) => ({ d, cells: lines.map((l) => l.split(d).length - 1) }));
  // A comma between digits may be a decimal comma: where semicolons or tabs part the row, they do.
  const [best] = counts
    .filter(({ cells }) => cells.some((n) => n > 0))
    .sort((a, b) => Number(a.d === ',') - Number(b.d === ',') || Math.max(...b.cells) - Math.max(...a.cells));
  if (!best)
    throw new RangeError(
      'One column only: a log has a time and at least one channel, with a comma, semicolon or tab between.',
    );
  return best.d;
}

/** A clock time, a date with one, or a plain number; seconds. */
function seconds(cell: string, number: (cell: string) => number): number {
  const clock = /^(?:(\d+):)?(\d{1,2}):(\d{1,2}(?:[.,]\d+)?)$/.exec(cell);
  if (clock) return 3600 * Number(clock[1] ?? 0) + 60 * Number(clock[2]) + Number(clock[3]!.replace(',', '.'));
  const plain = number(cell);
  if (!Number.isNaN(plain)) return plain;
  return /\d[-/.]\d+[-/.]\d.*\d:\d/.test(cell) ? Date.parse(cell) / 1000 : NaN;
}

/** A number with its unit behind it, as some meters write every cell. */
function amount(cell: string, decimalComma: boolean): number {
  const found = /^([-+]?[\d.,]+)\s*[a-zµΩ°%]/i.exec(cell);
  return found ? Number(decimalComma ? found[1]!.replace(',', '.') : found[1]) : NaN;
}

const unitIn = (name: string): string | undefined => {
  const found = /[[(]([^\])]+)[\])]\s*$/.exec(name)?.[1] ?? /[_\s]([a-zµΩ]+)$/i.exec(name)?.[1];
  const unit = found?.trim().split(/\s+/)[0];
  return unit !== undefined && findUnit(unit) ? unit : undefined;
};

function inOrder(time: Float64Array): void {
  for (let i = 1; i < time.length; i++)
    if (time[i]! < time[i - 1]!)
      throw new RangeError('Its times do not go up from row to row: is the first column the time?');
}
