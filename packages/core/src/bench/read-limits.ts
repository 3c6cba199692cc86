import { endsInUnit, parseReading } from '../units';
import type { Surroundings } from './judge-test';
import type { Measure } from './spec';

interface ReadLimits {
  readonly around: Surroundings;
  readonly problems: Readonly<Record<string, string>>;
}

/** Whose limits may be kept: the shop's for all machines; of one machine its plate, and what its own part read when it was good. */
export const KEPT_FIELDS = ['shop', 'plate', 'own'] as const;
export type KeptField = (typeof KEPT_FIELDS)[number];

/** The unit in which a test's own reading is typed; nothing where it has none. */
export function unitOfMeasure({ asks, dimension }: Measure): string {
  const read = asks.find((a) => a.kind === 'number' && a.dimension === dimension);
  return read?.kind === 'number' ? read.unit : '';
}

/** Reads what was typed of other limits: ranges as `13.5-16.5`, or one end as `at least 20`, `at most 3`. */
export function readLimits(measure: Measure, typed: Readonly<Record<string, string>>): ReadLimits {
  const { dimension } = measure;
  const unit = unitOfMeasure(measure);
  const problems: Record<string, string> = {};
  const number = (id: string): number | undefined => {
    const text = typed[id]?.trim() ?? '';
    if (text === '' || dimension === undefined) return undefined;
    const read = parseReading(withUnit(text, unit), dimension);
    if (read.ok && read.value.kind === 'value') return read.value.value;
    problems[id] = read.ok ? 'Type one number.' : read.message;
    return undefined;
  };
  const zone = (id: string) => {
    const text = typed[id]?.trim() ?? '';
    if (text === '' || dimension === undefined) return undefined;
    const one = /^at (least|most)\s+(.+)$/i.exec(text);
    const read = parseReading(withUnit(one ? one[2]! : text, unit), dimension);
    if (read.ok && one && read.value.kind === 'value')
      return one[1]!.toLowerCase() === 'least' ? { from: read.value.value } : { to: read.value.value };
    if (read.ok && !one && read.value.kind === 'range') return { from: read.value.low, to: read.value.high };
    problems[id] = read.ok ? 'Type two ends, as 13.5-16.5, or one, as at least 20.' : read.message;
    return undefined;
  };
  const [plate, shop] = [zone('plate'), zone('shop')];
  const source = typed['source']?.trim() || 'who read it was not said';
  const good = plate ?? shop;
  return {
    around: {
      ...(good && {
        limits: {
          whose: plate ? 'plate' : 'shop',
          source: plate ? source : 'the shop',
          zones: { good, marginal: good },
        },
      }),
      own: number('own'),
      twin: number('twin'),
    },
    problems,
  };
}

const withUnit = (text: string, unit: string): string => (endsInUnit(text) ? text : `${text} ${unit}`.trim());
