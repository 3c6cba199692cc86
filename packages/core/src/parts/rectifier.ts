import { CLOSED, num, OPEN, other, type PartKind } from './part-kind';

/**
 * A bridge of four diodes: what it feeds is the same sine with its lower half turned up. The volts that do the work (RMS) stay,
 * less the little that the diodes take; what a meter makes of them depends on its function.
 */
export const rectifier: PartKind = {
  name: 'rectifier',
  title: 'rectifier',
  fields: { weight: { type: 'none', default: 0.4 } },
  branches: () => ['feed', 'return'],
  states: ['idle'],
  modes: (spec) => [
    { id: 'open', words: 'passes nothing', relativeRate: num(spec, 'weight'), repair: 'replace' },
    other(0.1),
  ],
  electrical: (_spec, _state, fault) => (fault === 'open' ? OPEN : CLOSED),
  deadTests: () => [],
  role: () => 'conductor',
  rectifies: true,
  symbol: () => 'load',
};
