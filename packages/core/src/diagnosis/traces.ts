import type { Model } from '../profile';
import { run, type CircuitStates, type FaultRef, type Memory, type Trace } from '../sequence';
import type { Hypothesis } from './hypothesis';
import { episodeKey, questionKey, type Episode, type Question } from './observation';
import { predict, type Prediction } from './predict';

/** One hypothesis in one episode: its trace and the faults that are active in it. */
export interface Lived {
  readonly trace: Trace;
  readonly faults: readonly FaultRef[];
}

/**
 * Traces and predictions of hypotheses through chains of episodes, remembered: the same question under the same
 * hypothesis and setup is never worked out twice.
 */
export class Traces {
  private readonly lived = new Map<string, Lived>();
  private readonly predictions = new Map<Lived, Map<string, Prediction>>();
  /** How many runs were simulated, for the benchmark. */
  runs = 0;

  constructor(
    readonly model: Model,
    private readonly circuits: CircuitStates,
  ) {}

  /** The last episode of a chain under a hypothesis; what lasts goes across (blown fuse, tripped reset, air purged). */
  last(hypothesis: Hypothesis, chain: readonly Episode[]): Lived {
    let memory: Memory | undefined;
    let lived: Lived | undefined;
    for (const episode of chain) {
      const key = `${hypothesis.index}|${episodeKey(episode)}|${memoryKey(memory)}`;
      lived = this.lived.get(key);
      if (!lived) {
        const faults = hypothesis.faults.filter((f) => !episode.repaired.includes(f.part));
        lived = { trace: run(this.circuits, faults, episode.setup, forget(memory, episode)), faults };
        this.runs++;
        this.lived.set(key, lived);
      }
      memory = lived.trace.memory;
    }
    if (!lived) throw new RangeError('a chain needs at least one episode');
    return lived;
  }

  predict(hypothesis: Hypothesis, chain: readonly Episode[], question: Question): Prediction {
    const lived = this.last(hypothesis, chain);
    let known = this.predictions.get(lived);
    if (!known) this.predictions.set(lived, (known = new Map()));
    const key = questionKey(this.model, question);
    let prediction = known.get(key);
    if (!prediction) known.set(key, (prediction = predict(this.model, lived.trace, lived.faults, question)));
    return prediction;
  }
}

/** A repaired part forgets what it was left in: a new fuse is whole, a reset switch is in. */
function forget(memory: Memory | undefined, episode: Episode): Memory | undefined {
  if (!memory || episode.repaired.length === 0) return memory;
  return {
    quantities: memory.quantities,
    partStates: new Map([...memory.partStates].filter(([part]) => !episode.repaired.includes(part))),
  };
}

function memoryKey(memory: Memory | undefined): string {
  if (!memory) return '';
  const quantities = [...memory.quantities].map(([q, v]) => `${q}:${v.toPrecision(4)}`).join(',');
  return `${[...memory.partStates].map(([p, s]) => `${p}:${s}`).join(',')};${quantities}`;
}
