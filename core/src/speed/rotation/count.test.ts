/** Which pulse is which: gaps counted over, doubles left out, wheels with uneven or absent segments. */
import { describe, expect, it } from 'vitest';
import { countPulses } from './count.js';

const range = (count: number, of: (i: number) => number) => Float64Array.from({ length: count }, (_, i) => of(i));
const numbers = (timeS: Float64Array, perTurn = 4) => {
  const found = countPulses(timeS, perTurn);
  return found && { ...found, number: [...found.number] };
};

describe('pulses in a steady row', () => {
  it('have their numbers from nought, none missing, none doubled', () => {
    const found = numbers(range(10, (i) => 5 + 0.1 * i));
    expect(found?.number).toEqual([0, 1, 2, 3, 4, 5, 6, 7, 8, 9]);
    expect(found).toMatchObject({ missing: 0, doubled: 0 });
  });

  it('with one, two, three left out are counted over', () => {
    const kept = [0, 1, 2, 4, 5, 8, 9, 13, 14, 15, 16, 17];
    const found = numbers(Float64Array.from(kept, (n) => 0.1 * n));
    expect(found?.number).toEqual(kept);
    expect(found?.missing).toBe(6);
  });

  it('with one that came twice leave the second out, near the first or near the next', () => {
    for (const extra of [0.02, 0.04]) {
      const times = [...range(12, (i) => 0.1 * i), 0.5 + extra].sort((a, b) => a - b);
      const found = numbers(Float64Array.from(times));
      expect(found).toMatchObject({ missing: 0, doubled: 1 });
      expect(found?.number).toEqual(Array.from({ length: 12 }, (_, i) => i));
      expect(found?.timeS[6]).toBeCloseTo(0.6, 9);
    }
    // Half way it is no double, as far as anybody can tell: the rhythm is what is asked.
    const half = numbers(Float64Array.from([...range(12, (i) => 0.1 * i), 0.546].sort((a, b) => a - b)));
    expect(half?.doubled).toBe(0);
  });

  it('a double at the very end is left out', () => {
    const found = numbers(Float64Array.from([...range(12, (i) => 0.1 * i), 1.12]));
    expect(found).toMatchObject({ doubled: 1 });
    expect(found?.number.at(-1)).toBe(11);
  });

  it('are followed while the shaft slows to half: none is taken for missing', () => {
    const times = [0];
    for (let i = 1; i < 400; i++) times.push((times[i - 1] as number) + 0.01 * (1 + i / 400));
    const found = numbers(Float64Array.from(times));
    expect(found).toMatchObject({ missing: 0, doubled: 0 });
    expect(found?.number.at(-1)).toBe(399);
  });

  it('hold their rhythm over 64: a jump to half the speed is two gaps at first, then the new rhythm', () => {
    const times = [...range(100, (i) => 0.01 * i), ...range(200, (i) => 1 + 0.01 + 0.02 * i)];
    const found = numbers(Float64Array.from(times));
    // While more than half of the last 64 gaps are of the old kind each new one counts for two.
    expect(found?.missing).toBeGreaterThan(30);
    expect(found?.missing).toBeLessThanOrEqual(200);
  });
});

describe('no rhythm', () => {
  it('is where more than half of the counted are missing, or two of five come twice', () => {
    // One in three there: two thirds missing.
    const sparse = [0, 0.1, 0.2, 0.3, 0.4, 0.5, 0.6, 0.7, 0.8];
    for (let n = 12; n < 80; n += 4) sparse.push(0.1 * n);
    expect(countPulses(Float64Array.from(sparse), 4)).toBeNull();
    // Two of five: each third and fourth pulse comes twice.
    const twice = [...range(60, (i) => 0.1 * i)].flatMap((t, i) => (i % 3 === 0 ? [t] : [t, t + 0.02]));
    expect(countPulses(Float64Array.from(twice), 4)?.doubled).toBe(40);
    const oftener = [...range(60, (i) => 0.1 * i)].flatMap((t) => [t, t + 0.02]);
    expect(countPulses(Float64Array.from(oftener), 4)).toBeNull();
  });

  it('is in under four pulses that are kept', () => {
    expect(numbers(Float64Array.of(0, 1, 2, 3))?.number).toEqual([0, 1, 2, 3]);
    expect(countPulses(Float64Array.of(0, 1, 1.01, 2), 4)).toBeNull();
  });
});
