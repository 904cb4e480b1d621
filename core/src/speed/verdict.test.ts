import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { tolerance } from '../quantity/index.js';
import { centreLabel, placeOf, ribbonGeometry, ribbonPlace, visibleLabels } from './ribbon.js';
import { judge, verdictWords } from './verdict.js';

const origin = { kind: 'practice', text: 'test' } as const;
const narrow = tolerance(-0.3, 0.3, origin);
const lopsided = tolerance(-1, 1.5, origin);

describe('verdict', () => {
  it('passes only when the whole interval is inside, fails only when it is wholly outside', () => {
    expect(judge(0.1, 0.1, narrow).kind).toBe('right');
    expect(judge(0.25, 0.1, narrow).kind).toBe('undecided');
    expect(judge(0.35, 0.1, narrow).kind).toBe('undecided');
    expect(judge(0.45, 0.1, narrow)).toEqual({ kind: 'not-right', side: 'fast' });
    expect(judge(-1.05, 0.01, lopsided)).toEqual({ kind: 'not-right', side: 'slow' });
    expect(judge(1.2, 0.1, lopsided).kind).toBe('right');
  });

  it('0.2 ± 0.1 lies inside of ±0.3, and 0.4 ± 0.1 touches it: sums of typed figures, whatever their last digits', () => {
    expect(judge(0.2, 0.1, narrow)).toEqual({ kind: 'right' });
    expect(judge(-0.2, 0.1, narrow)).toEqual({ kind: 'right' });
    expect([judge(0.4, 0.1, narrow).kind, judge(-0.4, 0.1, narrow).kind]).toEqual(['undecided', 'undecided']);
    expect([judge(0.2001, 0.1, narrow).kind, judge(0.4001, 0.1, narrow).kind]).toEqual(['undecided', 'not-right']);
  });

  it('never proves a tolerance smaller than the uncertainty', () => {
    fc.assert(
      fc.property(fc.double({ min: -2, max: 2, noNaN: true }), (error) => {
        const verdict = judge(error, 0.35, narrow);
        expect(verdict.kind).not.toBe('right');
        if (verdict.kind === 'undecided') expect(verdict.decide).not.toBe('');
      }),
    );
  });

  it('says what would decide: a smaller uncertainty or a trim, by how much each', () => {
    const decide = (error: number, spread: number) => {
      const verdict = judge(error, spread, narrow);
      return verdict.kind === 'undecided' ? verdict.decide : verdict.kind;
    };
    // 0.15 to the limit; 0.2 is 0.05 too much.
    expect(decide(0.15, 0.2)).toBe('Bring the uncertainty under ±0.15 %, or trim 0.05 % towards the middle.');
    expect(decide(-0.15, 0.2)).toBe('Bring the uncertainty under ±0.15 %, or trim 0.05 % towards the middle.');
    expect(decide(0.35, 0.1)).toBe(
      'Trim towards the middle: the reading is over the limit by less than its uncertainty.',
    );
    expect(decide(0, 0.3)).toBe('right');
    expect(decide(0.1, 0.3)).toMatch(/^±0\.3 % cannot prove a window of 0\.6 %/);
  });

  it('is undecided without an uncertainty', () => {
    expect(judge(0, null, narrow).kind).toBe('undecided');
    expect([judge(0, null, narrow), judge(0, 0.1, narrow), judge(1, 0.1, narrow)].map(verdictWords)).toEqual([
      'undecided',
      'right',
      'fast, not right yet',
    ]);
  });
});

describe('ribbon', () => {
  it.each([
    [0.1, 0.039],
    [0.5, 0.174],
    [1, 0.284],
    [2, 0.413],
    [5, 0.591],
    [10, 0.727],
    [20, 0.863],
    [40, 1],
  ])('u = %d stands at %d', (u, x) => {
    expect(ribbonPlace(u)).toBeCloseTo(x, 3);
    expect(ribbonPlace(-u)).toBeCloseTo(-x, 3);
  });

  it('measures each side in its own limit', () => {
    expect(placeOf(-1, lopsided)).toBeCloseTo(-ribbonPlace(1), 12);
    expect(placeOf(1.5, lopsided)).toBeCloseTo(ribbonPlace(1), 12);
  });

  it('keeps order: a faster reading is never further left', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -90, max: 90, noNaN: true }),
        fc.double({ min: -90, max: 90, noNaN: true }),
        (a, b) => {
          if (a < b) expect(placeOf(a, lopsided)).toBeLessThanOrEqual(placeOf(b, lopsided));
        },
      ),
    );
  });

  it('has figures at 1, 5 and 20 times each limit, as short as they are exact', () => {
    const labels = (lower: number, upper: number) =>
      ribbonGeometry(
        { errorPercent: 0, expandedPercent: null, wowPeakPercent: null },
        tolerance(lower, upper, origin),
        '',
      ).ticks.flatMap(({ label }) => (label === null ? [] : [label]));
    expect(labels(-0.3, 0.3)).toEqual(['−6', '−1.5', '−0.3', '+0.3', '+1.5', '+6']);
    expect(labels(-1, 1.5)).toEqual(['−20', '−5', '−1', '+1.5', '+7.5', '+30']);
    expect(labels(-0.25, 0.25)).toEqual(['−5', '−1.25', '−0.25', '+0.25', '+1.25', '+5']);
    // Two places under ten, one from there on.
    expect(labels(-2.25, 0.02)).toEqual(['−45', '−11.3', '−2.25', '+0.02', '+0.1', '+0.4']);
  });

  it('has its nominal under the centre, or what stands for it', () => {
    expect([centreLabel(100 / 3, 'as found'), centreLabel(null, 'as found')]).toEqual(['33⅓', 'as found']);
  });

  it('pins what lies beyond and says so', () => {
    const reading = { errorPercent: 60, expandedPercent: 0.1, wowPeakPercent: 0.1 };
    expect(ribbonGeometry(reading, narrow, '45').beyond).toBe('fast');
  });

  it('drops labels that would touch', () => {
    const reading = { errorPercent: 0.3, expandedPercent: 0.05, wowPeakPercent: null };
    const labels = visibleLabels(ribbonGeometry(reading, narrow, '45'), 1232, 48).map((label) => label.label);
    expect(labels).toContain('45');
    expect(labels).not.toContain('+0.3');
    expect(labels).toContain('−0.3');
  });
});
