import { battery } from './battery';
import { capacitor } from './capacitor';
import { condition } from './condition';
import { control } from './control';
import { converter } from './converter';
import { delay } from './delay';
import { earthReference } from './earth-reference';
import { element } from './element';
import { flameRod } from './flame-rod';
import { fuse } from './fuse';
import { glowIgniter } from './glow-igniter';
import { interlock } from './interlock';
import { motor } from './motor';
import type { PartKind } from './part-kind';
import { pilotMagnet } from './pilot-magnet';
import { plugPin } from './plug';
import { rectifier } from './rectifier';
import { relay } from './relay';
import { solenoid } from './solenoid';
import { sparkGap } from './spark-gap';
import { stepper } from './stepper';
import { supply } from './supply';
import { handSwitch } from './switch';
import { thermocouple } from './thermocouple';
import { thermopile } from './thermopile';
import { transformer } from './transformer';
import { ventDamper } from './vent-damper';
import { wire } from './wire';
import { zoneValve } from './zone-valve';

const ALL: readonly PartKind[] = [
  supply,
  battery,
  converter,
  earthReference,
  handSwitch,
  interlock,
  transformer,
  fuse,
  solenoid,
  relay,
  delay,
  element,
  stepper,
  thermocouple,
  thermopile,
  pilotMagnet,
  motor,
  capacitor,
  rectifier,
  glowIgniter,
  sparkGap,
  flameRod,
  ventDamper,
  zoneValve,
  control,
  wire,
  plugPin,
  condition,
];

/** Every part kind by the name a profile uses. */
export const PART_KINDS: ReadonlyMap<string, PartKind> = new Map(ALL.map((kind) => [kind.name, kind]));
