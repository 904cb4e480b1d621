/** Lines of handing back in words. */
import type { HandBackLaterBody } from './body.js';
import { say } from '../../words/index.js';

/** One of these lines in words. */
export function handBackWords(body: HandBackLaterBody): string {
  switch (body.kind) {
    case 'sheet': {
      const photos = body.photos.length === 1 ? say`1 photo` : say`${body.photos.length} photos`;
      const notes = body.notes.length === 1 ? say`1 note` : say`${body.notes.length} notes`;
      return say`for the sheet: ${photos}, ${notes}${body.watch ? say`; watch: ${body.watch}` : ''}`;
    }
    case 'follow-up':
      return say`due ${body.on}: ${body.what}`;
    case 'follow-up-done':
      return body.how === 'done'
        ? say`seen to${body.words ? `: ${body.words}` : ''}`
        : say`dropped${body.words ? `: ${body.words}` : ''}`;
    case 'return':
      return say`came back: job ${String(body.number).padStart(4, '0')},
        ${body.same ? say`the same complaint` : say`another complaint`}`;
  }
}
