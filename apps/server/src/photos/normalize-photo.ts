import { Mutex } from 'async-mutex';
import type { Metadata } from 'sharp';
import { LARGEST_PHOTO_MB } from '@idle-kettle/contract';
import { ProblemException } from '../http/problem.filter.js';

/** A photo as it is kept: WebP, upright, without anything but the picture. */
export interface NormalizedPhoto {
  readonly image: Buffer;
  /** The same, for lists. */
  readonly small: Buffer;
  /** Pixels of `image`. */
  readonly width: number;
  readonly height: number;
}

/** The longer side of what is kept, pixels: enough for a screen and a hand's breadth of paper. */
const LONGEST = 1600;
/** The same of the one for lists, pixels: four times the tile it is shown in. A guess. */
const LONGEST_SMALL = 480;
/** A picture of more is refused before it is unpacked, pixels. */
const MOST_PIXELS = 100_000_000;
/** Of WebP, 0 to 100: the encoder's own usual one. */
const QUALITY = 80;
const FORMATS: readonly string[] = ['jpeg', 'png', 'webp'];

const notAPhoto = (): ProblemException =>
  new ProblemException('not-understood', 'this is not a photo that can be read', {
    errors: [{ path: 'photo', message: 'choose a JPEG, PNG or WebP picture' }],
  });

/**
 * One picture after the other, on threads that are not the server's own: unpacked, one may fill a
 * quarter of a gigabyte.
 */
const turns = new Mutex();
/** Pictures that wait for their turn; each is in memory. */
const MOST_WAITING = 12;
let waiting = 0;

/**
 * A picture made ready to keep: what it is told by its content, never by its name or type; place,
 * camera and day it carries are left behind.
 *
 * @throws ProblemException 400 when it is no picture of a known kind, or is cut short; 413 when it
 * is too large; 429 when too many wait already
 */
export async function normalizePhoto(bytes: Buffer): Promise<NormalizedPhoto> {
  if (waiting >= MOST_WAITING)
    throw new ProblemException(
      'too-many',
      `${MOST_WAITING} photos are waiting already; try again in a moment`,
    );
  waiting += 1;
  try {
    return await turns.runExclusive(() => normalized(bytes));
  } finally {
    waiting -= 1;
  }
}

async function normalized(bytes: Buffer): Promise<NormalizedPhoto> {
  if (bytes.length > LARGEST_PHOTO_MB * 1e6)
    throw new ProblemException(
      'too-large',
      `a photo has at most ${LARGEST_PHOTO_MB} MB; this one has ${(bytes.length / 1e6).toFixed(0)}`,
    );
  // Fetched with the first photo: it takes a while, and most starts of the server see none.
  const { default: sharp } = await import('sharp');
  const open = () => sharp(bytes, { limitInputPixels: MOST_PIXELS, failOn: 'error' });
  let found: Metadata;
  try {
    found = await open().metadata();
  } catch {
    throw notAPhoto();
  }
  if (!FORMATS.includes(found.format)) throw notAPhoto();
  try {
    const { data: image, info } = await open()
      .autoOrient()
      .resize({ width: LONGEST, height: LONGEST, fit: 'inside', withoutEnlargement: true })
      .webp({ quality: QUALITY })
      .toBuffer({ resolveWithObject: true });
    const small = await sharp(image)
      .resize({
        width: LONGEST_SMALL,
        height: LONGEST_SMALL,
        fit: 'inside',
        withoutEnlargement: true,
      })
      .webp({ quality: QUALITY })
      .toBuffer();
    return { image, small, width: info.width, height: info.height };
  } catch {
    throw notAPhoto();
  }
}
