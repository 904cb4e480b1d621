/** The photos of a job with the marks that count. */
import type { BenchEvent } from '../event.js';
import type { PhotoBody, PhotoMark } from './body.js';

export interface JobPhoto {
  readonly key: string;
  readonly at: string;
  readonly photo: PhotoBody;
  readonly marks: readonly PhotoMark[];
}

/** In the order they were taken. */
export function photosOf(lines: readonly BenchEvent[]): JobPhoto[] {
  const marks = new Map<string, readonly PhotoMark[]>();
  for (const { body } of lines) if (body.kind === 'marks') marks.set(body.target, body.marks);
  return lines.flatMap(({ key, enteredAt: at, body }) =>
    body.kind === 'photo' ? [{ key, at, photo: body, marks: marks.get(key) ?? [] }] : [],
  );
}
