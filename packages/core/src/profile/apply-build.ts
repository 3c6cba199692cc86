import { type Data, type DataMap, isMap } from './document';
import type { Fields } from './fields';
import { unknownName } from './nearest';
import { mergePatch } from './variant';
import type { Build } from './build';

/** Applies a build to a family's data; what does not go together becomes a problem of the file. */
export function applyBuild(fields: Fields, family: DataMap, { options, order }: Build): DataMap {
  const variants = fields.optionalMap(family['variants'], ['variants'], 'one entry per variant');
  let root = family;
  const changedBy = new Map<string, { readonly option: string; readonly value: string }>();
  for (const option of options) {
    const chosen = variants[option];
    if (!isMap(chosen)) {
      fields.file.problem(['variants'], unknownName('variant', option, Object.keys(variants)));
      continue;
    }
    const change = chosen['change'] ?? {};
    for (const [path, value] of leaves(change, [])) {
      const before = changedBy.get(path);
      if (before && before.value !== value)
        fields.file.problem(
          ['variants', option],
          `does not go together with ${before.option}: both change ${path}. Take one of them, or write a variant that has both`,
        );
      changedBy.set(path, { option, value });
    }
    root = mergePatch(root, change) as DataMap;
  }
  for (const [rung, switches] of Object.entries(order)) root = reordered(fields, root, rung, switches);
  return root;
}

/** Every value that a patch sets, by its place; lists count as one value. */
function leaves(data: Data, path: readonly string[]): [string, string][] {
  if (!isMap(data)) return [[path.join('.'), JSON.stringify(data)]];
  return Object.entries(data).flatMap(([key, value]) => leaves(value, [...path, key]));
}

/**
 * The rung with its switches in another order. A switch takes the net behind it along, so that the net is still the one
 * behind that switch; that goes only where nothing else hangs on those nets.
 */
function reordered(fields: Fields, root: DataMap, rung: string, wanted: readonly string[]): DataMap {
  const rungs = isMap(root['rungs']) ? root['rungs'] : {};
  const path = ['rungs', rung];
  const written = rungs[rung];
  if (!Array.isArray(written)) {
    fields.file.problem(path, unknownName('rung', rung, Object.keys(rungs)));
    return root;
  }
  const items = written.map(String);
  const places = wanted.map((part) => items.indexOf(part));
  const missing = wanted.find((_, i) => places[i]! < 0);
  if (missing !== undefined) {
    fields.file.problem(path, unknownName('switch on this rung', missing, movable(root, rung)));
    return root;
  }
  const known = movable(root, rung);
  const stuck = wanted.find((part) => !known.includes(part));
  if (stuck !== undefined || new Set(wanted).size !== wanted.length) {
    fields.file.problem(
      path,
      stuck === undefined
        ? 'names a switch twice; name each once'
        : `${stuck} cannot change places here: it is no switch of a stretch in which each has a net of its own behind it`,
    );
    return root;
  }
  const moved = [...items];
  [...places]
    .sort((a, b) => a - b)
    .forEach((at, i) => {
      const from = places[i]!;
      moved[at] = items[from]!;
      moved[at + 1] = items[from + 1]!;
    });
  return { ...root, rungs: { ...rungs, [rung]: moved } };
}

/**
 * Switches of a rung that can change places among each other: they follow one another, each with a net of its own behind
 * it, on which nothing else hangs. Of several such stretches the longest.
 */
function movable(root: DataMap, rung: string): string[] {
  const rungs = isMap(root['rungs']) ? root['rungs'] : {};
  const parts = isMap(root['parts']) ? root['parts'] : {};
  const own = rungs[rung];
  if (!Array.isArray(own)) return [];
  const items = own.map(String);
  const elsewhere = new Set(
    Object.entries(rungs).flatMap(([id, list]) => (id !== rung && Array.isArray(list) ? list.map(String) : [])),
  );
  const stretches: string[][] = [[]];
  items.forEach((item, i) => {
    if (item.startsWith('=')) return;
    const part = parts[item];
    const behind = items[i + 1];
    const free =
      isMap(part) &&
      SWITCHES.includes(String(part['kind'])) &&
      behind?.startsWith('=') === true &&
      i + 1 < items.length - 1 &&
      !elsewhere.has(behind);
    if (free) stretches[stretches.length - 1]!.push(item);
    else stretches.push([]);
  });
  return stretches.reduce((longest, one) => (one.length > longest.length ? one : longest));
}

/** Kinds of which several stand in series, in an order that differs from machine to machine. */
const SWITCHES = ['interlock', 'switch'];

/** The rungs of a family in a build on which switches can change places, with those switches in their present order. */
export function ordersOf(fields: Fields, family: DataMap, build: Build): Record<string, string[]> {
  const root = applyBuild(fields, family, build);
  const rungs = isMap(root['rungs']) ? Object.keys(root['rungs']) : [];
  return Object.fromEntries(rungs.map((id) => [id, movable(root, id)] as const).filter(([, list]) => list.length > 1));
}
