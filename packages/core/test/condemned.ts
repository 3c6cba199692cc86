import type { Engine } from '../src/diagnosis';
import type { Hypothesis } from '../src/inference';
import { condemn } from '../src/proof/condemn';
import type { Evidence } from '../src/question';

export const hypothesis = (engine: Engine, id: string): Hypothesis =>
  classicOf(engine.hypotheses.filter((h) => h.id === id || h.family === id));

/** How far the evidence condemns what a hypothesis suspects; see `condemn`. */
export const condemned = (engine: Engine, h: Hypothesis, evidence: Evidence): number =>
  condemn(engine.model, h, engine.assess(evidence, { pairs: false }).items).share;

/** Of the severities of a way of failing the one that stands for most cases. */
const classicOf = (severities: readonly Hypothesis[]): Hypothesis =>
  severities.reduce((most, h) => (h.prior > most.prior ? h : most), severities[0]!);
