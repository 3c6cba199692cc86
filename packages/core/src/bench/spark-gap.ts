import { type TestingStandard, USUAL_STANDARD } from '../standards';
import type { Judgement, JudgementMessage, Verdict } from './judgement';

/** What a gap is set to, metres (1/8 in), and how far off a drill shank still passes for it. Common practice, no source. */
const SPARK_GAP = 0.003175;
const SLACK = 0.0004;
/** Below this the spark goes where it does not light anything. */
const CLOSED = 0.0016;

type Found = Extract<JudgementMessage, { message: 'spark-gap' }>['data']['found'];

/** Judges the gap of a spark electrode, metres, measured with the shank of a drill. */
export function judgeSparkGap(gap: number, standard: TestingStandard = USUAL_STANDARD): Judgement {
  const judged = (verdict: Verdict, found: Found): Judgement => ({
    verdict,
    says: { message: 'spark-gap', data: { gap, found } },
  });
  if (gap < CLOSED) return judged('bad', 'closed');
  if (gap > standard.sparkGap + SLACK) return judged('bad', 'too-wide');
  return Math.abs(gap - SPARK_GAP) > SLACK ? judged('marginal', 'accepted') : judged('good', 'right');
}
