import type { ComponentTest } from '../spec';
import { COIL, DRYER_COILS, MODULATING } from './coils';
import { FLAME, THERMOCOUPLE, THERMOPILE } from './flame';
import { IGNITER, SPARK } from './igniter-and-spark';
import { CAPACITOR, DAMPER, ELEMENT, FUSE, NEW_PART, RELAY, RIG_TEST } from './loads';
import { DROP, GAS, LINE, TRANSFORMER, TWELVE_VOLTS } from './supply';
import { AIR_PROOF, LIMIT_OPENING, REGULATOR, SWITCH } from './switches';
import { LOW_WATER, PRESSURE_LIMIT } from './water-and-steam';

/** Every component test, in the order of its number. */
export const COMPONENT_TESTS: readonly ComponentTest[] = [
  IGNITER,
  SPARK,
  FLAME,
  THERMOCOUPLE,
  THERMOPILE,
  COIL,
  DRYER_COILS,
  MODULATING,
  SWITCH,
  AIR_PROOF,
  LIMIT_OPENING,
  REGULATOR,
  LOW_WATER,
  PRESSURE_LIMIT,
  TRANSFORMER,
  LINE,
  GAS,
  ELEMENT,
  RELAY,
  DAMPER,
  TWELVE_VOLTS,
  FUSE,
  CAPACITOR,
  DROP,
  NEW_PART,
  RIG_TEST,
];
