import type { Setup } from '../simulation';
import { FUNCTION_IDS, type FunctionId, factsOf, INSTRUMENT_KINDS, type InstrumentKind } from './functions';

/**
 * What an adapter and whoever listens say to each other: one JSON object a line, over a WebSocket on this machine only.
 * `docs/formats/instruments.md` describes it.
 */
export const PROTOCOL = 1;

/** Longest line that is read. */
export const LONGEST_LINE = 4000;

/** An instrument as it introduces itself. */
export interface InstrumentCard {
  /** The same for as long as it is connected. */
  readonly id: string;
  readonly kind: InstrumentKind;
  readonly title: string;
  /** What the register of the shop knows it by. */
  readonly serial: string;
}

/** How a simulated appliance stands; a real one is where the technician is. */
export interface MachineSetup extends Required<Setup> {
  /** Parts that were repaired. */
  readonly repaired: readonly string[];
}

/** From an adapter. */
export type FromInstruments =
  | {
      readonly t: 'welcome';
      readonly protocol: number;
      readonly name: string;
      /** Which appliance it simulates: profile and the machine's name; nothing where the instruments are real. */
      readonly simulates?: { readonly profile: string; readonly machine: string };
    }
  | { readonly t: 'refused'; readonly why: string }
  | ({ readonly t: 'instrument' } & InstrumentCard)
  | { readonly t: 'gone'; readonly id: string }
  | {
      readonly t: 'shows';
      readonly id: string;
      readonly function: FunctionId;
      readonly value: number | null;
      readonly unit: string;
      readonly step: number;
      readonly over: boolean;
    };

/** To an adapter. */
export type ToInstruments =
  | { readonly t: 'hello'; readonly protocol: number; readonly code: string }
  | ({ readonly t: 'machine' } & MachineSetup);

/** A line that cannot be understood, and why: what is wrong in it is said, and nothing of it is used. */
export interface Garbled {
  readonly t: 'garbled';
  readonly why: string;
}

type Fields = Readonly<Record<string, unknown>>;

/** Reads a line of an adapter. */
export const readFromInstruments = (line: string): FromInstruments | Garbled =>
  readLine(line, (said) => {
    switch (said['t']) {
      case 'welcome': {
        const simulates = said['simulates'] as Fields | undefined;
        const protocol = number(said, 'protocol');
        if (protocol !== PROTOCOL) throw new Garble(`protocol ${protocol} is not spoken here; ${PROTOCOL} is`);
        return {
          t: 'welcome',
          protocol,
          name: text(said, 'name'),
          ...(simulates !== undefined && {
            simulates: { profile: text(simulates, 'profile'), machine: text(simulates, 'machine') },
          }),
        };
      }
      case 'refused':
        return { t: 'refused', why: text(said, 'why', 400) };
      case 'instrument':
        return {
          t: 'instrument',
          id: text(said, 'id'),
          kind: oneOf(said, 'kind', INSTRUMENT_KINDS),
          title: text(said, 'title'),
          serial: text(said, 'serial'),
        };
      case 'gone':
        return { t: 'gone', id: text(said, 'id') };
      case 'shows': {
        const set = oneOf(said, 'function', FUNCTION_IDS);
        const value = said['value'] === null ? null : number(said, 'value');
        const step = number(said, 'step');
        if (step <= 0) throw new Garble('"step" must be more than 0: the size of the last digit');
        return {
          t: 'shows',
          id: text(said, 'id'),
          function: set,
          value,
          unit: oneOf(said, 'unit', factsOf(set).units),
          step,
          over: said['over'] === true,
        };
      }
      default:
        throw new Garble(`"t" is ${JSON.stringify(said['t'])}`);
    }
  });

/** Reads a line of whoever listens. */
export const readToInstruments = (line: string): ToInstruments | Garbled =>
  readLine(line, (said) => {
    switch (said['t']) {
      case 'hello':
        return { t: 'hello', protocol: number(said, 'protocol'), code: text(said, 'code') };
      case 'machine':
        return {
          t: 'machine',
          power: flag(said, 'power'),
          gas: flag(said, 'gas'),
          heatCall: flag(said, 'heatCall'),
          unplugged: names(said, 'unplugged'),
          bypassed: names(said, 'bypassed'),
          actions: names(said, 'actions'),
          apart: names(said, 'apart'),
          repaired: names(said, 'repaired'),
        };
      default:
        throw new Garble(`"t" is ${JSON.stringify(said['t'])}`);
    }
  });

export const toLine = (said: FromInstruments | ToInstruments): string => JSON.stringify(said);

export class Garble extends Error {}

export function readLine<M>(line: string, read: (said: Fields) => M): M | Garbled {
  if (line.length > LONGEST_LINE) return { t: 'garbled', why: `a line has at most ${LONGEST_LINE} characters` };
  let said: unknown;
  try {
    said = JSON.parse(line);
  } catch {
    return { t: 'garbled', why: 'it is not JSON' };
  }
  if (typeof said !== 'object' || said === null || Array.isArray(said))
    return { t: 'garbled', why: 'it is not one object' };
  try {
    return read(said as Fields);
  } catch (error) {
    if (error instanceof Garble) return { t: 'garbled', why: error.message };
    throw error;
  }
}

export function text(said: Fields | undefined, field: string, most = 80): string {
  const value = said?.[field];
  if (typeof value === 'string' && value !== '' && value.length <= most) return value;
  throw new Garble(`"${field}" must be a text of 1 to ${most} characters`);
}

export function number(said: Fields, field: string): number {
  const value = said[field];
  if (typeof value === 'number' && Number.isFinite(value)) return value;
  throw new Garble(`"${field}" must be a number`);
}

export function flag(said: Fields, field: string): boolean {
  const value = said[field];
  if (typeof value === 'boolean') return value;
  throw new Garble(`"${field}" must be true or false`);
}

function names(said: Fields, field: string): readonly string[] {
  const value = said[field];
  if (Array.isArray(value) && value.length <= 100 && value.every((v) => typeof v === 'string')) return value;
  throw new Garble(`"${field}" must be a list of names`);
}

export function oneOf<W extends string>(said: Fields, field: string, words: readonly W[]): W {
  const value = said[field];
  const known = words.find((w) => w === value);
  if (known !== undefined) return known;
  throw new Garble(`"${field}" must be one of ${words.join(', ')}`);
}
