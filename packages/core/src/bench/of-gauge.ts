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
export const benchTestOfGauge = (gauge: string): BenchTest | undefined => OF[gauge];
