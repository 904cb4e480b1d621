/** Where a made speed holds its level, at uneven times: no sample of a move in it, and no more than a window of it lost. */
import { describe, expect, it } from 'vitest';
import { seeded } from '../../numeric/index.js';
import { steadyStretches } from './steady.js';

const random = seeded(4);
/** Steps of 20 to 80 ms over 45 s, from 5 s on. */
const timeS = Float64Array.from({ length: 900 }, () => 0.02 + 0.06 * random()).map((_, i, all) =>
  all.subarray(0, i).reduce((sum, one) => sum + one, 5),
);
/** Still, up in three seconds, 20 s at ten, up in one, 14 s at 13.5, down in four. */
function levelAt(t: number): number {
  if (t < 7) return 0;
  if (t < 10) return (10 * (t - 7)) / 3;
  if (t < 30) return 10;
  if (t < 31) return 10 + 3.5 * (t - 30);
  return t < 45 ? 13.5 : Math.max(0, (13.5 * (49 - t)) / 4);
}
const heldIn = (of: (t: number, i: number) => number) =>
  steadyStretches(timeS, Float64Array.from(timeS, of), { windowS: 1, leastS: 2 }).map(({ from, to, level }) => ({
    level,
    from: timeS[from] as number,
    to: timeS[to - 1] as number,
  }));

describe('a speed', () => {
  it.each([0, 0.005, 0.02])('with wow of %d of it holds ten, then 13.5', (wow) => {
    const found = heldIn((t) => levelAt(t) * (1 + wow * Math.sin(2 * Math.PI * 0.9 * t)));
    expect(found).toHaveLength(2);
    for (const [i, [level, from, to]] of [
      [10, 10, 30],
      [13.5, 31, 45],
    ].entries() as ArrayIterator<[number, [number, number, number]]>) {
      const one = found[i] as (typeof found)[number];
      expect(Math.abs(one.level / level - 1)).toBeLessThan(2e-4 + wow / 10);
      expect(one.from).toBeGreaterThan(from);
      expect(one.from).toBeLessThan(from + 1);
      expect(one.to).toBeGreaterThan(to - 1);
      expect(one.to).toBeLessThan(to);
    }
  });

  it('that holds from the first sample to the last is one stretch, with a lost pulse in it too', () => {
    const whole = { level: 10, from: timeS[0], to: timeS[899] };
    expect(heldIn(() => 10)).toEqual([whole]);
    expect(heldIn((_, i) => (i === 500 ? 5 : 10))).toEqual([whole]);
  });

  it('that rises all the time, or is held for less than was asked, holds nowhere', () => {
    expect(heldIn((t) => 1.3 ** t)).toEqual([]);
    const twice = heldIn((t) => (t > 20 && t < 21.5 ? 10 : t > 25 && t < 32 ? 7 : 0));
    expect(twice.map(({ level }) => level)).toEqual([7]);
  });
});
