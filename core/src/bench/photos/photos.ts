/** The photos of a job with the marks that count. */
import { linesOf, type BenchEvent } from '../event.js';
import type { PhotoBody, PhotoMark } from './body.js';

/** A photo with its marks. */
export interface JobPhoto {
  readonly key: string;
  readonly at: string;
  readonly photo: PhotoBody;
  readonly marks: readonly PhotoMark[];
}

/** In the order they were taken. */
export function photosOf(lines: readonly BenchEvent[]): JobPhoto[] {
  const marks = new Map(linesOf(lines, 'marks').map(({ body }) => [body.target, body.marks]));
  return linesOf(lines, 'photo').map(({ key, enteredAt: at, body: photo }) => ({
    key,
    at,
    photo,
    marks: marks.get(key) ?? [],
  }));
}
