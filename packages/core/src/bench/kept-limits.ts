import type { Surroundings } from './judge-test';
import { type KeptField, readLimits } from './read-limits';
import type { Measure } from './spec';

/** A limit that is kept with the shop or with a machine, as it was typed. */
export interface KeptLimit {
  readonly test: string;
  readonly measure: string;
  readonly field: KeptField;
  readonly typed: string;
  readonly source: string;
  /** Who wrote it down. */
  readonly by: string;
}

/** What is kept for a measure, by the field in which it is typed; beside a plate who read it where. */
export function typedLimits(
  kept: readonly KeptLimit[],
  test: string,
  measure: string,
): Readonly<Partial<Record<KeptField | 'source', string>>> {
  const those = kept.filter((l) => l.test === test && l.measure === measure);
  const plate = those.find((l) => l.field === 'plate');
  return {
    ...Object.fromEntries(those.map((l) => [l.field, l.typed])),
    ...(plate && { source: [plate.source, plate.by].filter((w) => w !== '').join(', ') }),
  };
}

/** What the judge of a measure takes from what is kept. */
export const keptFor = (kept: readonly KeptLimit[], test: string, measure: Measure): Surroundings =>
  readLimits(measure, typedLimits(kept, test, measure.id)).around;
