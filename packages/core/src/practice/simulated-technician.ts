import {
  kindOf,
  type MeterFunction,
  type Observation,
  observationOf,
  type Prediction,
  type Question,
} from '../question';
import { atMoment, type Episode, type Lived, type Random, type VirtualAppliance } from '../simulation';
import type { Millis } from '../units';

/** Share of cues, outcomes and codes that the simulated technician gets wrong. */
export const MISREPORTED = 0.03;

/** How somebody goes about it. */
export interface Habits {
  /** Share of cues, outcomes and codes that they get wrong. */
  readonly misreported: number;
  /** Ohms of the meter's leads, which they do not subtract. */
  readonly leads: number;
  /** What their meter is set to where either function shows something. */
  readonly set: MeterFunction;
  /** How long after the call for heat they look at first; to the end of the try when nothing is said. */
  readonly looksAfter?: Millis | undefined;
}

const USUAL_HABITS: Habits = { misreported: MISREPORTED, leads: 0, set: 'dc' };

/** Somebody in front of a virtual appliance who sees, measures and reports, and errs as people and meters do. */
export class SimulatedTechnician {
  /** The luck before anything was asked. */
  private readonly luck: Random;

  constructor(
    readonly appliance: VirtualAppliance,
    private readonly random: Random,
    readonly habits: Habits = USUAL_HABITS,
  ) {
    this.luck = random.clone();
  }

  /** The same appliance as it was before anybody came, and a technician with the same luck who errs this often. */
  again(misreported = MISREPORTED): SimulatedTechnician {
    return new SimulatedTechnician(this.appliance, this.luck.clone(), { ...this.habits, misreported });
  }

  /** What is reported when asked at the end of a chain of episodes; nothing where nothing could be noted. */
  answer(chain: readonly Episode[], asked: Question): Observation | undefined {
    const { appliance, random } = this;
    const { misreported, set } = this.habits;
    const question = asked.kind === 'volts' && asked.function ? { ...asked, function: set } : asked;
    const { model } = appliance;
    const kind = kindOf(question);
    const truth = this.withLeads(kind.predict(model, this.met(appliance.live(chain), question), question));
    const wrong = random.next() < misreported;
    const observation = observationOf(model, question, truth);
    if (!observation) return undefined;
    const sound = (): Prediction => kind.predict(model, this.met(appliance.sound(chain), question), question);
    return kind.report(
      model,
      { observation, truth, sound },
      { random, wrong, carelessness: misreported / MISREPORTED },
    );
  }

  private met(lived: Lived, { after }: Question): Lived {
    return after === undefined ? lived : atMoment(this.appliance.model, lived, after);
  }

  private withLeads(truth: Prediction): Prediction {
    return truth.kind === 'ohms' ? { ...truth, ohms: truth.ohms + this.habits.leads } : truth;
  }
}
