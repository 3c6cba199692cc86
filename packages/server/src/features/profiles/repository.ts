import { Op, UniqueConstraintError } from 'sequelize';
import type { Description } from './checks';
import { StoredProfile } from './model';

const NEWEST_FIRST = [['createdAt', 'DESC']] as [string, string][];

export type StoredText = Pick<StoredProfile, 'id' | 'version' | 'source' | 'importedBy' | 'description'>;

interface NewProfile {
  readonly source: string;
  readonly importedBy: string | null;
  readonly description: Description;
}

const row = ({ source, importedBy, description }: NewProfile) => ({
  id: description.id,
  version: description.version,
  source,
  importedBy,
  description,
});

/** Keeps a version; false when there is one like that already. */
export async function addProfile(profile: NewProfile): Promise<boolean> {
  try {
    await StoredProfile.create(row(profile));
    return true;
  } catch (error) {
    if (error instanceof UniqueConstraintError) return false;
    throw error;
  }
}

/** Keeps a version unless it is kept already; another server may be doing the same. */
export async function keepProfile(profile: NewProfile): Promise<void> {
  const { id, version } = profile.description;
  if ((await StoredProfile.count({ where: { id, version } })) === 0) await addProfile(profile);
}

/** Descriptions of what was brought in, newest first, without the texts. */
export async function importedProfiles(): Promise<{ description: Description; importedBy: string }[]> {
  const rows = await StoredProfile.findAll({
    attributes: ['description', 'importedBy'],
    where: { importedBy: { [Op.not]: null } },
    order: NEWEST_FIRST,
  });
  return rows.flatMap(({ description, importedBy }) => (description ? [{ description, importedBy: importedBy! }] : []));
}

/** Those kept before descriptions were, or that could not be read so far. */
export const undescribedProfiles = (): Promise<StoredProfile[]> =>
  StoredProfile.findAll({ where: { description: { [Op.is]: null } } });

export const describeProfile = async (id: string, version: string, description: Description): Promise<void> =>
  void (await StoredProfile.update({ description }, { where: { id, version } }));

export const storedVersions = (id: string): Promise<StoredProfile[]> =>
  StoredProfile.findAll({ where: { id }, order: NEWEST_FIRST });

export const storedVersion = (id: string, version: string): Promise<StoredProfile | null> =>
  StoredProfile.findOne({ where: { id, version } });
