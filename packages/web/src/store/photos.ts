import { v7 } from 'uuid';
import { http } from '../api/http';
import { database } from './database';
import { local } from './local';

/** The longer side of a picture as it is kept, pixels: enough to read a rating plate. */
const LONGER_SIDE = 1600;
const QUALITY = 0.8;

/**
 * Makes a picture smaller and keeps it on this device, from where it is sent. Gives the id under which it is kept.
 * @throws Error with words for the reader when it is no picture, or when there is no room
 */
export async function keepPhoto(call: string, person: string, file: Blob): Promise<string> {
  const bitmap = await createImageBitmap(file).catch(() => {
    throw new Error('This file is no picture that the browser can read. Choose a photo.');
  });
  const scale = Math.min(1, LONGER_SIDE / Math.max(bitmap.width, bitmap.height));
  const canvas = new OffscreenCanvas(Math.round(bitmap.width * scale), Math.round(bitmap.height * scale));
  canvas.getContext('2d')!.drawImage(bitmap, 0, 0, canvas.width, canvas.height);
  bitmap.close();
  const small = await canvas.convertToBlob({ type: 'image/jpeg', quality: QUALITY });
  const id = v7();
  await local.addPhoto({ id, call, person, type: 'image/jpeg', data: await base64(small) });
  return id;
}

/** A photo as an address for an image: from this device, else from the server. */
export async function photoAddress(id: string): Promise<string> {
  const kept = await (await database()).get('photos', id);
  const { type, data } = kept ?? (await http('GET /photos/:id', { params: { id } }));
  return `data:${type};base64,${data}`;
}

/** Takes a photo away for good, at the server and here. The server has to be there for it. */
export async function erasePhoto(id: string): Promise<void> {
  await http('DELETE /photos/:id', { params: { id } });
  await (await database()).delete('photos', id);
}

const base64 = async (blob: Blob): Promise<string> => {
  const bytes = new Uint8Array(await blob.arrayBuffer());
  let text = '';
  for (let at = 0; at < bytes.length; at += 0x8000) text += String.fromCharCode(...bytes.subarray(at, at + 0x8000));
  return btoa(text);
};
