import { CAPACITANCE, COPPER, LOADS, LOOP, MOTOR, RECTIFIER, SOURCE, WIRE } from './electric';
import { ALTITUDE, CLOCKING, CONVERSION, ORIFICE, PIPE, RATE, SUPPLY } from './gas';
import { AIR, COMBUSTION, EXPANSION, STACK, STEAM, WATER } from './heat';
import { UNITS } from './units';
import type { Worksheet } from './worksheet';

/** Every calculator, in the order of its number. */
export const WORKSHEETS: readonly Worksheet[] = [
  CLOCKING,
  RATE,
  AIR,
  WATER,
  COMBUSTION,
  STACK,
  ORIFICE,
  ALTITUDE,
  CONVERSION,
  SUPPLY,
  PIPE,
  STEAM,
  COPPER,
  WIRE,
  LOADS,
  RECTIFIER,
  SOURCE,
  CAPACITANCE,
  MOTOR,
  LOOP,
  EXPANSION,
  UNITS,
];
export { curveOf, type Result, type WorkedOut, workOut, type Worksheet } from './worksheet';
