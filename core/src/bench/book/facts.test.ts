/** What the Book keeps of a job, by logs written by hand. */
import { describe, expect, it } from 'vitest';
import { standing, type BenchEvent, type EventBody, type StageId } from '../event.js';
import { testJob } from '../job.test-data.js';
import { jobState } from '../state.js';
import { bookFacts, stageMinutes } from './facts.js';

const START = Date.UTC(2026, 0, 5, 9);
const log = (...lines: readonly (readonly [minute: number, stage: StageId, body: EventBody])[]): BenchEvent[] =>
  lines.map(([minute, stage, body], i) => ({
    key: `k${i}`,
    enteredAt: new Date(START + minute * 60_000).toISOString(),
    device: 'a',
    sequence: i,
    stage,
    body,
  }));
const note = (text: string): EventBody => ({ kind: 'note', text });
const look = (outcome: string): EventBody => ({
  kind: 'answer',
  testId: 'belt-look',
  name: 'Look at the belt',
  outcome,
  words: outcome,
  value: null,
  unit: null,
});
const mended = (repairId: string, rank?: number): EventBody => ({
  kind: 'mended',
  repairId,
  name: `mend ${repairId}`,
  ...(rank === undefined ? {} : { rank }),
});
const hand = (block: string, verdict: 'pinned' | 'ruled-out'): EventBody => ({
  kind: 'suspect',
  block,
  name: `the ${block}`,
  verdict,
});

const job = testJob('belt-turntable-dc', { make: 'Linden', model: 'LD 1', complaint: 'Drags', tried: 'New belt' });
const facts = (events: readonly BenchEvent[]) => {
  const lines = standing(events);
  return bookFacts(job, lines, jobState(job, events));
};

describe('the time of a job by stage', () => {
  it('is what lies between its lines, with the stage of the later; half an hour at most, longer was spent elsewhere', () => {
    expect(
      stageMinutes(
        log(
          [0, 'take-in', note('a')],
          [4, 'find', note('b')],
          [10, 'find', note('c')],
          [40, 'mend', note('d')],
          [71, 'mend', note('e')],
          [71, 'prove', note('f')],
        ),
      ),
    ).toEqual({ find: 10, mend: 30 });
    expect(stageMinutes(log([0, 'find', note('a')]))).toEqual({});
    expect(stageMinutes([])).toEqual({});
  });
});

describe('the facts of a job', () => {
  it('name the faults seen and mended and those pinned by hand, once each; nothing that was ruled out', () => {
    const all = facts(
      log(
        [0, 'find', look('slack-or-shiny')],
        [1, 'find', hand('motor', 'ruled-out')],
        [2, 'find', hand('lamp', 'pinned')],
        [3, 'find', hand('lamp', 'pinned')],
        [9, 'mend', mended('new-belt', 2)],
        [12, 'mend', mended('new-belt', 5)],
      ),
    );
    expect(all.faults).toContain('lamp');
    expect(all.faults.filter((one) => one === 'lamp')).toHaveLength(1);
    expect(all.faults.some((one) => one.startsWith('belt'))).toBe(true);
    expect(all.faults).not.toContain('motor');
    expect(all.mends).toEqual(['new-belt']);
    expect(all.adviceRank).toBe(2);
  });

  it('keep money as it was last agreed, and nothing where nothing was', () => {
    const terms = (worth: number | null, price: number | null): EventBody => ({
      kind: 'terms',
      worth,
      price,
      ceiling: null,
      wantedBy: null,
    });
    expect(facts(log([0, 'take-in', note('x')]))).toMatchObject({
      worth: null,
      price: null,
      adviceRank: null,
      handedAt: null,
      mends: [],
    });
    expect(facts(log([0, 'mend', terms(100, 30)], [5, 'mend', terms(90, null)]))).toMatchObject({
      worth: 90,
      price: null,
    });
  });

  it('tell when it was handed back, and what it came back from', () => {
    const back: EventBody = { kind: 'hand-back', leftUndone: 'lid hinge' };
    const returned: EventBody = { kind: 'return', number: 3, jobId: 'earlier', same: true };
    const all = facts(log([0, 'take-in', returned], [60, 'hand-back', back]));
    expect(all.handedAt).toBe(new Date(START + 3_600_000).toISOString());
    expect(all).toMatchObject({ returnOf: 'earlier', returnSame: true });
    expect(facts(log([0, 'find', note('x')]))).toMatchObject({ returnOf: null, returnSame: false });
  });

  it('hold the words it is found by, in small letters: plate, complaint, what was tried, what was written', () => {
    const { text } = facts(
      log(
        [0, 'find', note('Smells of TAR')],
        [1, 'find', { kind: 'work', action: 'clean', what: 'Idler wheel' }],
        [2, 'find', hand('belt', 'pinned')],
        [3, 'mend', mended('new-belt')],
        [
          4,
          'mend',
          { kind: 'photo', photoId: 'p', caption: 'Under the Platter', width: 1, height: 1, about: null, place: null },
        ],
        [5, 'hand-back', { kind: 'hand-back', leftUndone: 'Lid Hinge' }],
        [6, 'find', look('sound')],
      ),
    );
    for (const words of [
      'linden',
      'ld 1',
      'drags',
      'new belt',
      'smells of tar',
      'idler wheel',
      'the belt',
      'mend new-belt',
      'under the platter',
      'lid hinge',
    ])
      expect(text, words).toContain(words);
    expect(text).not.toContain('look at the belt');
    expect(text).toBe(text.toLowerCase());
  });

  it('end with six thousand letters of a log, whole lines alone', () => {
    const { text } = facts(
      log(...Array.from({ length: 100 }, (_, i) => [i, 'find', note(`line ${i} ${'x'.repeat(90)}`)] as const)),
    );
    expect(text).toContain('line 59 ');
    expect(text).not.toContain('line 61 ');
    expect(text.length).toBeLessThan(6300);
    expect(text).toMatch(/x{90}$/);
  });
});
