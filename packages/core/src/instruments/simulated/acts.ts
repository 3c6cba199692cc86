import type { Display } from '../display';
import { FUNCTION_IDS, type FunctionId } from '../functions';
import {
  flag,
  Garble,
  type Garbled,
  type InstrumentCard,
  type MachineSetup,
  number,
  oneOf,
  readLine,
  text,
} from '../protocol';
import type { Place } from './place';

/** What somebody does at the bench of simulated instruments. */
export type Act =
  /** Stands in front of another machine. */
  | { readonly do: 'choose'; readonly machine: string }
  | { readonly do: 'put'; readonly id: string; readonly place: Place }
  | { readonly do: 'turn'; readonly id: string; readonly set: FunctionId }
  /** Switches an instrument on, or off. */
  | { readonly do: 'switch'; readonly id: string; readonly on: boolean }
  /** A switch, a cock or the thermostat of the machine. */
  | { readonly do: 'set'; readonly what: 'power' | 'gas' | 'heatCall'; readonly on: boolean }
  /** Off and on again: a new try. */
  | { readonly do: 'again' }
  /** Lets the time of the machine run faster. */
  | { readonly do: 'speed'; readonly times: number };

/** How fast the time of a machine runs. */
export const SPEEDS = [1, 4, 30] as const;

/** An instrument of the bench as it lies there. */
export interface OnBench {
  readonly card: InstrumentCard;
  readonly on: boolean;
  readonly set: FunctionId;
  readonly place: Place;
  readonly display: Omit<Display, 'at'> | undefined;
}

/** What the page of the bench shows. */
export interface BenchState {
  readonly machines: readonly string[];
  readonly machine: string;
  /** What can be seen and heard now, in words. */
  readonly noticed: readonly string[];
  /** What the light of the control shows. */
  readonly light: string;
  readonly setup: MachineSetup;
  /** Since when it runs like that, seconds of its own time. */
  readonly seconds: number;
  readonly speed: number;
  readonly instruments: readonly OnBench[];
  /** What whoever listens types once, to be let in. */
  readonly code: string;
  readonly listeners: number;
  /** What has just gone wrong, in words. */
  readonly warning?: string;
}

const PLACES = ['nowhere', 'flue', 'points', 'part', 'gauge'] as const;
const SET = ['power', 'gas', 'heatCall'] as const;
const ACTS = ['choose', 'put', 'turn', 'switch', 'set', 'again', 'speed'] as const;

/** Reads a line of the page. */
export const readAct = (line: string): Act | Garbled =>
  readLine(line, (said): Act => {
    switch (oneOf(said, 'do', ACTS)) {
      case 'choose':
        return { do: 'choose', machine: text(said, 'machine') };
      case 'put':
        return { do: 'put', id: text(said, 'id'), place: placeIn(said['place']) };
      case 'turn':
        return { do: 'turn', id: text(said, 'id'), set: oneOf(said, 'set', FUNCTION_IDS) };
      case 'switch':
        return { do: 'switch', id: text(said, 'id'), on: flag(said, 'on') };
      case 'set':
        return { do: 'set', what: oneOf(said, 'what', SET), on: flag(said, 'on') };
      case 'again':
        return { do: 'again' };
      case 'speed': {
        const times = SPEEDS.find((s) => s === number(said, 'times'));
        if (times === undefined) throw new Garble(`"times" must be one of ${SPEEDS.join(', ')}`);
        return { do: 'speed', times };
      }
    }
  });

function placeIn(value: unknown): Place {
  if (typeof value !== 'object' || value === null) throw new Garble('"place" must say where');
  const said = value as Readonly<Record<string, unknown>>;
  switch (oneOf(said, 'at', PLACES)) {
    case 'nowhere':
      return { at: 'nowhere' };
    case 'flue':
      return { at: 'flue' };
    case 'points':
      return { at: 'points', red: text(said, 'red'), black: text(said, 'black') };
    case 'part': {
      const branch = said['branch'];
      if (typeof branch !== 'string' || branch.length > 80) throw new Garble('"branch" must be a text');
      return {
        at: 'part',
        part: text(said, 'part'),
        branch,
        ...(said['turns'] !== undefined && { turns: number(said, 'turns') }),
      };
    }
    case 'gauge':
      return { at: 'gauge', gauge: text(said, 'gauge') };
  }
}
