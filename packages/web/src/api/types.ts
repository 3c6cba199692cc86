import type { Identity } from '@zetalysis/core/profile';
import type { Role } from '@zetalysis/core/rules';
import type { UnitSystem } from '@zetalysis/core/units';

export interface Me {
  readonly id: string;
  readonly name: string;
  readonly fullName: string;
  readonly role: Role;
  readonly units: UnitSystem;
}

export interface Machine {
  readonly id: string;
  readonly label: string;
  readonly site: string;
  readonly make: string;
  readonly modelName: string;
  readonly serial: string;
  readonly profile: string;
  readonly variant: string | null;
  /** Where this unit differs from the drawing, by net. */
  readonly wires: Wires | null;
}

export type Wires = Readonly<Record<string, { readonly terminal: string; readonly colour: string }>>;

export interface CallSummary {
  readonly id: string;
  readonly complaint: string;
  readonly profile: string;
  readonly variant: string | null;
  readonly openedAt: string;
  readonly machine: Machine | null;
  readonly bypassed: readonly string[];
  readonly record: {
    readonly part: string;
    readonly failure: string;
    readonly cause: string;
    readonly standing: string;
  } | null;
  readonly closed: boolean;
}

export interface ProfileSummary {
  readonly id: string;
  readonly title: string;
  readonly summary: string;
  readonly version: string;
  readonly identity: Identity;
  readonly variants: readonly { readonly id: string; readonly title: string; readonly identity: Identity }[];
  readonly importedBy: string | null;
}
