import { type TestingStandard, USUAL_STANDARD } from '../standards';
import { formatQuantity } from '../units';
import type { Judgement } from './judge';

/** From here an open-circuit thermocouple is strong, and below this its hold-in is unreliable; volts. Common practice, no source. */
const STRONG = 0.025;
const UNRELIABLE = 0.017;

/** Judges the open-circuit voltage of a thermocouple in its pilot flame, unscrewed at the valve. The sign is the meter's. */
export function judgeThermocouple(volts: number, standard: TestingStandard = USUAL_STANDARD): Judgement {
  const size = Math.abs(volts);
  const shown = formatQuantity(size, 'voltage');
  const minimum = formatQuantity(standard.thermocoupleVolts, 'voltage');
  if (size >= Math.max(STRONG, standard.thermocoupleVolts)) return { verdict: 'good', words: `${shown} is strong.` };
  if (size >= standard.thermocoupleVolts)
    return { verdict: 'good', words: `${shown} is enough (minimum ${minimum}); expect it to fall with the years.` };
  if (size >= UNRELIABLE)
    return {
      verdict: 'marginal',
      words: `${shown} is under the minimum of ${minimum}: clean it, set the flame, test again.`,
    };
  return { verdict: 'bad', words: `${shown} cannot hold the magnet for sure (minimum ${minimum}).` };
}
