import { ASSUMED } from '../standards';
import { type Reading, readingValue } from '../units';
import { between, comesAtAll, decay, gauss } from './fit';
import type { Prediction } from './prediction';
import { isDead, type VoltsRange, voltsSd } from './volts-range';

/** How well a reading in volts fits a prediction: its density there, and that of a reading anywhere on the range. */
export function fitVolts(reading: Reading, p: Prediction, range: VoltsRange): { fit: number; base: number } {
  const base = 1 / range.top;
  if (p.kind !== 'volts') return { fit: fitOther(reading, p, range), base };
  const x = Math.abs(readingValue(reading));
  const { volts, shorter, reach } = p;
  const mixed = shorter
    ? (1 - shorter.share) * standing(x, volts, range) + shorter.share * standing(x, shorter.value, range)
    : reach && !isDead(volts, range)
      ? between(x, reach, voltsSd(volts, range))
      : standing(x, volts, range);
  return { fit: comesAtAll(p) * steadily(reading) * mixed, base };
}

/**
 * The same density where the source stands at so many times what the model says, or as much as `reach` to either side of that;
 * and the part is in one of some equal `parts` of what its severity reaches to.
 */
export type FitAt = (times: number, reach: number, part: number, parts: number) => number;

export function fitVoltsAt(reading: Reading, p: Prediction, range: VoltsRange): FitAt {
  if (p.kind === 'unsteady')
    return (times, reach) =>
      fitOther(reading, { ...p, low: p.low * (times - reach), high: p.high * (times + reach) }, range);
  if (p.kind !== 'volts') {
    const fit = fitOther(reading, p, range);
    return () => fit;
  }
  const x = Math.abs(readingValue(reading));
  const comes = comesAtAll(p) * steadily(reading);
  const { volts, shorter, reach: reaches } = p;
  if (shorter)
    return (times) =>
      comes *
      ((1 - shorter.share) * standing(x, volts * times, range, true) +
        shorter.share * standing(x, shorter.value * times, range, true));
  return (times, reach, part, parts) => {
    let low = volts;
    let high = volts;
    if (reaches) {
      const step = (reaches.high - reaches.low) / parts;
      low = reaches.low + (reaches.falls ? parts - 1 - part : part) * step;
      high = low + step;
    }
    const middle = ((low + high) / 2) * times;
    return (
      comes *
      (isDead(middle, range)
        ? standing(x, middle, range, true)
        : between(x, { low: low * (times - reach), high: high * (times + reach) }, voltsSd(middle, range, true)))
    );
  };
}

const steadily = (reading: Reading): number => (reading.kind === 'range' ? ASSUMED.wandersThoughSteady : 1);

/** What is no steady voltage. */
function fitOther(reading: Reading, p: Prediction, range: VoltsRange): number {
  const wanders = reading.kind === 'range';
  const x = Math.abs(readingValue(reading));
  switch (p.kind) {
    case 'unsteady': {
      // A true dip is too short for the display: it shows some average between the extremes.
      const slack = range.top / 30;
      const width = Math.max(2 * slack, p.high - p.low);
      const inside = x >= p.low * 0.92 - slack && x <= p.high * 1.08 + slack ? 1 / width : 0;
      const { steadyThoughUnsteady } = ASSUMED;
      return comesAtAll(p) * (wanders ? 1 - steadyThoughUnsteady : steadyThoughUnsteady) * inside;
    }
    case 'ghost': {
      const { ghostWanders } = ASSUMED;
      return comesAtAll(p) * (wanders ? ghostWanders : 1 - ghostWanders) * decay(x, range.ghost);
    }
    default:
      return 0;
  }
}

/** Density of a reading where a voltage stands; `placed` where its source is known to stand there. */
function standing(x: number, value: number, range: VoltsRange, placed = false): number {
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
