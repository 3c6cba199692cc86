import { StoredProfile } from './model';

const NEWEST_FIRST = [['createdAt', 'DESC']] as [string, string][];

type Stored = Pick<StoredProfile, 'id' | 'version' | 'source' | 'importedBy'>;

/** Keeps a version, unless it is kept already. */
export const keepProfile = async (profile: Stored): Promise<void> => {
  const { id, version } = profile;
  await StoredProfile.findOrCreate({ where: { id, version }, defaults: profile });
};

export const storedProfiles = (): Promise<StoredProfile[]> => StoredProfile.findAll({ order: NEWEST_FIRST });

export const storedVersions = (id: string): Promise<StoredProfile[]> =>
  StoredProfile.findAll({ where: { id }, order: NEWEST_FIRST });

export const storedVersion = (id: string, version: string): Promise<StoredProfile | null> =>
  StoredProfile.findOne({ where: { id, version } });

export const addProfile = async (profile: Stored): Promise<void> => void (await StoredProfile.create(profile));
