import type { ComponentTest } from '../spec';
import { COIL, DRYER_COILS, MODULATING } from './coils';
import { FLAME, THERMOCOUPLE, THERMOPILE } from './flame';
import { IGNITER, SPARK } from './igniter-and-spark';
import { RIG_TEST } from './bench-rig';
import { CAPACITOR } from './capacitor-and-motor';
import { DROP } from './drop';
import { ELEMENT } from './element';
import { FUSE } from './fuse';
import { GAS } from './gas-pressure';
import { LINE } from './line';
import { NEW_PART } from './new-part';
import { RELAY } from './relay';
import { TWELVE_VOLTS } from './sail-and-12v';
import { TRANSFORMER } from './transformer';
import { DAMPER } from './vent-damper';
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
