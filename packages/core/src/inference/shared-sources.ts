import type { Model, PartIndex } from '../profile';
import { type Fit, type Observation, type Prediction, sourceOf, standingAt } from '../question';
import type { Episode } from '../simulation';
import type { Hypothesis } from './hypothesis';
import { type Known, SourceScales, weighed } from './source-scale';

type FitOf = (p: Prediction, h: Hypothesis) => Fit;

/** The same for every call about a model. */
const scalesOf = new WeakMap<Model, SourceScales>();

/** The same for predictions that are the same; quicker than writing them out, which is done for every hypothesis. */
function saidBy(p: Prediction): string {
  if (p.kind === 'unsteady') return `${p.low} ${p.high} ${p.absent}`;
  if (p.kind !== 'volts') return p.kind;
  const { reach, shorter } = p;
  return `${p.volts} ${p.absent} ${reach ? `${reach.low} ${reach.high}` : ''} ${shorter ? `${shorter.value} ${shorter.share}` : ''}`;
}

/** Follows what the readings of one call say of its sources, under each hypothesis: every reading is weighed after those before. */
export class SharedSources {
  private readonly scales: SourceScales;
  /** By the root of the tree and what of it was renewed; then by hypothesis. */
  private readonly known = new Map<string, Known[]>();

  constructor(private readonly model: Model) {
    this.scales = scalesOf.get(model) ?? new SourceScales(model);
    scalesOf.set(model, this.scales);
  }

  /** How to weigh one reading; what is no reading of a source is weighed by itself. Every hypothesis is asked about once. */
  reading(observation: Observation, episode: Episode, plain: (p: Prediction) => Fit): FitOf {
    const source = sourceOf(this.model, observation);
    if (source < 0) return plain;
    const root = this.scales.root(source);
    const before = this.before(root, episode);
    const seen = new Map<Known, Map<string, ReturnType<typeof weighed>>>();
    return (p, h) => {
      if (p.kind !== 'volts' && p.kind !== 'unsteady') return plain(p);
      const broken = h.faults
        .filter(({ part, mode }) => this.model.parts[part]!.modes[mode]!.values && !episode.repaired.includes(part))
        .map((f) => f.part);
      const { ways, known: first } = this.scales.begin(root, broken);
      const known = before[h.index] ?? first;
      // Hypotheses that said the same so far, and say the same now, need not be weighed one by one.
      let alike = seen.get(known);
      if (!alike) seen.set(known, (alike = new Map()));
      const key = saidBy(p);
      let found = alike.get(key);
      if (!found) {
        found = weighed(ways, known, source, ({ times, reach }) => plain(standingAt(p, times, reach)!));
        alike.set(key, found);
      }
      before[h.index] = found.known;
      return found.fit;
    };
  }

  private before(root: number, { repaired }: Episode): Known[] {
    const parts = this.scales.tree(root).flatMap((s) => this.model.sources[s]!.parts);
    const renewed = repaired.filter((part: PartIndex) => parts.some((p) => p === part));
    const key = `${root}|${renewed.join()}`;
    let known = this.known.get(key);
    if (!known) this.known.set(key, (known = []));
    return known;
  }
}
