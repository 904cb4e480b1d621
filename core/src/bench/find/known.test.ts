/** What a bench tells whoever opens the next unit of a model: notes of the newest first, each once. */
import { describe, expect, it } from 'vitest';
import { SMALL } from '../../diagnosis/smallPath.test-data.js';
import type { EventBody } from '../event.js';
import { lineMaker, testJob } from '../job.test-data.js';
import { parseStep } from '../ledger/index.js';
import { benchKnowledge } from './known.js';

const log = (number: number, ...bodies: readonly EventBody[]) => {
  const line = lineMaker();
  return { job: testJob('cassette-belt', { number, make: 'Made', model: 'Up' }), lines: bodies.map(line) };
};

describe('notes for the next opening', () => {
  it('say what was odd about each step, the newest unit’s first, none twice', () => {
    const notes = (...logs: ReturnType<typeof log>[]) => benchKnowledge(SMALL, logs, 'made up').opening;
    expect(
      notes(
        log(1, parseStep('board 1 star washer'), parseStep('belt')),
        log(2, parseStep('transformer 1 star washer'), parseStep('board 1 star washer')),
      ),
    ).toEqual([
      expect.stringMatching(/^transformer: earth goes back with it, 1 × star washer in its own place/),
      expect.stringMatching(/^board: earth goes back with it, 1 × star washer in its own place/),
    ]);
    expect(notes(log(1, parseStep('belt')))).toEqual([]);
    // Eight are enough.
    expect(
      notes(log(1, ...Array.from({ length: 12 }, (_, i) => parseStep(`bracket ${'abcdefghijkl'[i]} 1 star washer`)))),
    ).toHaveLength(8);
  });

  it('are of this model alone', () => {
    const other = log(3, parseStep('board 1 star washer'));
    expect(benchKnowledge(SMALL, [other], 'other one').opening).toEqual([]);
    expect(benchKnowledge(SMALL, [other], '').opening).toEqual([]);
  });
});
