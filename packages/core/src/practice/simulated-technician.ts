import { kindOf, type Observation, observationOf, type Prediction, type Question } from '../question';
import type { Episode, Random, VirtualAppliance } from '../simulation';

/** Share of cues, outcomes and codes that the simulated technician gets wrong. */
export const MISREPORTED = 0.03;

/** Somebody in front of a virtual appliance who sees, measures and reports, and errs as people and meters do. */
export class SimulatedTechnician {
  /** The luck before anything was asked. */
  private readonly luck: Random;

  constructor(
    readonly appliance: VirtualAppliance,
    private readonly random: Random,
    private readonly misreported = MISREPORTED,
    /** Ohms of the meter's leads, which this one does not subtract. */
    private readonly leads = 0,
  ) {
    this.luck = random.clone();
  }

  /** The same appliance as it was before anybody came, and a technician with the same luck who errs this often. */
  again(misreported = MISREPORTED): SimulatedTechnician {
    return new SimulatedTechnician(this.appliance, this.luck.clone(), misreported, this.leads);
  }

  /** What is reported when asked at the end of a chain of episodes; nothing where nothing could be noted. */
  answer(chain: readonly Episode[], question: Question): Observation | undefined {
    const { appliance, random } = this;
    const { model } = appliance;
    const kind = kindOf(question);
    const truth = this.withLeads(kind.predict(model, appliance.live(chain), question));
    const wrong = random.next() < this.misreported;
    const observation = observationOf(model, question, truth);
    if (!observation) return undefined;
    const sound = (): Prediction => kind.predict(model, appliance.sound(chain), question);
    return kind.report(
      model,
      { observation, truth, sound },
      { random, wrong, carelessness: this.misreported / MISREPORTED },
    );
  }

  private withLeads(truth: Prediction): Prediction {
    return truth.kind === 'ohms' ? { ...truth, ohms: truth.ohms + this.leads } : truth;
  }
}
