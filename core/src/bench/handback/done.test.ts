import { describe, expect, it } from 'vitest';
import { PATHS } from '../../families/index.js';
import type { EventBody } from '../event.js';
import { doneWords } from './done.js';
import { workDone } from './workDone.js';
import { logOf } from '../job.test-data.js';
import told from './done.json' with { type: 'json' };

describe('a mend, told as done', () => {
  it.each(told.mends as unknown as readonly [string, string][])('%s', (name, done) => {
    expect(doneWords(name)).toBe(done);
  });

  it('of every family begins as something done, never as an order', () => {
    const orders = [...PATHS.values()]
      .flatMap((path) => [...path.repairs, ...path.ways].map((repair) => doneWords(repair.name)))
      // What was done ends in -ed, is one of the strong verbs, or is the same word in the past.
      .filter(
        (words) =>
          !/^(\w+-?\w*ed|Set|Put|Cut|Spread|Told|Took|Kept|Found|Chose|Blew|Sent|Held|Let|Another)\b/.test(words),
      );
    expect(orders).toEqual([]);
  });
});

describe('the work on the sheet', () => {
  it('says with a mend what the unit can do no more after it', () => {
    const mended = (name: string, loses?: string): EventBody => ({
      kind: 'mended',
      repairId: 'x',
      name,
      ...(loses === undefined ? {} : { loses }),
    });
    const work: EventBody = { kind: 'work', action: 'replace', what: 'it' };
    const lines = [work, mended('Hold it in the detent for good', 'the pitch slider'), work, mended('Fit a new belt')];
    expect(workDone(logOf('mend')(...lines)).map(({ text }) => text)).toEqual([
      'Held it in the detent for good. Gone with it: the pitch slider',
      'Fitted a new belt',
    ]);
  });
});
