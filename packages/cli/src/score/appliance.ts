import {
  answersOf,
  synthesise,
  type Episode,
  type Hypothesis,
  type Observation,
  type Question,
} from '@zetalysis/core/diagnosis';
import { predict } from '@zetalysis/core/diagnosis';
import { loadProfile, type Model } from '@zetalysis/core/profile';
import { CircuitStates, run, type Memory } from '@zetalysis/core/sequence';
import { OUTCOMES } from '@zetalysis/core/sequence';
import type { Random } from './random';

/** Share of cues, outcomes and codes that the simulated technician gets wrong. */
export const MISREPORTED = 0.03;

/** One real appliance: the profile's values drawn from their spreads, with one hidden fault. */
export class Appliance {
  private readonly model: Model;
  private readonly circuits: CircuitStates;

  constructor(
    source: string,
    file: string,
    private readonly hidden: Hypothesis,
    private readonly random: Random,
  ) {
    // Log-normal, so that a wide spread never turns a value negative.
    this.model = loadProfile(source, file, {
      vary: (_path, value, spread) => value * Math.exp(spread * random.normal()),
    });
    this.circuits = new CircuitStates(this.model);
  }

  /** What the technician reports when asked, errors and meter noise included. */
  answer(chain: readonly Episode[], question: Question): Observation | undefined {
    let memory: Memory | undefined;
    let trace;
    for (const episode of chain) {
      trace = run(this.circuits, this.hidden.faults, episode.setup, memory);
      memory = trace.memory;
    }
    const truth = predict(this.model, trace!, this.hidden.faults, question);
    const { random } = this;
    const wrong = random.next() < MISREPORTED;
    if (question.kind === 'outcome') {
      const right = truth.kind === 'choice' ? truth.answer : 0;
      return { kind: 'outcome', outcome: OUTCOMES[wrong ? this.another(right, OUTCOMES.length) : right]! };
    }
    if (question.kind === 'code') {
      const answers = answersOf(this.model, question);
      const right = truth.kind === 'choice' ? truth.answer : 0;
      return { kind: 'code', code: answers[wrong ? this.another(right, answers.length) : right]! };
    }
    const exact = synthesise(question, truth);
    if (!exact) return undefined;
    switch (exact.kind) {
      case 'seen':
        return wrong ? { ...exact, answer: !exact.answer } : exact;
      case 'look': {
        const look = this.model.looks[exact.look]!;
        return random.next() > look.tells
          ? { ...exact, answer: this.another(exact.answer, look.answers.length) }
          : exact;
      }
      case 'volts': {
        if (truth.kind === 'ghost')
          return { ...exact, reading: { kind: 'value', value: random.exponential(2.5), dimension: 'voltage' } };
        if (exact.reading.kind !== 'value') return exact;
        const value = Math.abs(exact.reading.value * (1 + 0.008 * random.normal()) + 0.05 * random.normal());
        return { ...exact, reading: { kind: 'value', value, dimension: 'voltage' } };
      }
      case 'ohms': {
        if (exact.reading.kind !== 'value') return exact;
        const value = Math.max(0, exact.reading.value * (1 + 0.01 * random.normal()) + 0.2 * random.next());
        return { ...exact, reading: { kind: 'value', value, dimension: 'resistance' } };
      }
      case 'gauge': {
        if (exact.reading.kind !== 'value') return exact;
        return { ...exact, reading: { ...exact.reading, value: exact.reading.value * (1 + 0.015 * random.normal()) } };
      }
      default:
        return exact;
    }
  }

  private another(right: number, of: number): number {
    return (right + 1 + Math.floor(this.random.next() * (of - 1))) % of;
  }
}
