import { ASSUMED } from '../standards';
import { type Reading, readingValue } from '../units';
import { between, comesAtAll, decay, gauss } from './fit';
import type { Prediction } from './prediction';
import { isDead, type VoltsRange, voltsSd } from './volts-range';

/** How well a reading in volts fits a prediction: its density there, and that of a reading anywhere on the range. */
export function fitVolts(reading: Reading, p: Prediction, range: VoltsRange): { fit: number; base: number } {
  const base = 1 / range.top;
  const wanders = reading.kind === 'range';
  const x = Math.abs(readingValue(reading));
  const absent = comesAtAll(p);
  switch (p.kind) {
    case 'volts': {
      const steady = wanders ? ASSUMED.wandersThoughSteady : 1;
      const { shorter } = p;
      const mixed = shorter
        ? (1 - shorter.share) * standing(x, p.volts, range, p.placed) +
          shorter.share * standing(x, shorter.value, range, p.placed)
        : p.reach && !isDead(p.volts, range)
          ? between(x, p.reach, voltsSd(p.volts, range, p.placed))
          : standing(x, p.volts, range, p.placed);
      return { fit: absent * steady * mixed, base };
    }
    case 'unsteady': {
      // A true dip is too short for the display: it shows some average between the extremes.
      const slack = range.top / 30;
      const width = Math.max(2 * slack, p.high - p.low);
      const inside = x >= p.low * 0.92 - slack && x <= p.high * 1.08 + slack ? 1 / width : 0;
      const { steadyThoughUnsteady } = ASSUMED;
      return { fit: absent * (wanders ? 1 - steadyThoughUnsteady : steadyThoughUnsteady) * inside, base };
    }
    case 'ghost': {
      const { ghostWanders } = ASSUMED;
      return { fit: absent * (wanders ? ghostWanders : 1 - ghostWanders) * decay(x, range.ghost), base };
    }
    default:
      return { fit: 0, base };
  }
}

/** Density of a reading where a voltage stands. */
function standing(x: number, value: number, range: VoltsRange, placed?: true): number {
  const sharp = gauss(x, value, voltsSd(value, range, placed));
  // A wire that is dead but runs beside live ones often shows a little through a poor path.
  return isDead(value, range) ? (1 - ASSUMED.strayShare) * sharp + ASSUMED.strayShare * decay(x, range.stray) : sharp;
}

/** Whether a meter would not tell two predictions apart. */
export function sameVolts(range: VoltsRange, a: Prediction, b: Prediction): boolean {
  // A ghost is easily taken for a dead wire, and the other way round.
  if (looksDead(a, range) && looksDead(b, range)) return true;
  if (a.kind === 'volts' && b.kind === 'volts')
    return Math.abs(a.volts - b.volts) < 2 * (voltsSd(a.volts, range) + voltsSd(b.volts, range));
  return a.kind === b.kind;
}

const looksDead = (p: Prediction, range: VoltsRange): boolean =>
  p.kind === 'ghost' || (p.kind === 'volts' && isDead(p.volts, range));
