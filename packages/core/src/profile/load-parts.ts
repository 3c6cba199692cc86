import { type ControlPort, even, type FaultMode, inBand, PART_KINDS, type PartKind, type SpecValue } from '../parts';
import { PROOF_LIST_IDS, SAFETY_KINDS } from '../rules';
import { type Dimension, millis } from '../units';
import { type Data, type DataMap, isMap } from './document';
import type { Fields, Path } from './fields';
import { unknownName } from './nearest';

/** A part as written, before names are resolved. */
export interface RawPart {
  readonly id: string;
  readonly title: string;
  readonly kind: PartKind;
  readonly spec: { [field: string]: SpecValue };
  readonly modes: readonly FaultMode[];
  /** Rates this profile gives to ways of failing; `*` stands for those not named. */
  readonly rates: ReadonlyMap<string, number>;
  /** The kind of safety that it is to the rules; nothing where it is none. */
  readonly safety: string | undefined;
  /** Lists of proof that its repair touches; nothing leaves it to its kind. */
  readonly touches: readonly string[] | undefined;
  readonly caution: string | undefined;
  /** Brought along for one test: cannot be broken, and is not drawn. */
  readonly testOnly: boolean;
  /** The part it is built into and replaced with. */
  readonly assembly: string | undefined;
  readonly minutes: number;
  readonly path: Path;
}

const COMMON = [
  'kind',
  'title',
  'safety',
  'touches',
  'caution',
  'minutes',
  'modes',
  'weights',
  'assembly',
  'test-only',
];

/** Reads the `parts:` section. `quantityDimension` gives the dimension of a quantity for set points in its unit. */
export function loadParts(
  fields: Fields,
  data: DataMap,
  quantityDimension: (id: string) => ReturnType<typeof dimensionOf>,
): RawPart[] {
  const parts: RawPart[] = [];
  for (const [id, raw] of Object.entries(data)) {
    const path: Path = ['parts', id];
    if (!/^[a-z][a-z0-9-]*$/.test(id)) fields.file.problem(path, 'part names are lower case words joined by hyphens');
    const part = fields.map(raw, path, 'kind and fields of the part');
    const kindName = fields.text(part, 'kind', path);
    const kind = PART_KINDS.get(kindName);
    if (!kind) {
      fields.file.problem([...path, 'kind'], unknownName('part kind', kindName, [...PART_KINDS.keys()]));
      continue;
    }
    fields.only(part, path, [...COMMON, ...Object.keys(kind.fields)]);
    const spec: { [field: string]: SpecValue } = {};
    for (const [field, rule] of Object.entries(kind.fields)) {
      const value = part[field];
      if (rule.type === 'ports') {
        spec[field] = loadPorts(fields, fields.map(value, [...path, field], 'one entry per output and input'), [
          ...path,
          field,
        ]);
      } else if (value === undefined) {
        if (rule.default === undefined)
          fields.file.problem([...path, field], `is missing; a ${kind.title} needs it (${rule.type})`);
        spec[field] = rule.default ?? (rule.type === 'flag' ? false : 0);
      } else if (rule.type === 'flag') spec[field] = fields.flag(part, field, path, false);
      else if (rule.type === 'expression' || rule.type === 'quantity' || rule.type === 'net' || rule.type === 'text')
        spec[field] = fields.text(part, field, path);
      else {
        const dimension = rule.type === 'sensed' ? quantityDimension(String(part['senses'] ?? '')) : rule.type;
        spec[field] = dimension === undefined ? 0 : (fields.quantityValue(value, [...path, field], dimension) ?? 0);
      }
    }
    const modes = loadModes(fields, part['modes'], [...path, 'modes'], kind);
    parts.push({
      id,
      title: fields.text(part, 'title', path, id.replaceAll('-', ' ')),
      kind,
      spec,
      modes,
      rates: loadRates(fields, part['weights'], [...path, 'weights'], modes.length > 0 ? modes : kind.modes(spec)),
      safety: part['safety'] === undefined ? kind.safety?.(spec) : fields.choice(part, 'safety', path, SAFETY_KINDS),
      touches:
        part['touches'] === undefined
          ? undefined
          : fields.choices(part['touches'], [...path, 'touches'], 'lists of proof', PROOF_LIST_IDS),
      caution: part['caution'] === undefined ? undefined : fields.text(part, 'caution', path),
      testOnly: fields.flag(part, 'test-only', path, false),
      assembly: part['assembly'] === undefined ? undefined : fields.text(part, 'assembly', path),
      minutes: fields.number(part, 'minutes', path, 4),
      path,
    });
  }
  return parts;
}

