import { actsWhileFed } from './fed';
import { num, ohms, OPEN, other, type PartKind } from './part-kind';
import { factors, inBand } from './severity';

/** A power supply inside an appliance: line voltage in, low direct current out. The two sides meet only at ground. */
export const converter: PartKind = {
  name: 'converter',
  title: 'power supply',
  fields: {
    volts: { type: 'voltage', default: 24, tolerance: 0.02 },
    /** Inner resistance of the output. */
    ohms: { type: 'resistance', default: 0.5 },
    /** What the input draws. */
    'input-ohms': { type: 'resistance', default: 1800 },
    'starts-at': { type: 'voltage', default: 85 },
    weight: { type: 'none', default: 0.8 },
  },
  branches: () => ['input', 'output'],
  states: ['off', 'on'],
  modes: (spec) => [
    { id: 'dead', words: 'gives nothing out though it is fed', relativeRate: num(spec, 'weight'), repair: 'replace' },
    ...inBand(
      { id: 'weak', words: 'sinks under load', relativeRate: 0.4 * num(spec, 'weight'), repair: 'replace' },
      [factors(3, 80, 6)],
      (times) => ({ values: { ohms: num(spec, 'ohms') * times } }),
    ),
    other(0.1),
  ],
  electrical: (spec, state, fault, branch) => {
    if (branch === 'input') return ohms(num(spec, 'input-ohms'));
    if (state === 'off' || fault === 'dead') return OPEN;
    return { type: 'source', volts: num(spec, 'volts'), r: num(spec, 'ohms'), x: 0 };
  },
  drive: ({ spec, volts }) => Number(volts('input') >= num(spec, 'starts-at')),
  move: (view) => actsWhileFed(view, { to: 'on', after: 300 }, { to: 'off', after: 100 }),
  feeds: (spec, branch) =>
    branch === 'output' ? { volts: num(spec, 'volts'), frequency: 'dc', sound: { low: 0.95, high: 1.05 } } : undefined,
  deadTests: () => [],
  role: (branch) => (branch === 'output' ? 'source' : 'consumer'),
  symbol: (branch) => (branch === 'output' ? 'source' : 'load'),
};
