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

describe('what was mended', () => {
  const stuck: EventBody = {
    kind: 'answer',
    testId: 'motor-look',
    name: 'Motor',
    outcome: 'stuck',
    words: 'stuck',
    value: null,
    unit: null,
  };
  const renewed: EventBody = { kind: 'mended', repairId: 'motor', name: 'motor' };
  const back = (number: number, same: boolean): EventBody => ({ kind: 'return', number, same }) as EventBody;

  it('counts once a unit; not when it came back with the same complaint', () => {
    const known = (...logs: ReturnType<typeof log>[]) => JSON.stringify(benchKnowledge(SMALL, logs, 'made up').model);
    const [one, two] = [log(1, stuck, renewed), log(2, stuck, renewed)];
    expect(known(one)).not.toBe(known());
    expect(known(one, two)).not.toBe(known(one));
    expect(known(one, log(3, back(1, true)))).toBe(known());
    expect(known(one, two, log(3, back(1, true)))).toBe(known(two));
    expect(known(one, log(3, back(1, false)))).toBe(known(one));
    expect(known(one, log(3, back(2, true)))).toBe(known(one));
  });
});

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
