import { type Data, type DataMap, isMap } from './document';

/**
 * Applies a variant's changes to a profile: JSON Merge Patch (RFC 7396). Maps merge, anything else replaces, `null`
 * removes. One addition: a list of entries with an `id` (the phases) is changed by a map of ids, entry by entry.
 */
export function mergePatch(target: Data | undefined, patch: Data): Data {
  if (!isMap(patch)) return patch;
  if (hasIds(target)) return mergeEntries(target, patch);
  const result: { [key: string]: Data } = isMap(target) ? { ...target } : {};
  for (const [key, value] of Object.entries(patch)) {
    if (value === null) delete result[key];
    else result[key] = mergePatch(result[key], value);
  }
  return result;
}

type Entry = DataMap & { id: string };

const hasIds = (data: Data | undefined): data is Entry[] =>
  Array.isArray(data) && data.length > 0 && data.every((entry) => isMap(entry) && typeof entry['id'] === 'string');

/** Entries keep their place; an id that is not there yet is put last, or behind the one that it `follows`. */
function mergeEntries(target: readonly Entry[], patch: DataMap): Data[] {
  const kept = target.flatMap((entry): Data[] => {
    const change = patch[entry.id];
    return change === null ? [] : [change === undefined ? entry : mergePatch(entry, change)];
  });
  const added = Object.entries(patch).filter(([id, value]) => value !== null && !target.some((e) => e.id === id));
  return added.reduce<Data[]>((entries, [id, value]) => {
    const { follows, ...entry } = isMap(value) ? value : {};
    const at = entries.findIndex((e) => isMap(e) && e['id'] === follows);
    return entries.toSpliced(at < 0 ? entries.length : at + 1, 0, mergePatch({ id }, entry));
  }, kept);
}
