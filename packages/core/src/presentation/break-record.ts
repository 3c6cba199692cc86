import { type Assessment, type Engine, standingOf, type Suspect } from '../diagnosis';
import { findPart, type Model } from '../profile';
import type { RankedTest } from '../test-choice';
import { capital } from '../units';
import type { AdviceSnapshot, BreakRecord } from '../visit';
import { instruction, instructionWords } from './test-words';

/** Keeps what the advice was, for the record. */
export function snapshot(engine: Engine, assessment: Assessment, next: readonly RankedTest[]): AdviceSnapshot {
  return {
    suspects: assessment.suspects.slice(0, 5).map((s) => ({
      repair: s.repair,
      words: s.leading.words,
      probability: Math.round(s.probability * 1000) / 1000,
    })),
    standing: standingOf(assessment),
    ...(next[0] ? { nextTest: instructionWords(instruction(engine.model, next[0].test)) } : {}),
  };
}

/** A filled-in break record for the leading suspect, for a person to correct and confirm. */
export function draftRecord(engine: Engine, assessment: Assessment): Omit<BreakRecord, 'advice'> {
  const suspect: Suspect = assessment.suspects[0]!;
  const { leading } = suspect;
  if (leading.breaks === undefined)
    return { part: 'none', failure: leading.words, cause: '', action: '', standing: 'suspected' };
  const part = engine.model.parts[leading.breaks]!;
  const cause = leading.cause === undefined ? undefined : engine.model.parts[leading.cause]!;
  const mode = leading.faults[0]!;
  const words = engine.model.parts[mode.part]!.modes[mode.mode]!.words;
  return {
    part: part.id,
    failure: cause ? 'opened, as it should' : words,
    cause: cause ? `${cause.title} ${words}` : '',
    action: '',
    standing: standingOf(assessment),
  };
}

/** A recorded break as one would tell it. */
export function sayRecord(model: Model, { part, failure, cause, standing }: BreakRecord): string {
  const named = findPart(model, part)?.title ?? part;
  return `${capital(named)}: ${failure}.${cause === '' ? '' : ` Cause: ${cause}.`} (${standing})`;
}
