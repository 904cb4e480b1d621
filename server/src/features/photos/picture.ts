/**
 * Pictures as they are kept: read and written anew here, so that nothing but the picture is left (no place,
 * no camera, no program hidden behind it), turned the right way up, never larger than a limit.
 */
import sharp from 'sharp';
import { HttpError } from '../../http/errors.js';
import { say } from '@amber-gauge/core/words';

interface Picture {
  readonly mediaType: 'image/jpeg' | 'image/png';
  readonly bytes: Buffer;
}

/** A picture and its small one for lists. */
export interface MadePicture extends Picture {
  readonly thumb: Buffer;
}

/** Most picture elements that are decoded at all: a phone's best and some more. */
const MOST_PIXELS = 40_000_000;
/** Longest sides kept, px. */
const LONGEST = 4000;
const SMALL = 320;
const FORMATS: ReadonlySet<string> = new Set(['jpeg', 'png', 'webp']);

// One thread a picture and one picture at a time: the measuring and the log come first.
sharp.concurrency(1);
sharp.cache(false);
let last: Promise<unknown> = Promise.resolve();

/** @throws HttpError UNSUPPORTED_TYPE, TOO_LARGE or BAD_REQUEST, by what is wrong with `bytes`. */
export function madePicture(bytes: Buffer): Promise<MadePicture> {
  const mine = last.then(() => decoded(bytes));
  last = mine.catch(() => undefined);
  return mine;
}

/**
 * A picture that was made here before stays as it is, byte for byte: nothing hangs behind it, nothing is written into
 * it, it is no larger than we make them. Any other is made anew.
 */
export async function keptPicture(bytes: Buffer): Promise<MadePicture> {
  const made = await madePicture(bytes);
  const { format, width = 0, height = 0, exif, icc, iptc, xmp, orientation } = await sharp(bytes).metadata();
  const bare = !exif && !icc && !iptc && !xmp && (orientation ?? 1) === 1 && Math.max(width, height) <= LONGEST;
  const ends = format === 'jpeg' ? END_OF_JPEG : format === 'png' ? END_OF_PNG : null;
  const whole =
    ends !== null && bytes.subarray(-ends.length).equals(ends) && bytes.indexOf(ends) === bytes.length - ends.length;
  return bare && whole ? { ...made, bytes } : made;
}

const END_OF_JPEG = Buffer.from([0xff, 0xd9]);
const END_OF_PNG = Buffer.from('IEND\xaeB`\x82', 'latin1');

async function decoded(bytes: Buffer): Promise<MadePicture> {
  const input = () => sharp(bytes, { limitInputPixels: MOST_PIXELS, failOn: 'error', animated: false });
  // The header alone is read first.
  const {
    format,
    width = 0,
    height = 0,
  } = await input()
    .metadata()
    .catch((error: unknown) => {
      if (/pixel limit/i.test(String(error))) throw tooLarge();
      throw new HttpError('UNSUPPORTED_TYPE', { fields: { body: say`send a JPEG, PNG or WebP picture` } });
    });
  if (!FORMATS.has(format))
    throw new HttpError('UNSUPPORTED_TYPE', { fields: { body: say`send a JPEG, PNG or WebP picture` } });
  if (width * height > MOST_PIXELS) throw tooLarge();
  const fit = { fit: 'inside', withoutEnlargement: true } as const;
  try {
    const upright = input()
      .rotate()
      .resize({ width: LONGEST, height: LONGEST, ...fit });
    const kept = await (format === 'png' ? upright.png() : upright.jpeg({ quality: 88, mozjpeg: false })).toBuffer();
    const thumb = await sharp(kept)
      .resize({ width: SMALL, height: SMALL, ...fit })
      .flatten({ background: '#ffffff' })
      .jpeg({ quality: 80 })
      .toBuffer();
    return { mediaType: format === 'png' ? 'image/png' : 'image/jpeg', bytes: kept, thumb };
  } catch {
    throw new HttpError('BAD_REQUEST', { fields: { body: say`this picture is damaged: take or export it again` } });
  }
}

const tooLarge = (): HttpError =>
  new HttpError('TOO_LARGE', { fields: { body: say`at most ${MOST_PIXELS / 1e6} million picture elements` } });
