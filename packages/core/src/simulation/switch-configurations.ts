import { type CircuitStates, type Sensed, setByHand } from './circuit-state';
import type { FaultRef, Setup } from './setup';

/** Branches in certain states, and what is sensed then under one or the other fault. */
export interface SwitchConfiguration {
  readonly branchStates: Uint8Array;
  /** Electrical id of each branch when nothing is broken. */
  readonly sound: readonly number[];
  readonly sensed: Map<string, Sensed>;
}

/** The circuit as a person set it up, with its branches now in these states, now in those: they come again and again. */
export class CircuitSetup {
  /** What was set by hand, by branch. */
  private readonly fixed: Int32Array;
  private readonly configurations = new Map<string, SwitchConfiguration>();
  private readonly mattering: readonly number[];

  constructor(
    private readonly circuits: CircuitStates,
    setup: Setup,
  ) {
    this.fixed = setByHand(circuits.model, setup);
    this.mattering = circuits.model.branches.map((b) => b.index).filter((branch) => circuits.matters[branch]);
  }

  configuration(branchStates: Uint8Array): SwitchConfiguration {
    let key = '';
    for (let i = 0; i < this.mattering.length; i++) key += branchStates[this.mattering[i]!]!;
    let stand = this.configurations.get(key);
    if (!stand) {
      const sound = Array.from(branchStates, (state, branch) => {
        const fixed = this.fixed[branch]!;
        return fixed >= 0 ? fixed : this.circuits.electricalId(branch, state);
      });
      this.configurations.set(key, (stand = { branchStates: branchStates.slice(), sound, sensed: new Map() }));
    }
    return stand;
  }

  /** `broken` is the key of the faults. */
  sense({ branchStates, sound, sensed }: SwitchConfiguration, faults: readonly FaultRef[], broken: string): Sensed {
    let known = sensed.get(broken);
    if (!known) {
      const ids = sound.slice();
      for (const { part, mode } of faults)
        for (const { index } of this.circuits.model.parts[part]!.branches)
          if (this.fixed[index]! < 0) ids[index] = this.circuits.electricalId(index, branchStates[index]!, mode);
      sensed.set(broken, (known = this.circuits.sense(ids, faults)));
    }
    return known;
  }
}
