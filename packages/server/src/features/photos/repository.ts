import { QueryTypes, UniqueConstraintError } from 'sequelize';
import { StoredPhoto } from './model';

export const photoWith = (id: string): Promise<StoredPhoto | null> => StoredPhoto.findByPk(id);

/** Keeps a photo; false when there is one under its id already. */
export async function addPhoto(
  photo: Pick<StoredPhoto, 'id' | 'callId' | 'personId' | 'type' | 'hash' | 'picture' | 'thumbnail'>,
): Promise<boolean> {
  try {
    await StoredPhoto.create(photo);
    return true;
  } catch (error) {
    if (error instanceof UniqueConstraintError) return false;
    throw error;
  }
}

export const erasePicture = async (photo: StoredPhoto): Promise<void> =>
  void (await photo.update({ picture: null, thumbnail: null }));

/** A photo with what its entry says of it. */
export interface PhotoOfCall extends StoredPhoto {
  readonly kind: string | null;
  readonly words: string | null;
}

/** The newest photos of the calls on some machines that were not erased; with the picture only where there is no small one. */
export const photosOfCalls = (machines: readonly string[], most: number): Promise<PhotoOfCall[]> =>
  StoredPhoto.sequelize!.query<PhotoOfCall>(
    `SELECT p.id, p.callId, p.thumbnail, IF(p.thumbnail IS NULL, p.picture, NULL) AS picture, p.createdAt,
            JSON_VALUE(e.body, '$.kind') AS kind, JSON_VALUE(e.body, '$.words') AS words
       FROM calls c JOIN photos p ON p.callId = c.id
       LEFT JOIN events e ON e.callId = p.callId AND e.type = 'photo' AND JSON_VALUE(e.body, '$.photo') = p.id
      WHERE c.machineId IN (:machines) AND p.picture IS NOT NULL ORDER BY p.createdAt DESC, p.id DESC LIMIT :most`,
    { replacements: { machines: [...machines], most }, type: QueryTypes.SELECT },
  );
