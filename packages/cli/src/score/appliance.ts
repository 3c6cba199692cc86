import { Traces } from '@zetalysis/core/inference';
import { loadProfile, type Model } from '@zetalysis/core/profile';
import { synthesise } from '@zetalysis/core/proof';
import {
  answersOf,
  type Episode,
  lookError,
  numberError,
  type Observation,
  predict,
  type Prediction,
  type Question,
  readsOpen,
} from '@zetalysis/core/question';
import { CircuitStates, type FaultRef, OUTCOMES, Trajectories } from '@zetalysis/core/simulation';
import type { Random } from './random';

/** Share of cues, outcomes and codes that the simulated technician gets wrong. */
export const MISREPORTED = 0.03;
/** The simulated meter: share of the value and volts (one standard deviation); ohms get up to two tenths from the leads. */
const METER_SHARE = 0.008;
const METER_VOLTS = 0.05;
const OHMS_SHARE = 0.01;
const LEAD_OHMS = 0.2;
const GAUGE_SHARE = 0.015;
/** Mean of a ghost on the simulated meter, volts; a thousandth of it in a thermocouple's circuit. */
const GHOST = 2.5;

/** How sound appliances of one type differ: log-normal, so that a wide spread never turns a value negative. */
export const varied =
  (random: Random) =>
  (_path: string, value: number, spread: number): number =>
    value * Math.exp(spread * random.normal());

/** One real appliance: the profile's values drawn from their spreads, with hidden faults; and the technician before it. */
export class Appliance {
  /** The technician's luck before anything was asked. */
  private readonly luck: Random;

  private constructor(
    private readonly model: Model,
    private readonly traces: Traces,
    private readonly hidden: readonly FaultRef[],
    private readonly random: Random,
    private readonly misreported: number,
  ) {
    this.luck = random.clone();
  }

  static drawn(source: string, file: string, hidden: readonly FaultRef[], random: Random): Appliance {
    const model = loadProfile(source, file, { vary: varied(random) });
    return new Appliance(
      model,
      new Traces(model, new Trajectories(new CircuitStates(model))),
      hidden,
      random,
      MISREPORTED,
    );
  }

  /** The same appliance as it was before anybody came, and a technician with the same luck who errs this often. */
  again(misreported = MISREPORTED): Appliance {
    return new Appliance(this.model, this.traces, this.hidden, this.luck.clone(), misreported);
  }

  /** Whether everything that can be watched goes as on a sound appliance in the last of these episodes. */
  runs(chain: readonly Episode[]): boolean {
    const own = this.traces.last(this.hidden, chain).trace;
    const sound = this.traces.last([], chain).trace;
    return (
      own.outcome === sound.outcome && own.cues.every((cue, phase) => cue.length > 0 === sound.cues[phase]!.length > 0)
    );
  }

  /** What the technician reports when asked, errors and meter noise included. */
  answer(chain: readonly Episode[], question: Question): Observation | undefined {
    const { trace, faults } = this.traces.last(this.hidden, chain);
    const truth = predict(this.model, trace, faults, question);
    const { random } = this;
    const wrong = random.next() < this.misreported;
    if (question.kind === 'outcome') {
      const right = truth.kind === 'choice' ? truth.answer : 0;
      return { kind: 'outcome', outcome: OUTCOMES[wrong ? this.another(right, OUTCOMES.length) : right]! };
    }
    if (question.kind === 'code') {
      const answers = answersOf(this.model, question);
      const right = truth.kind === 'choice' ? truth.answer : 0;
      return { kind: 'code', code: answers[wrong ? this.another(right, answers.length) : right]! };
    }
    const exact = synthesise(this.model, question, truth);
    if (!exact) return undefined;
    switch (exact.kind) {
      case 'seen':
        return wrong ? { ...exact, answer: !exact.answer } : exact;
      case 'look': {
        const look = this.model.looks[exact.look]!;
        const own = this.traces.last([], chain);
        const sound = predict(this.model, own.trace, own.faults, question);
        const errs = lookError(look, truth, sound) * (this.misreported / MISREPORTED);
        return random.next() < errs ? { ...exact, answer: this.another(exact.answer, look.answers.length) } : exact;
      }
      case 'volts': {
        const small = this.model.levels[exact.red] === 'millivolt' ? 0.001 : 1;
        if (truth.kind === 'ghost')
          return {
            ...exact,
            reading: { kind: 'value', value: small * random.exponential(GHOST), dimension: 'voltage' },
          };
        if (exact.reading.kind !== 'value') return exact;
        const stands = this.met(truth) ?? exact.reading.value;
        const value = Math.abs(stands * (1 + METER_SHARE * random.normal()) + small * METER_VOLTS * random.normal());
        return { ...exact, reading: { kind: 'value', value, dimension: 'voltage' } };
      }
      case 'ohms': {
        const stands = this.met(truth) ?? (exact.reading.kind === 'value' ? exact.reading.value : Infinity);
        if (readsOpen(stands)) return { ...exact, reading: { kind: 'open', dimension: 'resistance' } };
        const value = stands * (1 + OHMS_SHARE * random.normal()) + LEAD_OHMS * random.next();
        return { ...exact, reading: { kind: 'value', value: Math.max(0, value), dimension: 'resistance' } };
      }
      case 'gauge': {
        if (exact.reading.kind !== 'value') return exact;
        // As a spread does, the error of a thermometer counts from the temperature of the room.
        const zero = numberError(this.model, question).zero;
        const value = zero + (exact.reading.value - zero) * (1 + GAUGE_SHARE * random.normal());
        return { ...exact, reading: { ...exact.reading, value } };
      }
      default:
        return exact;
    }
  }

  /** Whoever comes to a slow cycle comes in either part of it: the value of the shorter one, when that is met. */
  private met(truth: Prediction): number | undefined {
    const shorter = truth.kind === 'volts' || truth.kind === 'ohms' ? truth.shorter : undefined;
    return shorter && this.random.next() < shorter.share ? shorter.value : undefined;
  }

  private another(right: number, of: number): number {
    return (right + 1 + Math.floor(this.random.next() * (of - 1))) % of;
  }
}
