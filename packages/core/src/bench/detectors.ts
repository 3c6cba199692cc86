import { PSI } from './factors';
import { type Given, isAnswered, type Measure } from './spec';
import type { Uncertain, Zones } from './zones';

/** Factors of a prefix that was not typed: k, M, m, µ. */
const PREFIXES = [1e3, 1e6, 1e-3, 1e-6];
/** A display that wanders further than this share has not settled, unless wandering is what is asked for. */
const SETTLED = 0.1;

/** What else a display of pressure shows than inches of water: mbar, kPa, psi. */
const OTHER_PRESSURES = [100, 1000, PSI];

/** Whether a value is at least marginal. */
const within = ({ marginal: { from = 0, to = Infinity } }: Zones, value: number): boolean =>
  value >= from && value <= to;

/** What makes a reading doubtful, in words that say what to do; nothing where nothing does. */
export function suspicious(measure: Measure, given: Given, x: Uncertain, zones: Zones): string | undefined {
  for (const ask of measure.asks) {
    const reading = given.reading(ask.id);
    if (ask.kind !== 'number' || !reading) continue;
    if (reading.kind === 'range' && !measure.wanders) {
      const middle = (reading.low + reading.high) / 2;
      if (reading.high - reading.low > SETTLED * Math.abs(middle))
        return 'It has not settled. Wait until it stands, and read again.';
    }
    if (ask.dimension === 'resistance' && ask.instrument && reading.kind === 'value' && reading.value < 0)
      return 'Less than nothing: read the tips together first, and take that off.';
  }
  const { dimension, ghosts } = measure;
  if (ghosts && isAnswered(ghosts.when, given.choice) && given.choice('input') !== 'low') {
    const volts = given.number(ghosts.of) ?? 0;
    if (volts >= ghosts.from && volts <= ghosts.to)
      return 'So few volts may only couple into an open wire. Read it again at low impedance.';
  }
  // With one end only, any larger unit would fit.
  const bounded = zones.marginal.to !== undefined && zones.marginal.from !== undefined;
  if (dimension === 'pressure' && bounded && !within(zones, x.value)) {
    const ask = measure.asks.find((a) => a.kind === 'number' && a.instrument !== undefined);
    const bare = ask && given.bare(ask.id);
    if (bare !== undefined && OTHER_PRESSURES.some((unit) => within(zones, bare * unit)))
      return 'In which unit does the display show it: in w.c., mbar, kPa or psi? Type it with its unit.';
  }
  if (dimension === 'resistance' || dimension === 'capacitance') {
    if (bounded && x.value > 0 && !within(zones, x.value) && PREFIXES.some((f) => within(zones, x.value * f)))
      return dimension === 'resistance'
        ? 'Look at the display: does it say k or M? Read it again with its prefix.'
        : 'Look at the display: does it say n? Read it again with its prefix.';
  }
  return undefined;
}
