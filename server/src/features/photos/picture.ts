/**
 * Pictures as they are kept: read and written anew here, so that nothing but the picture is left (no place,
 * no camera, no program hidden behind it), turned the right way up, never larger than a limit.
 */
import sharp from 'sharp';
import { HttpError } from '../../http/errors.js';

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
      throw new HttpError('UNSUPPORTED_TYPE', { fields: { body: 'send a JPEG, PNG or WebP picture' } });
    });
  if (!FORMATS.has(format))
    throw new HttpError('UNSUPPORTED_TYPE', { fields: { body: 'send a JPEG, PNG or WebP picture' } });
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
    throw new HttpError('BAD_REQUEST', { fields: { body: 'this picture is damaged: take or export it again' } });
  }
}

const tooLarge = (): HttpError =>
  new HttpError('TOO_LARGE', { fields: { body: `at most ${MOST_PIXELS / 1e6} million picture elements` } });
