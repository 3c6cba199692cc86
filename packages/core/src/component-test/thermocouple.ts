import { formatQuantity } from '../units';
import type { Judgement } from './judge';
import { USUAL_SCHOOL, type School } from './school';

/** From here an open-circuit thermocouple is strong, and below this its hold-in is unreliable; volts. Common practice, no source. */
const STRONG = 0.025;
const UNRELIABLE = 0.017;

/** Judges the open-circuit voltage of a thermocouple in its pilot flame, unscrewed at the valve. The sign is the meter's. */
export function judgeThermocouple(volts: number, school: School = USUAL_SCHOOL): Judgement {
  const size = Math.abs(volts);
  const shown = formatQuantity(size, 'voltage');
  const minimum = formatQuantity(school.thermocoupleVolts, 'voltage');
  if (size >= Math.max(STRONG, school.thermocoupleVolts)) return { verdict: 'good', words: `${shown} is strong.` };
  if (size >= school.thermocoupleVolts)
    return { verdict: 'good', words: `${shown} is enough (minimum ${minimum}); expect it to fall with the years.` };
  if (size >= UNRELIABLE)
    return {
      verdict: 'marginal',
      words: `${shown} is under the minimum of ${minimum}: clean it, set the flame, test again.`,
    };
  return { verdict: 'bad', words: `${shown} cannot hold the magnet for sure (minimum ${minimum}).` };
}

/** Judges a spark gap against its 1/8 in target, metres. */
export function judgeSparkGap(metres: number, school: School = USUAL_SCHOOL): Judgement {
  const target = 0.0032;
  const shown = `${(metres * 1000).toFixed(1)} mm`;
  if (metres < 0.0024)
    return { verdict: 'bad', words: `${shown} is too narrow: the arc grounds out. Set 3.2 mm (1/8 in).` };
  if (metres <= target + 0.0003) return { verdict: 'good', words: `${shown} is right.` };
  if (metres <= school.sparkGap + 1e-6)
    return { verdict: 'marginal', words: `${shown} is accepted; 3.2 mm (1/8 in) is the target. Note it.` };
  return { verdict: 'bad', words: `${shown} is too wide. Set 3.2 mm (1/8 in).` };
}
