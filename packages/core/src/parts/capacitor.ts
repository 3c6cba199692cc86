import { num, OPEN, ohms, other, type PartKind } from './part-kind';
import { even, inBand } from './severity';

/** The mains of every appliance here, hertz. */
const MAINS_HERTZ = 60;
/** What its plates and leads lose, ohms; an assumption. */
const LOSSES = 1;

/** The run capacitor of a single-phase motor: with too little of it the motor hums, and does not start by itself. */
export const capacitor: PartKind = {
  name: 'capacitor',
  title: 'run capacitor',
  fields: {
    farads: { type: 'capacitance', tolerance: 0.03 },
    /** What its plate allows to either side, as a share. */
    allows: { type: 'fraction', default: 0.06 },
    weight: { type: 'none', default: 1 },
  },
  branches: () => [''],
  states: ['idle'],
  modes: (spec) => {
    const weight = num(spec, 'weight');
    return [
      { id: 'open', words: 'is open', relativeRate: 0.6 * weight, repair: 'replace' },
      // It dries out; most are found well below their plate (common practice, no source).
      ...inBand(
        { id: 'weak', words: 'has lost too much of its microfarads', relativeRate: weight, repair: 'replace' },
        [even(0.15, 0.85, 6)],
        (left) => ({ values: { farads: num(spec, 'farads') * left }, left }),
      ),
      other(0.05),
    ];
  },
  electrical: (spec, _state, fault, _branch, frequency) =>
    fault === 'open' || frequency === 'dc'
      ? OPEN
      : ohms(LOSSES, -1 / (2 * Math.PI * MAINS_HERTZ * num(spec, 'farads'))),
  deadTests: (spec) => [
    {
      branch: '',
      dimension: 'capacitance',
      title: 'microfarads',
      low: num(spec, 'farads') * (1 - num(spec, 'allows')),
      high: num(spec, 'farads') * (1 + num(spec, 'allows')),
      as: 'capacitor',
    },
  ],
  role: () => 'conductor',
  drawnAlone: false,
  symbol: () => 'load',
};
