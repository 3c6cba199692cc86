import { readdirSync, readFileSync } from 'node:fs';
import { dirname, join, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import { type LoadOptions, loadProfile, type Model, unknownName, variantsOf } from '@zetalysis/core/profile';
import { UsageError } from './usage';

const PROFILES = resolve(dirname(fileURLToPath(import.meta.url)), '../../../profiles');

export function profileIds(): string[] {
  return readdirSync(PROFILES)
    .filter((f) => f.endsWith('.yaml'))
    .map((f) => f.slice(0, -5))
    .sort();
}

export function readText(path: string): string {
  try {
    return readFileSync(path, 'utf8');
  } catch (error) {
    const code = (error as NodeJS.ErrnoException).code;
    throw new UsageError(code === 'ENOENT' ? `${path}: no such file` : `${path}: cannot be read (${code ?? 'error'})`);
  }
}

/** A profile by its id, or by the path of its file while it is being written. */
export function profileSource(id: string): { text: string; file: string } {
  if (/\.(ya?ml|json)$/.test(id)) return { text: readText(id), file: id };
  if (!profileIds().includes(id)) throw new UsageError(unknownName('profile', id, profileIds()));
  const file = `profiles/${id}.yaml`;
  return { text: readText(join(PROFILES, `${id}.yaml`)), file };
}

export function openProfile(id: string, options: LoadOptions = {}): Model {
  const { text, file } = profileSource(id);
  if (options.variant !== undefined) {
    const known = variantsOf(text, file).map((v) => v.id);
    if (!known.includes(options.variant)) throw new UsageError(unknownName('variant', options.variant, known));
  }
  return loadProfile(text, file, options);
}
