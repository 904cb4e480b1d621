/** The small parts of Find: how suspicion is drawn, ends of bands as typed, what may be tried where, what stands between rows. */
import { describe, expect, it } from 'vitest';
import { PATHS, type DrivePath } from '../../families/index.js';
import type { BenchEvent } from '../event.js';
import { lineMaker, testJob, voltsAt } from '../job.test-data.js';
import { didNotTurn } from '../speedReading.js';
import { endText, readEnd } from './bandEnd.js';
import { betweenRows } from './between.js';
import { readForFind, type SuspectView } from './answer.js';
import { foundBlocks, suspicionOf } from './suspicion.js';
import { resultsOf, trialsAt } from './trials.js';
import { familyOf } from '../../families/index.js';

const path = PATHS.get('belt-turntable-dc') as DrivePath;
const plain = (text: string) => text.replaceAll('\u202f', ' ');

const line = lineMaker();
const answer = (testId: string, outcome: string | null, more: object = {}): BenchEvent =>
  line({ kind: 'answer', testId, name: testId, outcome, words: outcome ?? '', value: null, unit: null, ...more });
const volts = (value: number, place: string): BenchEvent => line(voltsAt(value, place));

describe('suspicion', () => {
  const suspect = (share: number, evidence = 1): SuspectView =>
    ({ block: 'belt', share, evidence: Array.from({ length: evidence }, () => ({})) }) as unknown as SuspectView;
  const none: ReadonlySet<string> = new Set();

  it('is not judged until something was read that bears on it', () => {
    expect(suspicionOf(suspect(0.9, 0), none)).toBe('not-judged');
  });

  it('grows in four steps at a tenth, a third and two thirds or so, and is cleared under one in a hundred', () => {
    const at = (share: number) => suspicionOf(suspect(share), none);
    expect([0.009, 0.01, 0.0999, 0.1, 0.34, 0.35, 0.69, 0.7, 1].map(at)).toEqual([
      'cleared',
      'suspect-1',
      'suspect-1',
      'suspect-2',
      'suspect-2',
      'suspect-3',
      'suspect-3',
      'suspect-4',
      'suspect-4',
    ]);
  });

  it('is found by a direct look alone, whatever the odds, until something is done', () => {
    const seen = [answer('belt-look', 'slack-or-shiny')];
    expect(foundBlocks(path, seen)).toEqual(new Set(['belt']));
    expect(suspicionOf(suspect(0.002), foundBlocks(path, seen))).toBe('found');
    expect(foundBlocks(path, [answer('belt-look', 'sound')]).size).toBe(0);
    // A signal read is no look at a part.
    expect(foundBlocks(path, [answer('supply-volts', 'low')]).size).toBe(0);
    for (const after of [
      line({ kind: 'work', action: 'replace', what: 'belt' }),
      line({ kind: 'mended', repairId: 'new-belt', name: 'x' }),
    ])
      expect(foundBlocks(path, [...seen, after]).size).toBe(0);
    expect(foundBlocks(path, [...seen, line({ kind: 'note', text: 'tea' })]).size).toBe(1);
  });
});

describe('an end of a band as it is typed', () => {
  it('is a number, nothing, or so many times what is read elsewhere, by place, name or id', () => {
    expect(readEnd(path, '10.8')).toBe(10.8);
    expect(readEnd(path, ' 10,8 ')).toBe(10.8);
    expect(readEnd(path, '  ')).toBeNull();
    const reservoir = { of: 'raw', times: 0.85 };
    for (const typed of ['0.85 x reservoir', '0,85 × Reservoir', '0.85*raw'])
      expect(readEnd(path, typed)).toEqual(reservoir);
    expect(readEnd(path, '0.5 x supply at the board')).toEqual({ of: 'supply', times: 0.5 });
  });

  it('is none of these: a word, a place where nothing is measured, no number', () => {
    for (const typed of ['high', '2 x the moon', '2 x platter speed', '1.2.3 x reservoir', 'x reservoir'])
      expect(readEnd(path, typed), typed).toBeUndefined();
  });

  it('is shown as it would be typed, and read back as it was', () => {
    expect(endText(path, null)).toBe('');
    expect(endText(path, 10.8)).toBe('10.8');
    expect(endText(path, { of: 'raw', times: 0.85 })).toBe('0.85 x reservoir');
    expect(endText(path, { of: 'gone', times: 2 })).toBe('2 x gone');
    for (const end of [null, 3, { of: 'supply', times: 0.9 }] as const)
      expect(readEnd(path, endText(path, end))).toEqual(end);
  });
});

