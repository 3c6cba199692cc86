import type { Model } from '../profile';
import { CLOCKS, commonCauseOf, type Fit, type Observation, type Prediction, type Scale } from '../question';
import type { Episode } from '../simulation';
import { ASSUMED } from '../standards';
import { CommonCauses } from './common-causes';
import type { Hypothesis } from './hypothesis';
import { SharedSources } from './shared-sources';
import type { Traces } from './traces';

/** Weighs what is noted in a call in the light of what was noted before: what moves several readings moves them together. */
export class Weighing {
  private readonly sources: SharedSources;
  private causes = new CommonCauses();

  constructor(
    private readonly traces: Traces,
    /** One thing is thought of by itself: nothing is kept of it. */
    private readonly once = false,
  ) {
    this.sources = new SharedSources(traces.model, once);
  }

  /** How to weigh one thing, noted at the end of a chain of episodes. Every hypothesis is asked about once. */
  reading(
    observation: Observation,
    scale: Scale,
    chain: readonly Episode[],
    plain: (p: Prediction) => Fit,
  ): (p: Prediction, h: Hypothesis) => Fit {
    const { model } = this.traces;
    const episode = chain[chain.length - 1]!;
    if (this.once) this.causes = new CommonCauses();
    const dead = withDeadRig(model, chain);
    if (dead) {
      const key = `rig ${chain.length}`;
      const odds = [1 - ASSUMED.deadRig, ASSUMED.deadRig];
      return (p, h) => {
        const ways = [p, this.traces.predict(h.faults, dead, observation)].map((way) => () => plain(way).fit);
        return this.causes.reading({ key, renewed: false, ways, odds }, episode, plain)(p, h);
      };
    }
    const moments = momentsOf(observation);
    if (moments.length > 0)
      return (p, h) => {
        const ways = moments.map(
          (o) => () => plain(o === observation ? p : this.traces.predict(h.faults, chain, o)).fit,
        );
        return this.causes.reading({ key: 'moments', renewed: true, ways }, episode, plain)(p, h);
      };
    const cause = commonCauseOf(model, observation, scale);
    return cause ? this.causes.reading(cause, episode, plain) : this.sources.reading(observation, episode, plain);
  }
}

/** The chain as it goes if the source of one's own that feeds the last episode is itself dead; nothing where none does. */
function withDeadRig({ actions }: Model, chain: readonly Episode[]): readonly Episode[] | undefined {
  const last = chain[chain.length - 1]!;
  const rigs = actions.filter((a) => a.goesRound === 'separate-feed' && last.setup.actions.includes(a.id));
  if (rigs.length === 0) return undefined;
  const setup = {
    ...last.setup,
    actions: last.setup.actions.filter((id) => !rigs.some((rig) => rig.id === id)),
    unplugged: [...new Set([...last.setup.unplugged, ...rigs.flatMap((rig) => rig.unplugs)])],
  };
  return [...chain.slice(0, -1), { ...last, setup }];
}

/** A moment of a run is another one of a run whose clock goes faster or slower: the same question at each of those. */
function momentsOf(observation: Observation): Observation[] {
  const { after } = observation;
  if (after === undefined) return [];
  return CLOCKS.map((c) => (c === 1 ? observation : { ...observation, after: Math.round(after / c) }));
}
