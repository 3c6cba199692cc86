import type { Model } from '../profile';
import { answered, kindOf, type Observation } from '../question';
import { formatReading, type Reading } from '../units';
import type { EventBody } from '../visit';

/** The entry that keeps an answer, as the page would write it; nothing where none says what was seen. */
export function entryOf(model: Model, observation: Observation): EventBody | undefined {
  const kind = kindOf(observation);
  const form = kind.form(model, observation);
  if (form.kind === 'reading') {
    const { reading: read } = observation as Extract<Observation, { kind: 'volts' }>;
    const reading: Reading = read.kind === 'open' ? read : { ...read, dimension: form.dimension };
    return { ...form.subject, reading, typed: formatReading(reading, 'us') } as unknown as EventBody;
  }
  const { answer: asked } = observation as unknown as { answer?: unknown };
  for (const { id } of form.options) {
    const filled = answered<never>(form, id);
    if (!filled.ok) continue;
    const read = kind.read(model, filled.value);
    if (read.kind === 'observation' && alike(read.observation, observation, asked)) return filled.value;
  }
  return undefined;
}

/** Whether an answer that was filled in says what was seen. */
const alike = (one: Observation, other: Observation, asked: unknown): boolean =>
  asked === undefined
    ? JSON.stringify(sorted(one)) === JSON.stringify(sorted(other))
    : (one as unknown as { answer?: unknown }).answer === asked;

const sorted = (o: object): [string, unknown][] => Object.entries(o).sort(([a], [b]) => (a < b ? -1 : 1));
