import type { Engine, Evidence, Hypothesis } from '../src/diagnosis';
import { condemnation } from '../src/diagnosis/condemn';

export const hypothesis = (engine: Engine, id: string): Hypothesis => engine.hypotheses.find((h) => h.id === id)!;

/** How far the evidence condemns what a hypothesis suspects; see `condemnation`. */
export const condemned = (engine: Engine, h: Hypothesis, evidence: Evidence): number =>
  condemnation(engine.model, h, engine.assess(evidence, { pairs: false }).items);
