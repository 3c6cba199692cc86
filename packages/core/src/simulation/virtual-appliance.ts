import { loadProfile, type Model } from '../profile';
import { CircuitStates } from './circuit-state';
import type { Episode } from './episode';
import { type Lived, Lives } from './lives';
import type { Random } from './random';
import type { FaultRef } from './setup';
import { Trajectories } from './trajectories';

/** How sound appliances of one type differ: log-normal, so that a wide tolerance never turns a value negative. */
export const varied =
  (random: Random) =>
  (_path: string, value: number, tolerance: number): number =>
    value * Math.exp(tolerance * random.normal());

/** One real appliance: the profile's values drawn from their tolerances, with hidden faults. It is never the nominal model. */
export class VirtualAppliance {
  private readonly lives: Lives;

  constructor(
    readonly model: Model,
    /** What is broken; nobody in front of it knows. */
    readonly hidden: readonly FaultRef[],
  ) {
    this.lives = new Lives(model, new Trajectories(new CircuitStates(model)));
  }

  /** Draws an appliance of a type. `source` is the profile's text. */
  static drawn(source: string, file: string, hidden: readonly FaultRef[], random: Random): VirtualAppliance {
    return new VirtualAppliance(loadProfile(source, file, { vary: varied(random) }), hidden);
  }

  /** What goes on at the end of a chain of episodes. */
  live(chain: readonly Episode[]): Lived {
    return this.lives.last(this.hidden, chain);
  }

  /** The same appliance, if nothing were broken. */
  sound(chain: readonly Episode[]): Lived {
    return this.lives.last(SOUND, chain);
  }

  /** Whether everything that can be watched goes as on a sound appliance in the last of these episodes. */
  runs(chain: readonly Episode[]): boolean {
    return runsAs(this.live(chain), this.sound(chain));
  }
}

/** Whether everything that can be watched goes in one as in another. */
export const runsAs = ({ trace: own }: Lived, { trace: sound }: Lived): boolean =>
  own.outcome === sound.outcome && own.cues.every((cue, phase) => cue.length > 0 === sound.cues[phase]!.length > 0);

const SOUND: readonly FaultRef[] = [];