describe('what may be tried at a part', () => {
  const at = (family: string, block: string) => trialsAt(family, PATHS.get(family) as DrivePath, block);

  it('feeds direct only what turns by itself (common practice)', () => {
    expect(at('belt-turntable-dc', 'motor')).toContain('fed-direct');
    for (const block of ['regulator', 'governor', 'selector', 'trims'])
      expect(at('belt-turntable-dc', block)).not.toContain('fed-direct');
  });

  it('bridges contacts and controls, never what changes the volts, guards somebody, or turns (common practice)', () => {
    expect(at('belt-turntable-dc', 'return')).toContain('bridged');
    for (const block of ['plug', 'transformer', 'rectifier', 'regulator', 'motor', 'belt', 'platter'])
      expect(at('belt-turntable-dc', block), block).not.toContain('bridged');
    for (const block of ['door', 'pressure', 'bus', 'plug', 'drum'])
      expect(at('washer-front', block), block).not.toContain('bridged');
    expect(at('washer-top', 'lid')).not.toContain('bridged');
    expect(at('tool-brushed', 'pack')).not.toContain('bridged');
    expect(at('tool-brushed', 'cord')).not.toContain('bridged');
    expect(at('tool-brushed', 'reverse')).toContain('bridged');
    // It would run away.
    for (const [family, block] of [
      ['belt-turntable-dc', 'governor'],
      ['cassette-belt', 'governor'],
      ['stand-mixer', 'plate'],
    ] as const)
      expect(at(family, block), family).not.toContain('bridged');
    // Parted from the switch before it, with its own ban where that guards somebody.
    expect(at('vacuum-cleaner', 'board')).toContain('bridged');
    expect(at('cordless-brushless', 'pack')).not.toContain('bridged');
    expect(at('belt-turntable-dc', 'no-such-part')).not.toContain('bridged');
  });

  it('may end in what such a trial can show', () => {
    expect(resultsOf('fed-direct')).toEqual(['turns', 'hums', 'nothing']);
    for (const trial of ['bridged', 'swapped', 'lifted'] as const)
      expect(resultsOf(trial)).toEqual(['cured', 'helped', 'no-change']);
    for (const trial of ['cooled', 'warmed', 'tapped', 'loaded'] as const)
      expect(resultsOf(trial)).toEqual(['changed', 'helped', 'no-change']);
  });
});

describe('what stands between two rows', () => {
  const job = testJob('belt-turntable-dc', { speedIds: ['33', '45'] });
  const speed33 = familyOf('belt-turntable-dc').speeds.find(({ id }) => id === '33') as Parameters<
    typeof didNotTurn
  >[0];
  const between = (lines: readonly BenchEvent[]) => {
    const read = readForFind(job, lines);
    if (!read) throw new Error('no path');
    return betweenRows(read.path, read.evidence, lines);
  };

  it('is the newest value read there, with what it stands for, its conditions, and its time', () => {
    const rows = between([
      volts(9.2, 'supply at the board'),
      line({ kind: 'note', text: 'tea' }),
      volts(12.1, 'supply at the board'),
      answer('drive-45', null, { value: 3.2, unit: 'V' }),
      answer('steady', 'surges', { words: 'surges' }),
    ]);
    expect(plain(rows.get('supply')?.words ?? '')).toBe('12.1 V');
    expect(rows.get('supply')?.verdict).toBe('right');
    expect(rows.get('supply')?.conditions).toEqual([]);
    expect(plain(rows.get('drive')?.words ?? '')).toBe('3.2 V');
    expect(rows.get('drive')?.verdict).toBe('low');
    expect(rows.get('drive')?.conditions).toEqual(['45']);
    expect(rows.get('steadiness')).toMatchObject({ words: 'surges', verdict: null, before: false });
    expect(rows.has('motor')).toBe(false);
  });

  it('was read before the last work: it speaks of the unit as it was', () => {
    const rows = between([
      volts(9.2, 'supply at the board'),
      line({ kind: 'mended', repairId: 'regulator', name: 'Renew the regulator' }),
      volts(14.1, 'reservoir'),
    ]);
    expect(rows.get('supply')).toMatchObject({ verdict: 'low', before: true });
    expect(rows.get('raw')).toMatchObject({ verdict: 'right', before: false });
  });

  it('is a speed with its error, or in words that it did not turn', () => {
    const still = line({ ...didNotTurn(speed33) });
    expect(
      between([line({ kind: 'power', state: 'live-isolated', conditions: [] }), still]).get('platter'),
    ).toMatchObject({
      words: 'did not turn',
      verdict: null,
    });
    const slow = line({
      ...didNotTurn(speed33),
      method: 'tone-recording',
      turned: true,
      errorPercent: -2.5,
      expandedPercent: 0.1,
    });
    const row = between([line({ kind: 'power', state: 'live-isolated', conditions: [] }), slow]).get('platter');
    expect(plain(row?.words ?? '')).toBe('−2.50 ± 0.10 %');
    expect(row?.verdict).toBe('slow');
  });
});
