/** What is offered after such work (common practice, no source): days counted by hand. */
import { describe, expect, it } from 'vitest';
import { workSaid } from '../workSaid.js';
import { lineMaker } from '../job.test-data.js';
import { openFollowUps, usualFollowUps } from './followUps.js';

const FROM = new Date('2026-03-01T10:00:00.000Z');
const offered = (familyId: string, ...work: Parameters<typeof workSaid>[1][]) =>
  usualFollowUps(
    work.map((one) => workSaid(familyId, one)),
    FROM,
  ).map(({ why, on }) => [why, on]);

describe('what usually follows', () => {
  it('nothing where nothing was done; a trial of three weeks after any work', () => {
    expect(offered('stand-mixer')).toEqual([]);
    expect(offered('stand-mixer', { action: 'clean', what: 'the switch' })).toEqual([['trial', '2026-03-22']]);
  });

  it('oil and brushes after a year; brushes of mixers, vacuums and tools only, where they are a part of their own', () => {
    expect(offered('belt-turntable-dc', { action: 'oil', what: 'the platter bearing' })).toEqual([
      ['trial', '2026-03-22'],
      ['oil', '2027-03-01'],
    ]);
    for (const family of ['stand-mixer', 'vacuum-cleaner', 'tool-brushed'])
      expect(offered(family, { action: 'replace', what: 'both brushes' }).map(([why]) => why)).toContain('brushes');
    expect(offered('cassette-belt', { action: 'clean', what: 'the motor brushes' }).map(([why]) => why)).not.toContain(
      'brushes',
    );
  });
});

describe('what is still open', () => {
  it('stands by its day, whatever the order it was written in; what was seen to is gone', () => {
    const line = lineMaker();
    const lines = ['2026-06-01', '2026-04-01', '2026-05-01'].map((on) =>
      line({ kind: 'follow-up', why: 'trial', what: `look on ${on}`, on }),
    );
    expect(openFollowUps(lines).map(({ on }) => on)).toEqual(['2026-04-01', '2026-05-01', '2026-06-01']);
    const done = line({ kind: 'follow-up-done', target: lines[1]?.key ?? '', words: '' } as never);
    expect(openFollowUps([...lines, done]).map(({ on, what }) => [on, what])).toEqual([
      ['2026-05-01', 'look on 2026-05-01'],
      ['2026-06-01', 'look on 2026-06-01'],
    ]);
  });
});
