import { standingOf } from '@zetalysis/core/call';
import { setupFor, type Engine, type Episode, type EvidenceItem, type Hypothesis } from '@zetalysis/core/diagnosis';
import { NORMAL_SETUP } from '@zetalysis/core/sequence';
import type { Appliance } from './appliance';

/** How the technician picks tests: as advised, or terminal by terminal from source to load, skipping useless probes. */
export type Policy = 'advice' | 'walk';

export interface Visit {
  readonly hidden: Hypothesis;
  /** The repair named first at the end. */
  readonly named: string;
  readonly probability: number;
  readonly proved: boolean;
  readonly tests: number;
  readonly minutes: number;
}

/** Watching one whole try for heat, hands off, with the status light. */
const WATCH_MINUTES = 3;
const MOST_TESTS = 20;

/** One visit: watch a try, then test until the break is proved or no test is worth making. */
export function visit(engine: Engine, appliance: Appliance, hidden: Hypothesis, policy: Policy): Visit {
  const episodes: Episode[] = [{ setup: NORMAL_SETUP, repaired: [] }];
  const items: EvidenceItem[] = [];
  const ask = (question: Parameters<Appliance['answer']>[1]): void => {
    const observation = appliance.answer(episodes, question);
    if (observation) items.push({ id: `${items.length}`, episode: episodes.length - 1, observation });
  };
  for (const phase of engine.model.phases) ask({ kind: 'seen', phase: phase.index });
  ask({ kind: 'outcome' });
  if (engine.model.codes.length > 0) ask({ kind: 'code' });

  let minutes = WATCH_MINUTES;
  let tests = 0;
  const declined = new Set<string>();
  for (;;) {
    const evidence = { episodes, items };
    const assessment = engine.assess(evidence);
    const first = assessment.suspects[0]!;
    const done = (proved: boolean): Visit => ({
      hidden,
      named: first.repair,
      probability: first.probability,
      proved,
      tests,
      minutes,
    });
    if (standingOf(assessment) === 'proved' && first.probability > 0.9) return done(true);
    if (first.repair === 'none' && first.probability > 0.95) return done(false);
    if (tests >= MOST_TESTS) return done(false);
    const next = engine.next({ evidence, declined, role: 'technician' }, assessment, policy === 'walk')[0];
    if (!next) return done(false);
    tests++;
    minutes += next.minutes;
    declined.add(next.test.id);
    const normal = episodes[episodes.length - 1]!;
    if (next.test.intervention) episodes.push({ ...normal, setup: setupFor(normal.setup, next.test.intervention) });
    ask(next.test.question);
    // What was unplugged or bypassed for one test is put back.
    if (next.test.intervention) episodes.push(normal);
  }
}
