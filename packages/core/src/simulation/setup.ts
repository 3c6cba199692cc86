import type { FaultMode } from '../parts';
import type { Part, PartIndex } from '../profile';

/** How the appliance is set while it is watched: one episode has one setup. */
export interface Setup {
  readonly power: boolean;
  readonly gas: boolean;
  readonly heatCall: boolean;
  /** Connectors pulled, by id. */
  readonly unplugged: readonly string[];
  /** Parts with a jumper across them, by id. A momentary test, never a repair. */
  readonly bypassed: readonly string[];
  /** Actions of the profile that are in force, by id. */
  readonly actions: readonly string[];
}

export const NORMAL_SETUP: Setup = {
  power: true,
  gas: true,
  heatCall: true,
  unplugged: [],
  bypassed: [],
  actions: [],
};

/** A key that is equal for equal setups. */
export function setupKey(setup: Setup): string {
  const flags = `${setup.power ? 'p' : ''}${setup.gas ? 'g' : ''}${setup.heatCall ? 'c' : ''}`;
  return `${flags}|${[...setup.unplugged].sort().join(',')}|${[...setup.bypassed].sort().join(',')}|${[...setup.actions].sort().join(',')}`;
}

/** A fault mode of a part, by index in the model. */
export interface FaultRef {
  readonly part: PartIndex;
  readonly mode: number;
}

/** A key that is equal for equal faults in equal order. */
export function faultKey(faults: readonly FaultRef[]): string {
  let key = '';
  for (const { part, mode } of faults) key += `${part}.${mode}+`;
  return key;
}

/** The way in which a part fails; undefined for a sound one. */
export function failureModeOf({ index, modes }: Part, faults: readonly FaultRef[]): FaultMode | undefined {
  for (let i = 0; i < faults.length; i++) if (faults[i]!.part === index) return modes[faults[i]!.mode]!;
  return undefined;
}

/** The same by its id. */
export const failureOf = (part: Part, faults: readonly FaultRef[]): string | undefined =>
  failureModeOf(part, faults)?.id;
