import type { Hypothesis } from '../inference';
import type { Model } from '../profile';
import { type Episode, type Lived, NORMAL_SETUP, Random, runsAs, VirtualAppliance } from '../simulation';
import type { ExerciseKind } from './exercise';

/** The appliance of an exercise: a fault that comes and goes shows in some stretches, a bad new part cures nothing until it is measured. */
export class HiddenAppliance extends VirtualAppliance {
  private readonly faultless = new WeakMap<readonly Episode[], readonly Episode[]>();

  constructor(
    model: Model,
    private readonly truth: Hypothesis | undefined,
    private readonly kind: ExerciseKind,
    private readonly seed: number,
    second?: Hypothesis,
  ) {
    super(model, [...(truth?.faults ?? []), ...(second?.faults ?? [])]);
  }

  override live(chain: readonly Episode[]): Lived {
    return this.shows(chain) ? this.steady(chain) : this.sound(chain);
  }

  /**
   * Whether everything that is hidden is mended: with all of it on and nothing gone round it runs as a sound one does, and what comes and
   * goes has gone for good.
   */
  mended(chain: readonly Episode[]): boolean {
    const last = chain[chain.length - 1]!;
    const on = [...chain, { ...last, setup: { ...NORMAL_SETUP, actions: last.setup.actions } }];
    return runsAs(this.steady(on), this.sound(on));
  }

  /** The same with what comes and goes there all the time. */
  private steady(chain: readonly Episode[]): Lived {
    return super.live(this.kind === 'bad-part' ? this.asFitted(chain) : chain);
  }

  /** Whether a fault that comes and goes is there in the last stretch; the first one is what they were called for, or not. */
  private shows(chain: readonly Episode[]): boolean {
    const { truth } = this;
    if (!truth || truth.occurs === 1) return true;
    return new Random(this.seed * 31 + chain.length * 7919).next() < truth.occurs;
  }

  /** A new part that nobody measured is as bad as the old one. */
  private asFitted(chain: readonly Episode[]): readonly Episode[] {
    let fitted = this.faultless.get(chain);
    if (!fitted) {
      fitted = chain.map((episode) => ({
        ...episode,
        repaired: episode.repaired.filter((p) => (episode.measured ?? []).includes(p)),
      }));
      this.faultless.set(chain, fitted);
    }
    return fitted;
  }
}
