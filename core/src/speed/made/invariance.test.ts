/** What must not change a figure: the unit of time, its start, the sense, another channel that is silent. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { measureGyro } from '../rotation/gyro.js';
import { measurePulses } from '../rotation/pulses.js';
import type { MeasuredPulses } from '../rotation/pulseResult.js';
import { changesCsv, gyroCsv, timesCsv } from './logs.js';
import { markTimes } from './shaft.js';

async function measured(text: string, perTurn: number, nominalRpm: number): Promise<MeasuredPulses> {
  const result = await measurePulses(text, { perTurn, nominalRpm });
  if (result.kind !== 'measured') throw new Error(result.kind);
  return result;
}

const runs = { numRuns: 12 };
const shaft = fc.record({
  rpm: fc.double({ min: 20, max: 3000, noNaN: true }),
  perTurn: fc.constantFrom(1, 2, 4, 12),
  percent: fc.double({ min: 0, max: 0.3, noNaN: true }),
  seed: fc.integer({ min: 1, max: 1e6 }),
});
const timesOf = ({ rpm, perTurn, percent, seed }: { rpm: number; perTurn: number; percent: number; seed: number }) =>
  markTimes(
    { rpm, durationS: Math.max(6, 1200 / rpm), wow: [{ hz: rpm / 60 / 7, percent }] },
    { perTurn, jitterS: 1e-5, seed },
  );

describe('pulses', () => {
  it('give the same speed in every unit of time, said or unsaid, and from any start', async () => {
    await fc.assert(
      fc.asyncProperty(shaft, fc.double({ min: -50, max: 5000, noNaN: true }), async (one, startS) => {
        const times = timesOf(one);
        const plain = await measured(timesCsv(times, { header: 'Time (s)' }), one.perTurn, one.rpm);
        const moved = times.map((t) => t + startS);
        const other = [
          timesCsv(moved, { header: 'Time (s)' }),
          timesCsv(times, { header: 'Time (ms)', scale: 1e3, digits: 6 }),
          timesCsv(times, { scale: 1e6, digits: 3 }),
          timesCsv(times, { scale: 1e9, digits: 0 }),
        ];
        for (const text of other) {
          const result = await measured(text, one.perTurn, one.rpm);
          expect(Math.abs(result.meanRpm / plain.meanRpm - 1)).toBeLessThan(1e-6);
          expect(result.lines.length).toBe(plain.lines.length);
        }
      }),
      runs,
    );
  });

  it('are not disturbed by a channel that is silent, before or after theirs', async () => {
    await fc.assert(
      fc.asyncProperty(shaft, fc.boolean(), async (one, before) => {
        const times = timesOf(one);
        const own = { name: 'fg', rises: times, highS: 0.2 / (one.rpm / 60) / one.perTurn };
        const silent = { name: 'quiet', rises: [], highS: 0 };
        const alone = await measured(changesCsv([own]), one.perTurn, one.rpm);
        const both = await measured(changesCsv(before ? [silent, own] : [own, silent]), one.perTurn, one.rpm);
        expect(both.meanRpm).toBe(alone.meanRpm);
        expect(both.meanErrorExpandedUncertaintyPercent).toBe(alone.meanErrorExpandedUncertaintyPercent);
        expect(both.warnings).toEqual(alone.warnings);
      }),
      runs,
    );
  });

  it('two channels in quadrature give the sense, and the same size either way', async () => {
    const times = markTimes({ rpm: 75, durationS: 20 }, { perTurn: 6 });
    const later = times.map((t) => t + 60 / 75 / 24);
    const both = (a: readonly number[], b: readonly number[]) =>
      changesCsv([
        { name: 'A', rises: a, highS: 0.05 },
        { name: 'B', rises: b, highS: 0.05 },
      ]);
    const forward = await measured(both(times, later), 6, 75);
    const back = await measured(both(later, times), 6, 75);
    expect([forward.sense, back.sense]).toEqual([1, -1]);
    expect(back.meanRpm).toBeCloseTo(forward.meanRpm, 6);
  });
});

describe('a gyroscope', () => {
  it('gives the same speed turned over, and in every unit', () => {
    const motion = { rpm: 44.9, durationS: 20, wow: [{ hz: 0.75, percent: 0.1 }] };
    const speeds = (
      [
        [6, 'gyro x (deg/s)', false],
        [6, 'gyro x (deg/s)', true],
        [Math.PI / 30, 'gyro x', false],
        [6000, 'gyro x', true],
        [1 / 60, 'gyro x', false],
      ] as const
    ).map(([perRpm, name, clockwise]) => {
      const header = `time,${name},${name.replace('x', 'y')},${name.replace('x', 'z')}`;
      const result = measureGyro(gyroCsv({ motion, perRpm, header, clockwise }), { nominalRpm: 45 });
      if (result.kind !== 'measured') throw new Error(result.kind);
      expect(result.sense).toBe(clockwise ? -1 : 1);
      return result.meanRpm;
    });
    for (const rpm of speeds) expect(Math.abs(rpm / 44.9 - 1)).toBeLessThan(2e-5);
  });
});
