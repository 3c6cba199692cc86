import type { Model, PartIndex } from '../profile';
import type { Millis } from '../units';
import { type Episode, episodeKey, FIRST_EPISODE } from './episode';
import type { Lived } from './lives';
import type { Setup } from './setup';
import type { Trace } from './trace';
import type { VirtualAppliance } from './virtual-appliance';

/** What goes on at one moment: the run, and how far it is. */
export interface Now {
  readonly lived: Lived;
  /** Moment of its trace, folded into the round that repeats. */
  readonly at: Millis;
}

/** A virtual appliance that lives through time, as its machine does in front of somebody: what it is set to, and since when. */
export class LivingAppliance {
  private chain: readonly Episode[] = [FIRST_EPISODE];
  private since: Millis;

  constructor(
    readonly appliance: VirtualAppliance,
    now: Millis,
  ) {
    this.since = now;
  }

  get model(): Model {
    return this.appliance.model;
  }

  get setup(): Setup {
    return this.chain[this.chain.length - 1]!.setup;
  }

  /** Since when it runs as it is set, milliseconds of its own clock. */
  get began(): Millis {
    return this.since;
  }

  /** Parts that were repaired so far. */
  get repaired(): readonly PartIndex[] {
    return this.chain[this.chain.length - 1]!.repaired;
  }

  /** Somebody sets it otherwise, or repairs it: a new stretch begins. Nothing happens where it stands like that already. */
  set(setup: Setup, now: Millis, repaired = this.repaired): void {
    const next = { setup, repaired };
    if (episodeKey(next) !== episodeKey(this.chain[this.chain.length - 1]!)) this.next(next, now);
  }

  /** It is switched off and on again, as it stands. */
  again(now: Millis): void {
    this.next(this.chain[this.chain.length - 1]!, now);
  }

  private next(episode: Episode, now: Millis): void {
    this.chain = [...this.chain, episode];
    this.since = now;
  }

  now(now: Millis): Now {
    const lived = this.appliance.live(this.chain);
    return { lived, at: momentIn(lived.trace, Math.max(0, now - this.since)) };
  }
}

/** A moment of a trace so long after its beginning: the last state stands for ever, or the round repeats. */
export function momentIn({ end, cycle }: Trace, elapsed: Millis): Millis {
  if (elapsed < end) return elapsed;
  return cycle ? cycle.from + ((elapsed - cycle.from) % cycle.length) : end;
}
