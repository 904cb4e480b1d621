/** Turns at uneven times put on an even clock: cubic interpolation, exact on cubics (exact mathematics). */
import { describe, expect, it } from 'vitest';
import { trackOf } from './track.js';

const count = (n: number, of: (i: number) => number) => Float64Array.from({ length: n }, (_, i) => of(i));
/** Uneven times from a thousand seconds on, the last at a whole tenth. */
const timeS = count(41, (i) => 1000 + i / 10 + (i % 4 === 0 ? 0 : 0.02 * Math.sin(7 * i)));
const turnsAt = (t: number) => 3 * t + 0.2 * t ** 2 - 0.01 * t ** 3;

describe('turns at uneven times', () => {
  it('give the phase against the centre at even ones, wherever the clock began', () => {
    const track = trackOf({ timeS, turns: timeS.map((t) => turnsAt(t - 1000)) }, 50, 3.2);
    expect([track.startS, track.rate, track.centreHz, track.phase.length]).toEqual([1000, 50, 3.2, 201]);
    expect([...track.usable]).toEqual(Array(201).fill(1));
    track.phase.forEach((phase, n) => {
      const t = n / 50;
      expect(phase).toBeCloseTo(2 * Math.PI * (turnsAt(t) - 3.2 * t), 8);
    });
  });

  it('lean on four neighbours: what is wrong at one time is felt two steps away, and no farther', () => {
    const still = timeS.map((t) => t - 1000);
    const wrong = still.map((t, i) => (i === 20 ? t + 0.3 : t));
    const [plain, bent] = [still, wrong].map((turns) => trackOf({ timeS, turns }, 50, 1).phase);
    plain?.forEach((phase, n) => {
      const felt = Math.abs((bent?.[n] ?? NaN) - phase) > 1e-9;
      if (Math.abs(n / 50 - 2) > 0.23) expect(felt, String(n)).toBe(false);
      if (n === 100 || n === 96) expect(felt, String(n)).toBe(true);
    });
  });

  it('of a whole number of steps keep the last; a part of a step is left out', () => {
    const length = (endS: number) =>
      trackOf({ timeS: count(5, (i) => (i * endS) / 4), turns: count(5, (i) => i) }, 10, 0).phase.length;
    expect([length(4), length(4.05), length(4.1)]).toEqual([41, 41, 42]);
  });
});
