import type { Model, PartIndex } from '../profile';
import { type Fit, fitAtSource, type Observation, type Prediction, sourceOf } from '../question';
import type { Episode, FaultRef } from '../simulation';
import type { Hypothesis } from './hypothesis';
import { type Known, SourceScales, type Ways, weighed } from './source-scale';

type FitOf = (p: Prediction, h: Hypothesis) => Fit;

/** The same for every call about a model. */
const scalesOf = new WeakMap<Model, SourceScales>();

/** The same for predictions that are the same; quicker than writing them out, which is done for every hypothesis. */
function saidBy(p: Prediction): string {
  if (p.kind === 'unsteady') return `${p.low} ${p.high} ${p.absent}`;
  if (p.kind !== 'volts') return p.kind;
  const { reach, shorter } = p;
  return `${p.volts} ${p.absent} ${reach ? `${reach.low} ${reach.high} ${reach.falls}` : ''} ${shorter ? `${shorter.value} ${shorter.share}` : ''}`;
}

const reaches = (p: Prediction): boolean => p.kind === 'volts' && p.reach !== undefined;

/** What is followed of the sources of one tree, while the same parts of it are repaired. */
interface Followed {
  /** By the faults of a hypothesis: without and with a severity, how the sources may stand. */
  readonly begun: WeakMap<readonly FaultRef[], [Ways | undefined, Ways | undefined]>;
  /** By hypothesis. */
  readonly known: Known[];
}

/** Follows what the readings of one call say of its sources, under each hypothesis: every reading is weighed after those before. */
export class SharedSources {
  private readonly scales: SourceScales;
  /** By the root of the tree and what of it was renewed. */
  private readonly followed = new Map<string, Followed>();

  constructor(
    private readonly model: Model,
    /** One reading is thought of by itself: what it says of the sources is not kept. */
    private readonly once = false,
  ) {
    this.scales = scalesOf.get(model) ?? new SourceScales(model);
    scalesOf.set(model, this.scales);
  }

  /** How to weigh one reading; what is no reading of a source is weighed by itself. Every hypothesis is asked about once. */
  reading(observation: Observation, episode: Episode, plain: (p: Prediction) => Fit): FitOf {
    const source = sourceOf(this.model, observation);
    if (source < 0) return plain;
    const root = this.scales.root(source);
    const { begun, known: before } = this.follow(root, episode);
    const seen = new Map<Known, Map<string, ReturnType<typeof weighed>>>();
    return (p, h) => {
      const fitAt = fitAtSource(this.model, observation, p);
      if (!fitAt) return plain(p);
      const divides = h.severity !== undefined && (!this.once || reaches(p));
      let both = begun.get(h.faults);
      if (!both) begun.set(h.faults, (both = [undefined, undefined]));
      const ways = (both[divides ? 1 : 0] ??= this.scales.begin(root, this.broken(h, episode), divides));
      const known = before[h.index] ?? ways.shares;
      // Hypotheses that said the same so far, and say the same now, need not be weighed one by one.
      let alike = seen.get(known);
      if (!alike) seen.set(known, (alike = new Map()));
      const key = saidBy(p);
      let found = alike.get(key);
      if (!found) alike.set(key, (found = weighed(ways, known, source, plain(p), fitAt)));
      if (!this.once) before[h.index] = found.known;
      return found.fit;
    };
  }

  /** Parts that feed something else than they should. */
  private broken({ faults }: Hypothesis, { repaired }: Episode): PartIndex[] {
    return faults
      .filter(({ part, mode }) => this.model.parts[part]!.modes[mode]!.values && !repaired.includes(part))
      .map((f) => f.part);
  }

  private follow(root: number, { repaired }: Episode): Followed {
    const parts = this.scales.tree(root).flatMap((s) => this.model.sources[s]!.parts);
    const renewed = repaired.filter((part: PartIndex) => parts.some((p) => p === part));
    const key = `${root}|${renewed.join()}`;
    let followed = this.followed.get(key);
    if (!followed) this.followed.set(key, (followed = { begun: new WeakMap(), known: [] }));
    return followed;
  }
}
