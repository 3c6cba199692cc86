import { type Assessment, type Engine, standingOf } from '../diagnosis';
import { findPart } from '../profile';
import type { EventBody } from '../visit';

type RecordedBreak = Extract<EventBody, { type: 'break-recorded' }>;

/** What stands for the part itself, where no other one was the cause. */
export const ITSELF = 'itself';

/** How a break is written down in an exercise: the part, and the part that was its cause, by name. */
export const recordedBreak = ({ model }: Engine, part: string, cause: string): RecordedBreak => ({
  type: 'break-recorded',
  part,
  title: findPart(model, part)?.title ?? 'nothing',
  failure: findPart(model, part)?.title ?? 'Nothing is wrong',
  cause,
  action: '',
  standing: 'suspected',
  advice: { suspects: [], standing: 'suspected' },
});

/** The same of what an assessment has first. */
export function recordedOf(engine: Engine, assessment: Assessment): RecordedBreak {
  const { parts } = engine.model;
  const { leading } = assessment.suspects[0]!;
  const standing = standingOf(assessment);
  const part = leading.breaks === undefined ? 'none' : parts[leading.breaks]!.id;
  const cause = leading.cause === undefined ? ITSELF : parts[leading.cause]!.id;
  return {
    ...recordedBreak(engine, part, cause),
    failure: leading.words,
    standing,
    advice: { suspects: [], standing },
  };
}
