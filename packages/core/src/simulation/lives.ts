import type { Model, PartIndex } from '../profile';
import { chainKey, type Episode, FIRST_EPISODE } from './episode';
import { faultKey, type FaultRef, setupKey } from './setup';
import type { Memory, Trace } from './trace';
import type { Trajectories } from './trajectories';

/** One set of faults in one episode: its trace and the faults that are active in it. */
export interface Lived {
  readonly trace: Trace;
  readonly faults: readonly FaultRef[];
  /** As it is found: the run that tripped what stands tripped. */
  readonly before?: Trace;
}

/**
 * An appliance under sets of faults through chains of episodes, remembered: the same faults in the same setup, with the same
 * past, are never run twice, whoever asks.
 */
export class Lives {
  private readonly lived = new Map<string, Lived>();
  /** By what an appliance notices of a chain of episodes, then by faults. */
  private readonly chains = new Map<string, WeakMap<readonly FaultRef[], Lived>>();
  /** The same by the chain itself, without making its key: hundreds of tests ask about it. */
  private readonly found = new WeakMap<readonly Episode[], WeakMap<readonly FaultRef[], Lived>>();
  private readonly arrivals = new Map<string, Memory | undefined>();
  /** How many runs were simulated, for the benchmark. */
  runs = 0;

  constructor(
    readonly model: Model,
    private readonly trajectories: Trajectories,
  ) {}

  /**
   * The last episode of a chain under some faults; what lasts goes across (blown fuse, tripped reset, purged air). A chain
   * must not be changed after it was asked about.
   */
  last(faults: readonly FaultRef[], chain: readonly Episode[]): Lived {
    let found = this.found.get(chain);
    if (!found) this.found.set(chain, (found = this.under(chainKey(chain))));
    let lived = found.get(faults);
    if (!lived) found.set(faults, (lived = this.through(faults, chain)));
    return lived;
  }

  private under(chain: string): WeakMap<readonly FaultRef[], Lived> {
    let found = this.chains.get(chain);
    if (!found) this.chains.set(chain, (found = new WeakMap()));
    return found;
  }

  private through(faults: readonly FaultRef[], chain: readonly Episode[]): Lived {
    let memory = this.arrival(faults);
    let lived: Lived | undefined;
    let before: Episode | undefined;
    for (const episode of chain) {
      const active = faults.filter((f) => !episode.repaired.includes(f.part));
      lived = this.live(active, episode, forget(this.model, memory, episode, before));
      if (!before && memory && this.tripped(memory))
        lived = { ...lived, before: this.live(active, episode, undefined).trace };
      memory = lived.trace.memory;
      before = episode;
    }
    if (!lived) throw new RangeError('a chain needs at least one episode');
    return lived;
  }

  /** Whether a reset waits for being pressed. */
  private tripped({ partStates }: Memory): boolean {
    return [...partStates.keys()].some((part) => {
      const { kind, spec } = this.model.parts[part]!;
      return kind.manualReset?.(spec) === true;
    });
  }

  private live(active: readonly FaultRef[], episode: Episode, memory: Memory | undefined): Lived {
    const key = `${faultKey(active)}|${setupKey(episode.setup)}|${memoryKey(memory)}`;
    let lived = this.lived.get(key);
    if (!lived) {
      lived = { trace: this.trajectories.run(active, episode.setup, memory), faults: active };
      this.runs++;
      this.lived.set(key, lived);
    }
    return lived;
  }

  /**
   * How the appliance is found: it has been trying before anybody came, so a reset that its fault trips has tripped, and a
   * fuse that its fault blows is blown.
   */
  private arrival(faults: readonly FaultRef[]): Memory | undefined {
    if (faults.length === 0) return undefined;
    const key = faultKey(faults);
    if (this.arrivals.has(key)) return this.arrivals.get(key);
    const states = new Map<PartIndex, string>();
    for (const { part, mode } of faults) {
      const { starts } = this.model.parts[part]!.modes[mode]!;
      if (starts !== undefined) states.set(part, starts);
    }
    const quantities = new Map<number, number>();
    const found = (): Memory | undefined =>
      states.size > 0 || quantities.size > 0 ? { partStates: states, quantities } : undefined;
    const before = this.live(faults, FIRST_EPISODE, found());
    for (const [part, state] of before.trace.memory.partStates)
      if (this.model.parts[part]!.kind.passing?.includes(state) !== true) states.set(part, state);
    for (const { index, stands, start } of this.model.quantities) {
      const left = before.trace.memory.quantities.get(index);
      if (stands && left !== undefined && left !== start) quantities.set(index, left);
    }
    const memory = found();
    this.arrivals.set(key, memory);
    return memory;
  }
}

/**
 * After a repair everything starts in order: whoever mends also renews the fuse, presses the reset and lights the pilot.
 * A pressed reset alone forgets only its own switch.
 */
function forget(
  model: Model,
  memory: Memory | undefined,
  episode: Episode,
  before: Episode | undefined,
): Memory | undefined {
  if (!memory || episode.repaired.some((part) => before?.repaired.includes(part) !== true)) return undefined;
  const renewed = new Set(model.actions.filter((a) => episode.setup.actions.includes(a.id)).flatMap((a) => a.resets));
  if (renewed.size === 0) return memory;
  return {
    quantities: memory.quantities,
    partStates: new Map([...memory.partStates].filter(([part]) => !renewed.has(part))),
  };
}

function memoryKey(memory: Memory | undefined): string {
  if (!memory) return '';
  const quantities = [...memory.quantities].map(([q, v]) => `${q}:${v.toPrecision(4)}`).join(',');
  return `${[...memory.partStates].map(([p, s]) => `${p}:${s}`).join(',')};${quantities}`;
}