function loadRates(
  fields: Fields,
  data: Data | undefined,
  path: Path,
  modes: readonly FaultMode[],
): Map<string, number> {
  const weights = new Map<string, number>();
  const written = fields.optionalMap(data, path, 'way of failing: weight');
  const known = modes.map((m) => m.id);
  for (const id of Object.keys(written)) {
    const weight = fields.number(written, id, path, 1);
    if (id !== '*' && !known.includes(id)) fields.file.problem([...path, id], unknownName('way of failing', id, known));
    if (weight < 0) fields.file.problem([...path, id], 'must not be negative; 0 leaves the way of failing out');
    weights.set(id, weight);
  }
  return weights;
}

/** How many severities stand for a way of being wrong that varies. */
const SEVERITIES = 6;

/** Ways of being wrong that the profile writes itself (for `condition` parts), or extra weights for derived ones. */
function loadModes(fields: Fields, data: Data | undefined, path: Path, kind: PartKind): FaultMode[] {
  const modes: FaultMode[] = [];
  if (data === undefined) {
    if (kind.nature === 'condition')
      fields.file.problem(path, 'are missing; a condition needs at least one way of being wrong');
    return modes;
  }
  if (kind.nature !== 'condition') {
    fields.file.problem(path, `are derived for a ${kind.title}; only conditions write their own`);
    return modes;
  }
  for (const [id, raw] of Object.entries(fields.map(data, path, 'one entry per way of being wrong'))) {
    const at = [...path, id];
    const mode = fields.map(raw, at, 'words, weight and mend');
    fields.only(mode, at, ['words', 'weight', 'mend', 'trips', 'intermittent', 'varies']);
    const way: FaultMode = {
      id,
      words: fields.text(mode, 'words', at),
      relativeRate: fields.number(mode, 'weight', at, 1),
      repair: fields.choice(mode, 'mend', at, [
        'replace',
        'reconnect',
        'clean',
        'repair',
        'correct',
        'reset',
        'none',
      ] as const),
      ...(mode['intermittent'] === undefined ? {} : { intermittent: fields.number(mode, 'intermittent', at, 0) }),
      ...(mode['trips'] === undefined ? {} : { trips: fields.text(mode, 'trips', at) }),
    };
    modes.push(...(fields.flag(mode, 'varies', at, false) ? inBand(way, [even(0, 1, SEVERITIES)], () => ({})) : [way]));
  }
  return modes;
}

function loadPorts(fields: Fields, data: DataMap, path: Path): ControlPort[] {
  return Object.entries(data).map(([name, raw]) => {
    const at = [...path, name];
    const port = fields.map(raw, at, 'role and values');
    fields.only(port, at, ['role', 'ohms', 'volts', 'makes', 'breaks', 'debounce', 'sticks']);
    const role = fields.choice(port, 'role', at, ['contact', 'feed', 'input', 'supply'] as const);
    return {
      name,
      role,
      ohms: fields.quantity(port, 'ohms', at, 'resistance', role === 'contact' ? 0 : undefined),
      volts:
        role === 'input'
          ? fields.quantity(port, 'makes', at, 'voltage')
          : fields.quantity(port, 'volts', at, 'voltage', 0),
      sticks: fields.number(port, 'sticks', at, 0),
      breaks: fields.quantity(port, 'breaks', at, 'voltage', 0),
      debounce: millis(fields.quantity(port, 'debounce', at, 'time', 0.1)),
    };
  });
}

/** Dimension of the unit a quantity is written in, when its entry is well formed. */
export function dimensionOf(
  quantities: Data | undefined,
  id: string,
  unitDimension: (unit: string) => Dimension | undefined,
): Dimension | undefined {
  if (!isMap(quantities)) return undefined;
  const entry = quantities[id];
  if (!isMap(entry)) return undefined;
  return unitDimension(String(entry['unit'] ?? ''));
}
