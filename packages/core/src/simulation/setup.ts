import type { FaultMode, Spec } from '../parts';
import type { Model, NetIndex, Part, PartIndex } from '../profile';

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
  /** Parts that are out, and points whose lead is lifted, by name; nothing passes there. */
  readonly apart?: readonly string[];
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
  return `${flags}|${[...setup.unplugged].sort().join(',')}|${[...setup.bypassed].sort().join(',')}|${[...setup.actions].sort().join(',')}${apartKey(setup)}`;
}

const apartKey = ({ apart = [] }: Setup): string => (apart.length === 0 ? '' : `|${[...apart].sort().join(',')}`);

/**
 * Branches that are open while a part is out, or the lead of a point is lifted: the one that goes on from it. Where a point feeds
 * several, the lead is named with the part it goes to, `R>thermostat`; the point alone opens nothing there, for which lead it was
 * is not known.
 */
export function openWhenApart({ parts, branches, nets }: Model, name: string): readonly number[] {
  const part = parts.find((p) => p.id === name);
  if (part) return part.branches.map((b) => b.index);
  const [point, to] = name.split('>');
  const net = nets.indexOf(point!);
  const on = net < 0 ? [] : branches.filter((b) => b.a === net && (to === undefined || parts[b.part]!.id === to));
  return to !== undefined || on.length === 1 ? on.map((b) => b.index) : [];
}

/** The leads of a point: the name of each, and the part it goes to. One that has no other needs no more than the point. */
export function leadsOf({ parts, branches, nets }: Model, net: NetIndex): readonly { name: string; to: PartIndex }[] {
  const fed = [...new Set(branches.filter((b) => b.a === net).map((b) => b.part))];
  return fed.map((to) => ({ name: fed.length === 1 ? nets[net]! : `${nets[net]}>${parts[to]!.id}`, to }));
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

/** The first severity of a way of failing: the one that stands for all of them where it is asked about by name. */
export const firstSeverity = ({ modes }: Part, mode: number): number =>
  modes.findIndex((m) => m.id === modes[mode]!.id);

/** What a part is now: as specified, or with the degraded values of the way in which it fails. */
export function specUnder(part: Part, mode: FaultMode | undefined): Spec {
  if (mode?.values === undefined) return part.spec;
  let spec = degraded.get(mode);
  if (!spec) degraded.set(mode, (spec = { ...part.spec, ...mode.values }));
  return spec;
}

/** By the mode of a part of one model. */
const degraded = new WeakMap<FaultMode, Spec>();
