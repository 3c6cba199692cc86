import type { Model } from '../profile';
import { formatNumber } from '../units';
import { INCH_OF_WATER, PSI } from './factors';
import type { BenchTest } from './of-dead-test';

const inlet = (typed: BenchTest['typed']): BenchTest => ({
  test: 'gas-pressure',
  measure: 'inlet',
  typed,
  reads: 'pressure',
});
const manifold: BenchTest = { test: 'gas-pressure', measure: 'manifold', typed: {}, reads: 'pressure' };

/** How the Bench judges what an instrument of its own shows, by the name that profiles give the gauge. */
const OF: Readonly<Record<string, BenchTest>> = {
  'gas-inlet': inlet({ state: 'alone' }),
  'running-pressure': inlet({ fuel: 'propane', state: 'alone' }),
  'standing-pressure': inlet({ state: 'static' }),
  'outlet-gas': manifold,
  'let-by': { test: 'gas-pressure', measure: 'lets-by', typed: {}, reads: 'pressure' },
  'flame-signal': { test: 'flame-signal', measure: 'signal', typed: {}, reads: 'microamps' },
  'spark-gap': { test: 'spark', measure: 'gap', typed: {}, reads: 'in' },
};

/** How the Bench judges a gauge; nothing for one that it has no test of. */
export const benchTestOfGauge = (model: Model, gauge: string): BenchTest | undefined =>
  OF[gauge] ?? bySwitch(model, gauge);

/** A draft beside what makes its switch; steam beside what its limit is set to. */
function bySwitch({ gauges, parts, quantities }: Model, id: string): BenchTest | undefined {
  const gauge = gauges.find((g) => g.id === id);
  if (!gauge) return undefined;
  const { id: measured } = quantities[gauge.quantity]!;
  const air = parts.find((p) => p.safety === 'air-proof' && [...p.senses.values()].includes(gauge.quantity));
  const makes = Number(air?.spec['closes-at']);
  if (air && measured.includes('draft'))
    return {
      test: 'air-proof',
      measure: 'margin',
      typed: { make: formatNumber(makes / INCH_OF_WATER) },
      shareOf: makes,
      reads: 'draft',
      entersAsRead: true,
    };
  const limit = parts.find((p) => p.safety === 'steam-limit');
  return limit && id === 'steam-pressure'
    ? {
        test: 'pressure-limit',
        measure: 'point',
        typed: { setting: formatNumber(Number(limit.spec['opens-at']) / PSI) },
        reads: 'read',
        entersAsRead: true,
      }
    : undefined;
}
