import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { loadProfile, type Model } from '../src/profile';

const PROFILES = join(__dirname, '../../../profiles');

export const profileText = (id: string): string => readFileSync(join(PROFILES, `${id}.yaml`), 'utf8');

/** Every family of the project: adding one needs no change of a test. */
export const FAMILIES = readdirSync(PROFILES).map((file) => file.replace(/\.yaml$/, ''));

const loaded = new Map<string, Model>();

/** A profile of the project, compiled once per test file. */
export function profile(id: string, variant?: string): Model {
  const key = `${id}|${variant ?? ''}`;
  let model = loaded.get(key);
  if (!model)
    loaded.set(key, (model = loadProfile(profileText(id), `${id}.yaml`, variant === undefined ? {} : { variant })));
  return model;
}
