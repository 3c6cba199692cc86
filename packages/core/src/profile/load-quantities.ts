import { type Dimension, findUnit, millis, zeroOf } from '../units';
import type { Compile } from './compiler';
import type { Data, DataMap } from './document';
import type { Fields, Path } from './fields';
import type { Quantity, QuantityRule } from './model';
import type { Vary } from './vary';

/** The dimension of a unit as a profile writes it; nothing for one that is not known. */
export const unitDimension = (unit: string): Dimension | undefined =>
  unit === '' ? 'none' : findUnit(unit)?.dimension;

/** Reads the `quantities:` section: what each is, and the rules it follows. Thresholds are noted by the compiler. */
export function loadQuantities(fields: Fields, data: DataMap, compile: Compile, vary: Vary): Quantity[] {
  return Object.keys(data).map((id, index) => {
    const path: Path = ['quantities', id];
    const entry = fields.map(data[id], path, '{unit, rules}');
    fields.only(entry, path, ['title', 'unit', 'start', 'spread', 'sound', 'lasting', 'stands', 'rules']);
    const unitText = fields.text(entry, 'unit', path, '');
    const dimension = unitDimension(unitText);
    if (dimension === undefined)
      fields.file.problem([...path, 'unit'], `"${unitText}" is not a unit; write for example inwc, uA, F`);
    const tolerance = fields.number(entry, 'spread', path, 0);
    const zero = zeroOf(dimension ?? 'none');
    const rules = fields
      .list(entry['rules'], [...path, 'rules'], '{when, is, over}')
      .map((item, i) => loadRule(fields, item, [...path, 'rules', i], dimension ?? 'none', compile))
      .map((rule) => ({ ...rule, is: tolerance > 0 ? zero + vary(id, rule.is - zero, tolerance) : rule.is }));
    if (rules.length === 0 || rules[rules.length - 1]!.when !== undefined)
      fields.file.problem([...path, 'rules'], 'need a last rule without "when": what the quantity is otherwise');
    return {
      index,
      id,
      title: fields.text(entry, 'title', path, id.replaceAll('-', ' ')),
      dimension: dimension ?? 'none',
      start: fields.quantity(entry, 'start', path, dimension ?? 'none', 0),
      rules,
      tolerance,
      ...(entry['sound'] === undefined ? {} : { sound: loadSound(fields, entry['sound'], [...path, 'sound']) }),
      lasting: fields.flag(entry, 'lasting', path, false) || fields.flag(entry, 'stands', path, false),
      stands: fields.flag(entry, 'stands', path, false),
      thresholds: [],
    };
  });
}

/** Between which shares of its value sound appliances of a type lie. */
function loadSound(fields: Fields, data: Data, at: Path): { readonly from: number; readonly to: number } {
  const sound = fields.map(data, at, '{from, to}, shares of the value');
  fields.only(sound, at, ['from', 'to']);
  const [from, to] = [fields.number(sound, 'from', at, 1), fields.number(sound, 'to', at, 1)];
  if (!(from > 0 && from <= 1 && to >= 1))
    fields.file.problem(at, 'goes from a share below 1 to one above it: {from: 0.7, to: 1.5}');
  return { from, to };
}

function loadRule(fields: Fields, item: Data, at: Path, dimension: Dimension, compile: Compile): QuantityRule {
  const rule = fields.map(item, at, '{when, is, over}');
  fields.only(rule, at, ['when', 'is', 'from', 'to', 'hold', 'after', 'over']);
  const hold = fields.flag(rule, 'hold', at, false);
  const when =
    rule['when'] === undefined ? undefined : compile(fields.text(rule, 'when', at), [...at, 'when'], 'boolean');
  const spread =
    rule['from'] === undefined && rule['to'] === undefined
      ? undefined
      : { from: fields.quantity(rule, 'from', at, dimension), to: fields.quantity(rule, 'to', at, dimension) };
  if (spread && (when?.faults.length ?? 0) === 0)
    fields.file.problem(at, 'goes from one value to another by how far a fault is gone: "when" must ask about a fault');
  return {
    is: spread ? (spread.from + spread.to) / 2 : fields.quantity(rule, 'is', at, dimension, hold ? 0 : undefined),
    ...(spread && { spread }),
    when,
    hold,
    after: millis(fields.quantity(rule, 'after', at, 'time', 0)),
    over: millis(fields.quantity(rule, 'over', at, 'time', 0)),
  };
}
