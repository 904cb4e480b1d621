/** The inner loops of the meter, compiled and plain, on waves whose values at every instant are known. */
import { describe, expect, it } from 'vitest';
import { withoutKernel } from '../../numeric/index.js';
import { basebandShape, basebandStream } from './baseband.js';
import { quasiPeakDetector } from './quasiPeak.js';
import { sizes } from './sizes.js';

const TAU = 2 * Math.PI;
const inBoth = <T>(work: () => T) =>
  [
    ['compiled', async () => Promise.resolve(work())],
    ['plain', () => withoutKernel(work)],
  ] as const;

describe.each(inBoth(() => basebandOf(-7.3, 1.1)))('a tone beside the centre, %s', (_how, work) => {
  it('comes down as half a turning pointer, whatever pieces it came in', async () => {
    const { pointers, rate } = await work();
    expect(pointers.length).toBeGreaterThan(3000);
    // Where the filter has both its sides.
    for (let m = 100; m < pointers.length - 100; m += 7) {
      const angle = TAU * -7.3 * (m / rate) + 1.1;
      const [re, im] = pointers[m] as [number, number];
      expect(Math.hypot(re - 0.3 * Math.cos(angle), im - 0.3 * Math.sin(angle))).toBeLessThan(3e-4);
    }
  });
});

function basebandOf(offHz: number, at: number) {
  const [sampleRate, centreHz] = [44_100, 3150];
  const pointers: [number, number][] = [];
  const stream = basebandStream(sampleRate, centreHz, (re, im, count) => {
    for (let i = 0; i < count; i++) pointers.push([re[i] as number, im[i] as number]);
  });
  const wave = Float64Array.from(
    { length: 90_000 },
    (_, n) => 0.6 * Math.cos((TAU * (centreHz + offHz) * n) / sampleRate + at),
  );
  // A piece of a few samples, a middling one, and the rest at once.
  for (const [from, to] of [
    [0, 40],
    [40, 5000],
    [5000, 90_000],
  ])
    stream.push(wave.subarray(from, to));
  stream.finish();
  return { pointers, rate: basebandShape(sampleRate, centreHz).rate };
}

/** What is left beside the lines, and the lines, percent by time. */
const rest = (t: number) => 0.04 * Math.sin(TAU * 3.7 * t + 1) + 0.02 * Math.sin(TAU * 71 * t);
const LINES = [
  { hz: 0.83, cos: 0.03, sin: -0.05 },
  { hz: 5.5, cos: -0.02, sin: 0.04 },
];
const wave = (t: number) =>
  LINES.reduce((sum, { hz, cos, sin }) => sum + cos * Math.cos(TAU * hz * t) + sin * Math.sin(TAU * hz * t), rest(t));

describe.each(
  inBoth(() =>
    sizes(
      Float64Array.from({ length: 20_000 }, (_, n) => rest(n / 400)),
      LINES,
      400,
      4,
    ),
  ),
)('sizes between the samples, %s', (_how, work) => {
  it('are those of the wave itself', async () => {
    const found = await work();
    const all = Float64Array.from({ length: 500_000 }, (_, n) => Math.abs(wave(n / 10_000)));
    expect(found.notExceeded95).toBeCloseTo(all.slice().sort()[475_000] as number, 4);
    expect(found.rms).toBeCloseTo(Math.sqrt(all.reduce((sum, one) => sum + one * one, 0) / all.length), 4);
    const detector = quasiPeakDetector(10_000);
    all.forEach((one) => detector.push(one));
    expect(found.quasiPeak).toBeCloseTo(detector.largest, 4);
  });
});
