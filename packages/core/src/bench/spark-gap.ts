import { type TestingStandard, USUAL_STANDARD } from '../standards';
import type { Judgement, JudgementMessage, Verdict } from './judgement';
import { LIMITS } from './limits';

const { good, marginal } = LIMITS['spark-gap'];
/** How far off what a shop takes a drill shank still passes for it, metres. Common practice, no source. */
const SLACK = 0.0004;

type Found = Extract<JudgementMessage, { message: 'spark-gap' }>['data']['found'];

/** Judges the gap of a spark electrode, metres, measured with the shank of a drill. */
export function judgeSparkGap(gap: number, standard: TestingStandard = USUAL_STANDARD): Judgement {
  const judged = (verdict: Verdict, found: Found): Judgement => ({
    verdict,
    says: { message: 'spark-gap', data: { gap, found } },
  });
  // Below this the spark goes where it does not light anything.
  if (gap < marginal.from!) return judged('bad', 'closed');
  if (gap > standard.sparkGap + SLACK) return judged('bad', 'too-wide');
  return gap < good.from! || gap > good.to! ? judged('marginal', 'accepted') : judged('good', 'right');
}
