import { createHash } from 'node:crypto';
import type { Photo, SmallPhoto } from '@zetalysis/contract';
import { Problem } from '../../http/problem';
import { callWith, idsOfMachine } from '../calls/repository';
import type { Person } from '../session/model';
import { personWith } from '../session/repository';
import type { StoredPhoto } from './model';
import { prepared, thumbnailOf } from './pictures';
import { addPhoto, erasePicture, photosOfCalls, photoWith } from './repository';

/** Keeps a photo without what its camera wrote into it. Sending again what is known changes nothing. */
export async function takePhoto(
  id: string,
  { call, type, data }: Pick<Photo, 'call' | 'type' | 'data'>,
  person: Person,
): Promise<void> {
  const sent = Buffer.from(data, 'base64');
  const pictures = await prepared(type, sent);
  if (!(await callWith(call)))
    throw new Problem(404, 'No such call', 'There is no call with this number. Send its opening entry first.');
  const hash = createHash('sha256').update(sent).digest('hex');
  if (await addPhoto({ id, callId: call, personId: person.id, type, hash, ...pictures })) return;
  const known = await photoWith(id);
  if (known?.hash !== hash || known.callId !== call || known.personId !== person.id)
    throw new Problem(409, 'Photo differs', 'Another photo is kept under this id. Send this one under a new id.');
}

export async function readPhoto(id: string): Promise<Photo> {
  const photo = await known(id);
  if (photo.picture === null) throw new Problem(410, 'Erased', 'This photo was erased.');
  return {
    id,
    call: photo.callId,
    type: photo.type as Photo['type'],
    data: photo.picture.toString('base64'),
    takenBy: (await personWith(photo.personId))?.name ?? '',
    sentAt: photo.createdAt.toISOString(),
  };
}

/** The photos of the calls on a machine, small, the newest first; erased ones are left out. */
export async function photosOnMachine(machine: string): Promise<SmallPhoto[]> {
  const photos = await photosOfCalls(await idsOfMachine(machine), MOST_ON_A_PAGE);
  return Promise.all(
    photos.map(async ({ id, callId, thumbnail, picture, createdAt, kind, words }) => ({
      id,
      call: callId,
      kind: kind ?? '',
      words: words ?? '',
      at: createdAt.toISOString(),
      thumbnail: (thumbnail ?? (await thumbnailOf(picture!))).toString('base64'),
    })),
  );
}

/** As many as a machine's page shows. */
const MOST_ON_A_PAGE = 24;

/** Takes the picture away for good; that there was one stays. */
export async function erasePhoto(id: string, person: Person): Promise<void> {
  const photo = await known(id);
  if (photo.personId !== person.id && person.role !== 'lead' && person.role !== 'admin')
    throw new Problem(403, 'Not yours', 'Ask whoever took the photo, a lead or the office to erase it.');
  await erasePicture(photo);
}

async function known(id: string): Promise<StoredPhoto> {
  const photo = await photoWith(id);
  if (!photo)
    throw new Problem(404, 'No such photo', 'There is no photo under this number. It may not have been sent yet.');
  return photo;
}
