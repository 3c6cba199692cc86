import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { loadProfile, type Model } from '../src/profile';

const PROFILES = join(__dirname, '../../../profiles');

export const profileText = (id: string): string => readFileSync(join(PROFILES, `${id}.yaml`), 'utf8');

export const FAMILIES = [
  'furnace-condensing',
  'steam-intermittent-pilot',
  'mobile-furnace',
  'furnace-standing-pilot',
  'dryer-burner',
] as const;
export type FamilyId = (typeof FAMILIES)[number];

const loaded = new Map<string, Model>();

/** A profile of the project, compiled once per test file. */
export function profile(id: FamilyId, variant?: string): Model {
  const key = `${id}|${variant ?? ''}`;
  let model = loaded.get(key);
  if (!model)
    loaded.set(key, (model = loadProfile(profileText(id), `${id}.yaml`, variant === undefined ? {} : { variant })));
  return model;
}
