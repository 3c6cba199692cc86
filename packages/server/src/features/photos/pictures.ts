import sharp from 'sharp';
import type { Photo } from '@zetalysis/contract';
import { Problem } from '../../http/problem';

/** A picture as it is kept: read once, turned upright, and without whatever a camera wrote into it. */
interface Prepared {
  readonly picture: Buffer;
  readonly thumbnail: Buffer;
}

/** As a library names the kinds of picture that are taken. */
const FORMATS = { 'image/jpeg': 'jpeg', 'image/png': 'png', 'image/webp': 'webp' } as const;

/** A phone's camera has a quarter of it; more would be there to use up the server's memory. */
const MOST_PIXELS = 64_000_000;
const THUMBNAIL = { width: 264, height: 184, fit: 'cover' } as const;

/**
 * Reads a picture and writes it anew: what is no picture does not get through, and neither does where and by what it was taken.
 * @throws Problem when it is none of its kind, cannot be read to its end, or is too large
 */
export async function prepared(type: Photo['type'], sent: Buffer): Promise<Prepared> {
  try {
    const picture = sharp(sent, { limitInputPixels: MOST_PIXELS, failOn: 'truncated' });
    const { format } = await picture.metadata();
    if (format === FORMATS[type])
      return { picture: await picture.autoOrient().toFormat(format).toBuffer(), thumbnail: await thumbnailOf(sent) };
  } catch {
    // What the library has against it says nothing to whoever took it.
  }
  throw new Problem(
    400,
    'No picture',
    `data is no whole picture of the kind ${type} with at most 64 megapixels. Take the photo again.`,
  );
}

/** As small as a page of many shows it. */
export const thumbnailOf = (picture: Buffer): Promise<Buffer> =>
  sharp(picture, { limitInputPixels: MOST_PIXELS }).autoOrient().resize(THUMBNAIL).webp({ quality: 70 }).toBuffer();
