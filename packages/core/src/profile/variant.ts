import { isMap, type Data } from './document';

/**
 * Applies a variant's changes to a profile: JSON Merge Patch (RFC 7396). Maps merge, anything else replaces, `null`
 * removes.
 */
export function mergePatch(target: Data | undefined, patch: Data): Data {
  if (!isMap(patch)) return patch;
  const result: { [key: string]: Data } = isMap(target) ? { ...target } : {};
  for (const [key, value] of Object.entries(patch)) {
    if (value === null) delete result[key];
    else result[key] = mergePatch(result[key], value);
  }
  return result;
}
