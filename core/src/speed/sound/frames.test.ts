/** A recording as short spectra: lines where sines were put, no more. */
import { describe, expect, it } from 'vitest';
import { sourceOf } from '../../formats/channels.test-data.js';
import { gaussian, seeded } from '../../numeric/index.js';
import { loudestChannel, soundFrames } from './frames.js';

const sine = (rate: number, seconds: number, ...parts: readonly (readonly [number, number])[]) => {
  const noise = gaussian(seeded(5));
  return Float64Array.from(
    { length: Math.round(rate * seconds) },
    (_, n) =>
      parts.reduce((sum, [hz, size]) => sum + size * Math.sin((2 * Math.PI * hz * n) / rate), 0) + 1e-4 * noise(),
  );
};

describe('frames', () => {
  it('of two sines have their two lines, in the middle of each 0.4 s, a tenth of a second apart', async () => {
    const frames = (await soundFrames(sourceOf(32000, sine(32000, 1, [440, 0.5], [1320, 0.05])), 0, () => true)) ?? [];
    // Starts at 0, 0.1 … 0.6.
    expect(frames.map(({ timeS }) => Number(timeS.toFixed(6)))).toEqual([0.2, 0.3, 0.4, 0.5, 0.6, 0.7, 0.8]);
    for (const one of frames) {
      const strong = [...one.lineHz].filter((_, i) => one.level[i] === 2);
      expect(strong).toHaveLength(2);
      expect(strong[0]).toBeCloseTo(440, 0);
      expect(strong[1]).toBeCloseTo(1320, 0);
      // √(0.5² + 0.05²)/√2.
      expect(one.rms).toBeCloseTo(Math.hypot(0.5, 0.05) / Math.SQRT2, 3);
      expect(one.binHz).toBeCloseTo(2.5, 9);
      expect(one.topHz).toBeLessThanOrEqual(8000);
      expect(one.topHz).toBeGreaterThan(7990);
    }
  });

  it('see a direct voltage as nothing', async () => {
    const lifted = sine(32000, 0.5, [440, 0.1]).map((one) => one + 0.3);
    const [first] = (await soundFrames(sourceOf(32000, lifted), 0, () => true)) ?? [];
    expect(first?.rms).toBeCloseTo(0.1 / Math.SQRT2, 3);
    expect(Math.min(...(first?.lineHz ?? []))).toBeGreaterThan(430);
  });

  it('at twice the rate are the same, through a filter that leaves the lines where they are', async () => {
    const at = async (rate: number) =>
      (await soundFrames(sourceOf(rate, sine(rate, 1, [440, 0.5], [7000, 0.05])), 0, () => true)) ?? [];
    const [plain, fast] = [await at(24000), await at(96000)];
    for (const frames of [plain, fast]) {
      const strong = [...(frames[2]?.lineHz ?? [])].filter((_, i) => frames[2]?.level[i] === 2);
      expect(strong[0]).toBeCloseTo(440, 0);
      expect(strong.at(-1)).toBeCloseTo(7000, 0);
    }
    // 96 kHz is halved twice to 24; 0.4 s of it are 9600 samples, 2.5 Hz apart.
    expect(fast[0]?.binHz).toBeCloseTo(2.5, 9);
    expect(fast[0]?.rms).toBeCloseTo(plain[0]?.rms ?? 0, 3);
  });

  it('look no higher than 0.45 of the rate, where half of it is under eight kilohertz', async () => {
    const [first] = (await soundFrames(sourceOf(8000, sine(8000, 0.5, [440, 0.5], [3700, 0.2])), 0, () => true)) ?? [];
    expect(first?.topHz).toBeLessThanOrEqual(3600);
    expect(first?.topHz).toBeGreaterThan(3595);
    expect(Math.max(...(first?.lineHz ?? []))).toBeLessThan(3600);
  });

  it('are stopped by whoever asked', async () => {
    expect(await soundFrames(sourceOf(8000, sine(8000, 4, [440, 0.5])), 0, () => false)).toBeNull();
    expect(await soundFrames(sourceOf(8000, sine(8000, 4, [440, 0.5])), 0, () => undefined)).not.toBeNull();
  });

  it('of a long recording stand farther apart: 1200 at most', async () => {
    const frames = (await soundFrames(sourceOf(8000, sine(8000, 240, [440, 0.5])), 0, () => true)) ?? [];
    expect(frames.length).toBeLessThanOrEqual(1200);
    expect(frames.length).toBeGreaterThan(1190);
  });

  it('are taken from the channel with more power in all, not from that with the one peak', async () => {
    const quiet = sine(8000, 2, [300, 0.01]);
    quiet[0] = 0.99;
    const loud = sine(8000, 2, [300, 0.4]);
    const found = await loudestChannel(sourceOf(8000, quiet, loud));
    expect(found.channel).toBe(1);
    expect(found.peak).toBeCloseTo(0.99, 9);
  });
});
