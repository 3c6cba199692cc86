import { num, ohms, OPEN, other, type PartKind, type Spec } from './part-kind';
import { factors, inBand } from './severity';

/** Ratio of inner impedance to rated load impedance of a small control transformer, from its regulation. */
const REGULATION = 0.1;

const secondaryZ = (spec: Spec): number => (REGULATION * num(spec, 'volts') ** 2) / num(spec, 'va');

/** A control transformer: two coupled windings. Its inner impedance follows from volts and volt-amperes. */
export const transformer: PartKind = {
  name: 'transformer',
  title: 'transformer',
  fields: {
    'primary-volts': { type: 'voltage', default: 120 },
    volts: { type: 'voltage', default: 24 },
    va: { type: 'power', default: 40 },
    'primary-ohms': { type: 'resistance', default: 9, tolerance: 0.06 },
    'secondary-ohms': { type: 'resistance', default: 0.8, tolerance: 0.06 },
    /** How many times its inner impedance a common weak one has: enough to fail under the load of its appliance. */
    'weak-times': { type: 'none', default: 13 },
    /** How many times its rated inner impedance it has. */
    'inner-times': { type: 'none', default: 1 },
  },
  branches: () => ['primary', 'secondary'],
  states: ['idle'],
  modes: (spec) => [
    { id: 'primary-open', words: 'has an open primary winding', relativeRate: 1.5, repair: 'replace' },
    { id: 'secondary-open', words: 'has an open secondary winding', relativeRate: 1, repair: 'replace' },
    // From one that sinks a little under load to one that hardly carries a relay (common practice, no source).
    ...inBand(
      { id: 'weak', words: 'is weak: its voltage sinks when it is loaded', relativeRate: 0.7, repair: 'replace' },
      [factors(0.3, 0.85, 2, 0.3), factors(0.85, 1.2, 1, 0.35), factors(1.2, 3, 2, 0.35)],
      (share) => ({ values: { 'inner-times': share * num(spec, 'weak-times') } }),
    ),
    other(0.15),
  ],
  electrical: (spec, _state, fault, branch, frequency) => {
    if (branch === 'primary') {
      if (fault === 'primary-open') return OPEN;
      return frequency === 'dc' || fault === 'secondary-open'
        ? ohms(num(spec, 'primary-ohms'), frequency === 'dc' ? 0 : 900)
        : { type: 'coupled-primary' };
    }
    if (fault === 'secondary-open') return OPEN;
    if (frequency === 'dc') return ohms(num(spec, 'secondary-ohms') * (fault === 'weak' ? 0.6 : 1));
    // A dead primary leaves only the copper and iron of the secondary.
    if (fault === 'primary-open') return ohms(num(spec, 'secondary-ohms'), 20);
    const z = secondaryZ(spec) * num(spec, 'inner-times');
    const sag = fault === 'weak' ? 0.94 : 1;
    return {
      type: 'coupled-secondary',
      primary: 'primary',
      // The open-circuit voltage is higher than the rated one by the regulation, so that full load gives the rating.
      ratio: ((num(spec, 'volts') * (1 + REGULATION)) / num(spec, 'primary-volts')) * sag,
      r: z * 0.95,
      x: z * 0.3,
      magnetisingR: 900,
      magnetisingX: 1500,
    };
  },
  deadTests: (spec) =>
    (['primary', 'secondary'] as const).map((branch) => ({
      branch,
      title: `${branch} winding`,
      low: num(spec, `${branch}-ohms`) * 0.8,
      high: num(spec, `${branch}-ohms`) * 1.2,
    })),
  // 23 to 29.5 V idle where 24 V is meant, beside what the line does (common practice, no source).
  feeds: (spec, branch) =>
    branch === 'secondary'
      ? { volts: num(spec, 'volts'), frequency: 'ac', sound: { low: 0.89, high: 1.1 } }
      : undefined,
  couplings: [{ primary: 'primary', secondary: 'secondary' }],
  role: () => 'winding',
  symbol: () => 'winding',
};
