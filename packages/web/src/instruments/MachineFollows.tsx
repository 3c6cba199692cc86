import { useEffect } from 'react';
import type { Setup } from '@zetalysis/core/simulation';
import type { Paired } from './paired';
import { connectionTo, useInstruments } from './use-instruments';

interface Props {
  readonly paired: Paired;
  /** How the call says that its machine stands. */
  readonly setup: Setup;
  /** Points whose lead is lifted, and parts that are out. */
  readonly apart: readonly string[];
  /** Parts that were repaired. */
  readonly repaired: readonly string[];
}

/** A simulated appliance stands as the call says that its machine stands; a real one is where the technician is. */
export default function MachineFollows({ paired, setup, apart, repaired }: Props) {
  // Heard for as long as the call is open, whether or not a reading is asked.
  useInstruments(paired);
  const { power, gas, heatCall, unplugged, bypassed, actions } = setup;
  const said = JSON.stringify({ power, gas, heatCall, unplugged, bypassed, actions, apart, repaired });
  useEffect(() => {
    connectionTo(paired).follow(JSON.parse(said) as Parameters<ReturnType<typeof connectionTo>['follow']>[0]);
  }, [paired, said]);
  return null;
}
