import { num, OPEN, other, type PartKind } from './part-kind';
import { factors, inBand } from './severity';

/** A battery or converter: direct current behind its inner resistance, which decides what is left under load. */
export const battery: PartKind = {
  name: 'battery',
  title: 'battery',
  fields: {
    volts: { type: 'voltage', default: 12.7, tolerance: 0.015 },
    ohms: { type: 'resistance', default: 0.03 },
    /** Inner resistance of a battery that reads well idle and sinks under load. */
    'weak-ohms': { type: 'resistance', default: 0.55, tolerance: 0.1 },
    /** That of a weak one, 0 for a sound one. */
    'inner-ohms': { type: 'resistance', default: 0 },
    'on-when': { type: 'expression', default: 'true' },
    'weak-weight': { type: 'none', default: 2 },
  },
  branches: () => [''],
  states: ['off', 'on'],
  modes: (spec) => [
    { id: 'flat', words: 'is flat or off', relativeRate: 1, repair: 'repair' },
    // 7 to 10.5 V left at the board while the blower runs (common practice, no source).
    ...inBand(
      {
        id: 'weak',
        words: 'sinks under load: weak, sulphated or badly joined',
        relativeRate: num(spec, 'weak-weight'),
        repair: 'repair',
      },
      [factors(0.4, 0.7, 1, 0.2), factors(0.7, 1.2, 2, 0.6), factors(1.2, 2.6, 2, 0.2)],
      (times) => ({ values: { 'inner-ohms': times * num(spec, 'weak-ohms') } }),
    ),
    other(0.1),
  ],
  electrical: (spec, state, fault) => {
    if (state === 'off' || fault === 'flat') return OPEN;
    const weak = num(spec, 'inner-ohms');
    return {
      type: 'source',
      volts: num(spec, 'volts') * (weak > 0 ? 0.98 : 1),
      r: weak > 0 ? weak : num(spec, 'ohms'),
      x: 0,
    };
  },
  move: (view) => {
    const to = view.holds('on-when') ? 'on' : 'off';
    return to === view.state ? undefined : { to, after: 0 };
  },
  // 11.2 to 13.8 V at the board while the blower runs (common practice, no source).
  feeds: (spec) => ({ volts: num(spec, 'volts'), frequency: 'dc', sound: { low: 0.92, high: 1.09 } }),
  deadTests: () => [],
  role: () => 'source',
  symbol: () => 'source',
};
