/** Photos as they are kept: turned the right way up, shrunk in the browser, with a small one for lists. */
import shrinkPicture from 'browser-image-compression';
import { say } from '@amber-gauge/core/words';

/** Longest side kept, px, and about how large at most, megabytes: a label stays readable. */
const KEPT = { maxWidthOrHeight: 2000, maxSizeMB: 1.2 } as const;
const SMALL = { maxWidthOrHeight: 320, maxSizeMB: 0.06 } as const;
/** A file larger than this is no photo from a phone, bytes. */
const FILE_LIMIT = 40 * 1024 * 1024;

/** A picture as it is kept, with its small one. */
export interface ShrunkPhoto {
  readonly bytes: ArrayBuffer;
  readonly thumb: ArrayBuffer;
  readonly width: number;
  readonly height: number;
}

/** Why a file was not taken, in words for the person. */
export class NotAPhoto extends Error {}

/** @throws NotAPhoto when the file is too large or no picture that this browser can read. */
export async function shrink(file: File): Promise<ShrunkPhoto> {
  if (file.size > FILE_LIMIT) throw new NotAPhoto(say`${file.name} is over 40 MB: take it smaller.`);
  if (file.size === 0) throw new NotAPhoto(say`${file.name} is empty.`);
  try {
    const options = { fileType: 'image/jpeg', useWebWorker: false, initialQuality: 0.85 };
    const kept = await shrinkPicture(file, { ...options, ...KEPT });
    const small = await shrinkPicture(kept, { ...options, ...SMALL });
    const bitmap = await createImageBitmap(kept);
    const { width, height } = bitmap;
    bitmap.close();
    return { bytes: await kept.arrayBuffer(), thumb: await small.arrayBuffer(), width, height };
  } catch {
    throw new NotAPhoto(say`${file.name} is no picture that this browser can read. Send JPEG, PNG or WebP.`);
  }
}
