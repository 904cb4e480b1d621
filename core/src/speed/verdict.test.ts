import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { tolerance } from '../quantity/index.js';
import { placeOf, ribbonGeometry, ribbonPlace, visibleLabels } from './ribbon.js';
import { judge } from './verdict.js';

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

  it('never proves a tolerance smaller than the uncertainty', () => {
    fc.assert(
      fc.property(fc.double({ min: -2, max: 2, noNaN: true }), (error) => {
        const verdict = judge(error, 0.35, narrow);
        expect(verdict.kind).not.toBe('right');
        if (verdict.kind === 'undecided') expect(verdict.decide).not.toBe('');
      }),
    );
  });

  it('is undecided without an uncertainty', () => {
    expect(judge(0, null, narrow).kind).toBe('undecided');
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
