import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { LOOK, read } from './look.test-data.js';
import { readStrobe, wrongRingWords, type StrobeLook } from './reading.js';
import { driftRpm, otherStandstills, printedRing, ringBars, standstillRpm } from './ring.js';

describe('strobe readings', () => {
  it('turn their sign with direction, edge, sense of rotation and mirror, each by itself', () => {
    const sign = (more: Partial<StrobeLook>) => Math.sign(read(more).errorPercent);
    expect(sign({})).toBe(1);
    expect(sign({ direction: 'right' })).toBe(-1);
    expect(sign({ edge: 'far' })).toBe(-1);
    expect(sign({ clockwise: false })).toBe(-1);
    expect(sign({ camera: 'mirrored' })).toBe(-1);
    expect(sign({ camera: 'plain' })).toBe(1);
    expect(sign({ camera: 'mirrored', clockwise: false })).toBe(1);
  });

  it('any two of the turns cancel', () => {
    const flips = [{ direction: 'right' }, { edge: 'far' }, { clockwise: false }, { camera: 'mirrored' }] as const;
    fc.assert(
      fc.property(fc.subarray([...flips]), (some) => {
        const all = Object.assign({}, ...some) as Partial<StrobeLook>;
        expect(Math.sign(read(all).errorPercent)).toBe(some.length % 2 === 0 ? 1 : -1);
      }),
    );
  });

  it('are closer with the mains measured, and hold to the measured mains', () => {
    expect(read({}).warnings).toContain('MAINS_NOT_MEASURED');
    const measured = read({ measuredMainsHz: 50.05, direction: 'still' });
    expect(measured.errorPercent).toBeCloseTo(0.1, 6);
    expect(measured.warnings).not.toContain('MAINS_NOT_MEASURED');
    expect(measured.uncertainty[0]?.standardPercent).toBeLessThan(0.02);
  });

  it('say what is wrong with ring, lamp, camera and count', () => {
    expect(read({ ringBars: 216, direction: 'still' }).warnings).toContain('WRONG_RING');
    expect(wrongRingWords({ ...LOOK, ringBars: 216 })).toContain('27.78 rpm');
    expect(wrongRingWords(LOOK)).toBeNull();
    expect(read({ lamp: 'own-crystal' }).warnings).toContain('OWN_CRYSTAL');
    expect(read({ camera: 'plain' }).warnings).toContain('THROUGH_CAMERA');
    expect(read({ bars: 300, overS: 30 }).warnings).toContain('TOO_FAST_TO_COUNT');
    expect(read({ nominalRpm: 45, ringBars: 133, direction: 'still' }).warnings).toContain('RING_ROUNDED');
  });

  it('refuse a lamp that does not flash and a count that was not made', () => {
    expect(readStrobe({ ...LOOK, lamp: 'steady' })).toEqual({ kind: 'unusable', reason: 'STEADY_LAMP' });
    expect(readStrobe({ ...LOOK, overS: 0 })).toEqual({ kind: 'unusable', reason: 'NOTHING_COUNTED' });
    expect(() => standstillRpm(0, 100)).toThrow(/whole number/);
    expect(() => standstillRpm(180.5, 100)).toThrow(/whole number/);
  });

  it('a lamp behind one diode flashes once a cycle', () => {
    expect(read({ lamp: 'half-wave', ringBars: 90, direction: 'still' }).errorPercent).toBeCloseTo(0, 9);
  });

  it('rings, drift and doubles agree with each other', () => {
    expect(printedRing(216)).toMatchObject({ mainsHz: 60 });
    expect(printedRing(181)).toBeNull();
    fc.assert(
      fc.property(fc.integer({ min: 20, max: 500 }), fc.double({ min: 40, max: 240, noNaN: true }), (bars, flashHz) => {
        const still = standstillRpm(bars, flashHz);
        expect(ringBars(flashHz, still)).toBe(bars);
        expect(driftRpm(bars, flashHz, 0)).toBe(still);
        expect(otherStandstills(bars, flashHz).double).toBeCloseTo(2 * still, 9);
      }),
    );
  });
});
