import { createHash } from 'node:crypto';
import type { Photo } from '@zetalysis/contract';
import { Problem } from '../../http/problem';
import { callWith } from '../calls/repository';
import type { Person } from '../session/model';
import { personWith } from '../session/repository';
import type { StoredPhoto } from './model';
import { addPhoto, erasePicture, photoWith } from './repository';

/** How the pictures that are taken begin. */
const SIGNS: Readonly<Record<Photo['type'], (picture: Buffer) => boolean>> = {
  'image/jpeg': (p) => p.subarray(0, 3).equals(Buffer.from([0xff, 0xd8, 0xff])),
  'image/png': (p) => p.subarray(0, 8).equals(Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a])),
  'image/webp': (p) => p.toString('latin1', 0, 4) === 'RIFF' && p.toString('latin1', 8, 12) === 'WEBP',
};

/** Keeps a photo as it was sent. Sending again what is known changes nothing. */
export async function takePhoto(
  id: string,
  { call, type, data }: Pick<Photo, 'call' | 'type' | 'data'>,
  person: Person,
): Promise<void> {
  const picture = Buffer.from(data, 'base64');
  if (!SIGNS[type](picture))
    throw new Problem(400, 'No picture', `data is no picture of the kind ${type}. Take the photo again.`);
  if (!(await callWith(call)))
    throw new Problem(404, 'No such call', 'There is no call with this number. Send its opening entry first.');
  const hash = createHash('sha256').update(picture).digest('hex');
  if (await addPhoto({ id, callId: call, personId: person.id, type, hash, picture })) return;
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
