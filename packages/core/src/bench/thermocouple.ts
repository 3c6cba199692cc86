import { type TestingStandard, USUAL_STANDARD } from '../standards';
import type { Judgement, JudgementMessage, Verdict } from './judgement';
import { LIMITS } from './limits';

/** From here an open-circuit thermocouple is strong, volts. Common practice, no source. */
const STRONG = 0.025;
/** Below this its hold-in is unreliable. */
const UNRELIABLE = LIMITS['thermocouple-open'].marginal.from!;

type Found = Extract<JudgementMessage, { message: 'thermocouple' }>['data']['found'];

/** Judges the open-circuit voltage of a thermocouple in its pilot flame, unscrewed at the valve. The sign is the meter's. */
export function judgeThermocouple(reading: number, standard: TestingStandard = USUAL_STANDARD): Judgement {
  const volts = Math.abs(reading);
  const minimum = standard.thermocoupleVolts;
  const judged = (verdict: Verdict, found: Found): Judgement => ({
    verdict,
    says: { message: 'thermocouple', data: { volts, minimum, found } },
  });
  if (volts >= Math.max(STRONG, minimum)) return judged('good', 'strong');
  if (volts >= minimum) return judged('good', 'enough');
  return volts >= UNRELIABLE ? judged('marginal', 'under') : judged('bad', 'cannot-hold');
}
