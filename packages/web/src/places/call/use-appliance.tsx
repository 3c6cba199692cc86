import { createContext, useContext } from 'react';
import type { Drawing } from '@zetalysis/core/presentation';
import type { UnitSystem } from '@zetalysis/core/units';
import type { Wires } from '@zetalysis/contract';

/** The appliance that the call is about, as every part of its page draws it, names it and reads it. */
interface Appliance {
  readonly drawing: Drawing;
  /** Names this machine has for its own points. */
  readonly wires: Wires;
  readonly units: UnitSystem;
  /** The machine of the register, by its id. */
  readonly machine: string | undefined;
}

const Context = createContext<Appliance | undefined>(undefined);

export const ApplianceProvider = Context;

export function useAppliance(): Appliance {
  const appliance = useContext(Context);
  if (!appliance) throw new Error('useAppliance stands inside an ApplianceProvider');
  return appliance;
}
