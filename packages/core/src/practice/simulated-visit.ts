import { TRAINED } from '../rules';
import type { PartIndex } from '../profile';
import { type Assessment, type Engine, standingOf } from '../diagnosis';
import type { Hypothesis } from '../inference';
import type { Evidence, EvidenceItem, Question } from '../question';
import { type Episode, FIRST_EPISODE } from '../simulation';
import { type TestingStandard, USUAL_STANDARD } from '../standards';
import { minutesFor, setupFor, type Test } from '../test-choice';
import type { SimulatedTechnician } from './simulated-technician';
/**
 * How the technician picks tests: as advised; terminal by terminal from source to load, skipping useless probes; or as one
 * who knows what is broken and only has to prove it, which nobody can be much quicker than.
 */
export type Policy = 'advice' | 'walk' | 'knowing';

const STANDARDS: Readonly<Record<Policy, TestingStandard>> = {
  advice: USUAL_STANDARD,
  walk: { ...USUAL_STANDARD, order: 'terminal-by-terminal' },
  knowing: USUAL_STANDARD,
};

/** What was stated, at the end of a stage of the visit: the first suspect and its share. */
interface Stated {
  readonly repair: string;
  readonly probability: number;
}

/** How a diagnosis ended. */
export interface Finding {
  /** The repair named first at the end. */
  readonly named: string;
  readonly kind: string;
  readonly probability: number;
  readonly proved: boolean;
  readonly tests: number;
  /** Minutes of the tests; watching the try first costs everybody the same and is not counted. */
  readonly minutes: number;
  /** The first suspect after every test, the last one included. */
  readonly stated: readonly Stated[];
  /** Ids of the tests made, in order. */
  readonly made: readonly string[];
}

const MOST_TESTS = 20;

/** A simulated visit to one appliance: what was seen and done so far. */
export class SimulatedVisit {
  episodes: readonly Episode[] = [FIRST_EPISODE];
  readonly items: EvidenceItem[] = [];
  private readonly unanswered = new Set<string>();
  /** What the last test left prepared: it is put back when another test is begun. */
  private prepared = '';

  constructor(
    private readonly engine: Engine,
    private readonly technician: SimulatedTechnician,
    private readonly policy: Policy,
    /** What is broken, for the one who knows. */
    private readonly hidden?: Hypothesis,
  ) {}

  private enter(episode: Episode): void {
    this.episodes = [...this.episodes, episode];
  }

  /** Puts a question to the appliance; false when there is no answer to it. */
  private ask(question: Question): boolean {
    const observation = this.technician.answer(this.episodes, question);
    if (observation) this.items.push({ id: `${this.items.length}`, episode: this.episodes.length - 1, observation });
    return observation !== undefined;
  }

  private get evidence(): Evidence {
    return { episodes: this.episodes, items: this.items };
  }

  assess(): Assessment {
    return this.engine.assess(this.evidence);
  }

  /** Watches a try: every step, how it ended, and what the light shows. */
  watch(): void {
    const { looksAfter } = this.technician.habits;
    const look = (question: Question): boolean =>
      this.ask(looksAfter === undefined ? question : { ...question, after: looksAfter });
    for (const phase of this.engine.model.phases) look({ kind: 'seen', phase: phase.index });
    look({ kind: 'outcome' });
    if (this.engine.model.codes.length > 0) look({ kind: 'code' });
  }

  /** Watches a try, then tests until the break is proved or no test is worth making. */
  diagnose(): Finding {
    this.watch();
    let minutes = 0;
    const stated: Stated[] = [];
    const made: string[] = [];
    for (;;) {
      const assessment = this.assess();
      const first = assessment.suspects[0]!;
      stated.push({ repair: first.repair, probability: first.probability });
      const end = (proved: boolean): Finding => ({
        named: first.repair,
        kind: first.leading.kind,
        probability: first.probability,
        proved,
        tests: made.length,
        minutes,
        stated,
        made,
      });
      if (standingOf(assessment) === 'proved' && first.probability > 0.9) return end(true);
      if (first.repair === 'none' && first.probability > 0.95) return end(false);
      if (made.length >= MOST_TESTS) return end(false);
      const test = this.choose(assessment);
      if (!test) return end(false);
      minutes += minutesFor(this.engine.model, test, STANDARDS[this.policy], this.prepared);
      this.prepared = test.preparation;
      made.push(test.id);
      const normal = this.episodes[this.episodes.length - 1]!;
      if (test.intervention) this.enter({ ...normal, setup: setupFor(normal.setup, test.intervention) });
      if (!this.ask(test.question)) this.unanswered.add(test.id);
      // What was unplugged, bypassed or done for one test is put back.
      if (test.intervention) this.enter(normal);
    }
  }

  private choose(assessment: Assessment): Test | undefined {
    const { engine, evidence } = this;
    const standard = STANDARDS[this.policy];
    const { prepared } = this;
    const situation = { evidence, declined: this.unanswered, person: TRAINED, standard, prepared };
    if (!this.hidden) return engine.next(situation, assessment)[0]?.test;
    const [first] = engine.planProof(situation, assessment, this.hidden).shares.keys();
    return engine.tests.find((t) => t.id === first);
  }

  /** Repairs a part (by index) and goes on with a new try. */
  repair(parts: readonly PartIndex[]): void {
    const present = this.episodes[this.episodes.length - 1]!;
    this.enter({ ...present, repaired: [...new Set([...present.repaired, ...parts])] });
    this.unanswered.clear();
  }
}
