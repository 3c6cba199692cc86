import { num, OPEN, other, type PartKind } from './part-kind';

/** A battery or converter: direct current behind its inner resistance, which decides what is left under load. */
export const battery: PartKind = {
  name: 'battery',
  title: 'battery',
  fields: {
    volts: { type: 'voltage', default: 12.7, tolerance: 0.015 },
    ohms: { type: 'resistance', default: 0.03 },
    /** Inner resistance of a battery that reads well idle and sinks under load. */
    'weak-ohms': { type: 'resistance', default: 0.55, tolerance: 0.1 },
    'on-when': { type: 'expression', default: 'true' },
    'weak-weight': { type: 'none', default: 2 },
  },
  branches: () => [''],
  states: ['off', 'on'],
  modes: (spec) => [
    { id: 'flat', words: 'is flat or off', relativeRate: 1, repair: 'repair' },
    {
      id: 'weak',
      words: 'sinks under load: weak, sulphated or badly joined',
      relativeRate: num(spec, 'weak-weight'),
      repair: 'repair',
    },
    other(0.1),
  ],
  electrical: (spec, state, fault) => {
    if (state === 'off' || fault === 'flat') return OPEN;
    const weak = fault === 'weak';
    return {
      type: 'source',
      volts: num(spec, 'volts') * (weak ? 0.98 : 1),
      r: num(spec, weak ? 'weak-ohms' : 'ohms'),
      x: 0,
    };
  },
  move: (view) => {
    const to = view.holds('on-when') ? 'on' : 'off';
    return to === view.state ? undefined : { to, after: 0 };
  },
  feeds: (spec) => ({ volts: num(spec, 'volts'), frequency: 'dc' }),
  deadTests: () => [],
  role: () => 'source',
  symbol: () => 'source',
};
