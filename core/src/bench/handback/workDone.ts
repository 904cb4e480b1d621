/** The work of a job in words, for the owner's sheet and the bench sheet. */
import { capital } from '../describe.js';
import { doneWords } from './done.js';
import { WORK_WORDS, type BenchEvent } from '../event.js';

/** The work, line by line; a mend of the path by its own name, said once. */
export function workDone(lines: readonly BenchEvent[]): { readonly at: string; readonly text: string }[] {
  return lines.flatMap(({ body, enteredAt: at }, i) => {
    if (body.kind !== 'work') return [];
    // The line of the mend follows that of its work.
    const mended = lines[i + 1]?.body;
    const text =
      mended?.kind === 'mended'
        ? `${doneWords(mended.name)}${mended.loses === undefined ? '' : `. Gone with it: ${mended.loses}`}`
        : `${capital(WORK_WORDS[body.action])} ${body.what}`;
    return [{ at, text }];
  });
}
