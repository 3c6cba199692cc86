import { UniqueConstraintError } from 'sequelize';
import { StoredPhoto } from './model';

export const photoWith = (id: string): Promise<StoredPhoto | null> => StoredPhoto.findByPk(id);

/** Keeps a photo; false when there is one under its id already. */
export async function addPhoto(
  photo: Pick<StoredPhoto, 'id' | 'callId' | 'personId' | 'type' | 'hash' | 'picture'>,
): Promise<boolean> {
  try {
    await StoredPhoto.create(photo);
    return true;
  } catch (error) {
    if (error instanceof UniqueConstraintError) return false;
    throw error;
  }
}

export const erasePicture = async (photo: StoredPhoto): Promise<void> => void (await photo.update({ picture: null }));
