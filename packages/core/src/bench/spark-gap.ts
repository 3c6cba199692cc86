import { type TestingStandard, USUAL_STANDARD } from '../standards';
import { formatQuantity } from '../units';
import type { Judgement } from './judge';

/** What a gap is set to, metres (1/8 in), and how far off a drill shank still passes for it. Common practice, no source. */
const SPARK_GAP = 0.003175;
const SLACK = 0.0004;
/** Below this the spark goes where it does not light anything. */
const CLOSED = 0.0016;

/** Judges the gap of a spark electrode, metres, measured with the shank of a drill. */
export function judgeSparkGap(gap: number, standard: TestingStandard = USUAL_STANDARD): Judgement {
  const shown = formatQuantity(gap, 'length');
  if (gap < CLOSED)
    return { verdict: 'bad', words: `${shown} is closed: the spark does not reach the gas. Set 1/8 in.` };
  if (gap > standard.sparkGap + SLACK) return { verdict: 'bad', words: `${shown} is too wide. Set 1/8 in.` };
  if (Math.abs(gap - SPARK_GAP) > SLACK)
    return { verdict: 'marginal', words: `${shown} is accepted; note it, 1/8 in is the aim.` };
  return { verdict: 'good', words: `${shown} is good (1/8 in).` };
}
