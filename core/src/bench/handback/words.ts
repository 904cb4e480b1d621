/** Lines of handing back in words. */
import type { HandBackLaterBody } from './body.js';

/** One of these lines in words. */
export function handBackWords(body: HandBackLaterBody): string {
  switch (body.kind) {
    case 'sheet': {
      const photos = body.photos.length === 1 ? '1 photo' : `${body.photos.length} photos`;
      const notes = body.notes.length === 1 ? '1 note' : `${body.notes.length} notes`;
      return `for the sheet: ${photos}, ${notes}${body.watch ? `; watch: ${body.watch}` : ''}`;
    }
    case 'follow-up':
      return `due ${body.on}: ${body.what}`;
    case 'follow-up-done':
      return body.how === 'done'
        ? `seen to${body.words ? `: ${body.words}` : ''}`
        : `dropped${body.words ? `: ${body.words}` : ''}`;
    case 'return':
      return `came back: job ${String(body.number).padStart(4, '0')}, ${body.same ? 'the same complaint' : 'another complaint'}`;
  }
}
