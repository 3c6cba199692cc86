import { endsInUnit, type Parsed, parseQuantity, parseReading, type Reading, readingValue } from '../units';
import type { Ask, Given, NumberAsk } from './spec';
import { type Accuracy, expanded, INSTRUMENTS_OF_A_BAG, leadOhms, offBy } from './uncertainty';
import type { Uncertain } from './zones';

/** What was typed and chosen, by the id of what was asked. */
export type Typed = Readonly<Record<string, string>>;

/** The shop's instruments, where its register has one of a kind. */
export type Instruments = Partial<Readonly<Record<keyof typeof INSTRUMENTS_OF_A_BAG, Accuracy>>>;

/** What of a contact's ohms changes from touch to touch, Ω. Common practice, no source. */
const CONTACT_SCATTER = 0.05;
const CELSIUS = 273.15;
/** How warm a winding is where nobody measured it, °C; chosen by us. */
const WARMTHS: Readonly<Record<string, readonly [number, number]>> = { room: [20, 5], idle: [15, 25], ran: [45, 55] };
const THERMOMETER_KELVIN = 3;
/** A shop knows how high its town lies; m. */
const ALTITUDE_WITHIN = 150;

/** What cannot be read, by the id of what was asked, each with what to type instead. */
export type Problems = Readonly<Record<string, string>>;

/** Reads what was typed into the form of a test. */
export function readGiven(
  asks: readonly Ask[],
  typed: Typed,
  instruments: Instruments = {},
): { readonly given: Given; readonly problems: Problems } {
  const readings = new Map<string, Reading>();
  const problems: Record<string, string> = {};
  for (const ask of asks) {
    const text = (typed[ask.id] ?? '').trim();
    if (text === '') continue;
    if (ask.kind === 'choice') {
      if (!ask.options.some(({ id }) => id === text))
        problems[ask.id] = `Choose one of: ${ask.options.map(({ title }) => title).join('; ')}.`;
      continue;
    }
    const read = readAsk(text, ask);
    if (read.ok) readings.set(ask.id, read.value);
    else problems[ask.id] = read.message;
  }
  const numbers = new Map(asks.filter((a): a is NumberAsk => a.kind === 'number').map((a) => [a.id, a]));
  const choice = (id: string): string | undefined => {
    const text = typed[id]?.trim() ?? '';
    return text === '' || problems[id] !== undefined ? undefined : text;
  };
  const number = (id: string): number | undefined => {
    const reading = readings.get(id);
    return reading && readingValue(reading);
  };
  const accuracy = (id: string): Accuracy | undefined => {
    const kind = numbers.get(id)?.instrument;
    return kind && (instruments[kind] ?? INSTRUMENTS_OF_A_BAG[kind]);
  };
  const off = (id: string): number => {
    const [by, value] = [accuracy(id), number(id)];
    return by === undefined || value === undefined || !Number.isFinite(value) ? 0 : offBy(by, value);
  };
  const given: Given = {
    choice,
    number,
    reading: (id) => readings.get(id),
    bare: (id) => {
      const text = typed[id]?.trim() ?? '';
      return /^\d+([.,]\d+)?$/.test(text) ? Number(text.replace(',', '.')) : undefined;
    },
    off,
    offWith: (kind, value) => offBy(instruments[kind] ?? INSTRUMENTS_OF_A_BAG[kind], value),
    measured: (id) => ({ value: number(id)!, u: expanded(off(id)) }),
    scatter: (id) => {
      const [by, value] = [accuracy(id), number(id)];
      if (by === undefined || value === undefined) return 0;
      const digits = offBy({ ...by, share: 0 }, value);
      return numbers.get(id)!.dimension === 'resistance' ? Math.hypot(digits, CONTACT_SCATTER) : digits;
    },
    leads: leadOhms(number('Lz')),
    warmth: warmthOf(number('T'), choice('warm')),
    altitude: { value: number('alt') ?? 0, u: ALTITUDE_WITHIN },
  };
  return { given, problems };
}

function warmthOf(kelvin: number | undefined, said: string | undefined): Uncertain {
  if (kelvin !== undefined) return { value: kelvin, u: THERMOMETER_KELVIN };
  const [celsius, within] = WARMTHS[said ?? 'ran']!;
  return { value: celsius + CELSIUS, u: within };
}

/** Reads what was typed for one number; a bare one is in the unit that stands behind its field. */
export const readAsk = (text: string, ask: NumberAsk): Parsed<Reading> => readNumber(withUnit(text, ask), ask);

/** What an instrument shows may be open or unsteady; what stands on a plate is one number, and may be larger. */
function readNumber(text: string, { instrument, dimension }: NumberAsk): Parsed<Reading> {
  if (instrument !== undefined) return parseReading(text, dimension);
  const read = parseQuantity(text, dimension);
  return read.ok ? { ok: true, value: { kind: 'value', ...read.value } } : read;
}

const withUnit = (text: string, { unit }: NumberAsk): string =>
  endsInUnit(text) || unit === '' ? text : `${text} ${unit}`;
