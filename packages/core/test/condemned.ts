import type { Engine } from '../src/diagnosis';
import type { Hypothesis } from '../src/inference';
import { condemn } from '../src/proof/condemn';
import type { Evidence } from '../src/question';

export const hypothesis = (engine: Engine, id: string): Hypothesis => engine.hypotheses.find((h) => h.id === id)!;

/** How far the evidence condemns what a hypothesis suspects; see `condemn`. */
export const condemned = (engine: Engine, h: Hypothesis, evidence: Evidence): number =>
  condemn(engine.model, h, engine.assess(evidence, { pairs: false }).items).share;
