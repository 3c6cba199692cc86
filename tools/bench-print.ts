// How the benchmarks write their figures.
import type { EngineFigures } from './bench-engine';

export const line = (title: string, value: string): void => console.log(`  ${title.padEnd(58)} ${value}`);
export const ms = (value: number): string => `${value.toFixed(value < 10 ? 2 : 0)} ms`;

/** The engine's figures of one family, a line each. */
export function printEngine(f: EngineFigures): void {
  line('profile read and compiled', ms(f.compile));
  line('fault table, first in this process', ms(f.cold));
  line(`fault table, warm (${f.hypotheses} hypotheses, ${f.circuits} circuits)`, ms(f.warm));
  line('after a reading: suspects', ms(f.reading));
  line('after a reading: suspects and next test', ms(f.next));
  line('after an action (new episode): suspects', ms(f.action));
  line('pairs of faults seeded and simulated', ms(f.pairs));
}
