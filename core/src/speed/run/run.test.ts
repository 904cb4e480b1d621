import { describe, expect, it } from 'vitest';
import { calibrateClock } from '../clock.js';
import { nameLines, partWords } from '../parts.js';
import { measurePulses } from '../rotation/pulses.js';
import { stopwatch } from '../stopwatch.js';
import { readStrobe } from '../strobe/reading.js';
import { memorySource, writeWav } from '../../formats/index.js';
import { measureWav } from '../tone/measure.js';
import { synthTone } from '../tone/synth.js';
import { compareRuns } from './compare.js';
import { runOfPulses, runOfStopwatch, runOfStrobe, runOfTone } from './make.js';
import { SPEED_WARNINGS, type SpeedRun } from './result.js';
import { workingsOf } from './working.js';

async function tone(errorPercent: number): Promise<SpeedRun> {
  const wav = writeWav(
    [
      synthTone({
        sampleRate: 16000,
        durationS: 12,
        nominalHz: 3150,
        errorPercent,
        snrDb: 40,
        lines: [{ hz: 5, peakPercent: 0.1 }],
      }),
    ],
    16000,
  );
  const result = await measureWav(memorySource(wav), { nominalHz: 3150, referenceUncertaintyPercent: 0.1 });
  if (result.kind !== 'measured') throw new Error(result.kind);
  return runOfTone(result);
}

async function pulses(): Promise<SpeedRun> {
  const result = await measurePulses(Array.from({ length: 80 }, (_, i) => (i * 0.45).toFixed(5)).join('\n'), {
    perTurn: 4,
    nominalRpm: 33.3,
  });
  if (result.kind !== 'measured') throw new Error(result.kind);
  return runOfPulses(result);
}

const counted = runOfStopwatch(stopwatch([0, 1.8, 3.6, 5.4], 1), null) as SpeedRun;
const strobe = readStrobe({
  nominalRpm: 100 / 3,
  mainsHz: 60,
  measuredMainsHz: null,
  lamp: 'mains',
  ringBars: 216,
  direction: 'left',
  edge: 'near',
  bars: 24,
  overS: 60,
  clockwise: true,
  camera: 'none',
});

describe('one run for every way', () => {
  it('keeps nominal, mean, error and uncertainty in one place', async () => {
    const run = await tone(0.5);
    expect(run).toMatchObject({ unit: 'Hz', nominal: 3150, detail: { way: 'tone', live: false } });
    expect(run.errorPercent).toBeCloseTo(100 * (run.mean / 3150 - 1), 9);
    expect(await pulses()).toMatchObject({
      unit: 'rpm',
      nominal: 33.3,
      flutter: null,
      detail: { way: 'pulses', perTurn: 4 },
    });
    expect(counted).toMatchObject({ nominal: null, errorPercent: null, series: null, warnings: ['FEW_TURNS'] });
    if (strobe.kind === 'measured') expect(runOfStrobe(strobe).errorPercent).toBeCloseTo(0.333, 3);
  });

  it('every figure opens to a working that ends in its own value', async () => {
    const run = await tone(0.5);
    const rows = workingsOf(run);
    expect(rows.map((row) => row.id)).toEqual([
      'mean',
      'error',
      'uncertainty',
      'drift',
      'unweightedPeakPercent',
      'unweightedRmsPercent',
      'weighted2SigmaPercent',
      'weightedQuasiPeakPercent',
      'weightedRmsPercent',
      'snr',
    ]);
    for (const row of rows) {
      expect(row.steps.length).toBeGreaterThan(0);
      expect(row.value + row.steps.join('')).not.toMatch(/NaN|undefined|Infinity/);
    }
    expect(rows[2]?.steps.join('\n')).toMatch(/reference: u = 0\.0502 %/);
    expect(workingsOf(counted).map((row) => row.id)).toEqual(['mean', 'uncertainty']);
    expect(workingsOf(await pulses()).map((row) => row.id)).toContain('spacing');
  });

  it('has words for every warning', () => {
    for (const words of Object.values(SPEED_WARNINGS)) expect(words.length).toBeGreaterThan(20);
  });
});

describe('comparing two runs', () => {
  it('with the same tape its error falls out of the difference, with another it counts twice', async () => {
    const [before, after] = [await tone(-0.4), await tone(0.1)];
    const same = compareRuns(before, after, true);
    const other = compareRuns(before, after, false);
    expect(same.changePercent).toBeCloseTo(0.5, 3);
    expect(same.expandedPercent).toBeLessThan(0.01);
    expect(other.expandedPercent).toBeCloseTo(Math.hypot(before.expandedPercent, after.expandedPercent), 6);
    expect(same.significant).toBe(true);
    expect(compareRuns(before, await tone(-0.35), false).significant).toBe(false);
  });

  it('without nominals compares turns a minute, and not hertz with turns', async () => {
    expect(compareRuns(counted, { ...counted, mean: 1.01 * counted.mean }, false).changePercent).toBeCloseTo(1, 6);
    expect(compareRuns(counted, await tone(0), false).changePercent).toBeNull();
  });
});

describe('lines against parts', () => {
  const parts = [
    { name: 'platter', kind: 'platter', hz: 0.5556 },
    { name: 'motor pulley', kind: 'pulley', hz: 5 },
  ] as const;
  const line = (frequencyHz: number) => nameLines([{ frequencyHz, peakPercent: 0.1 }], parts, -2, 60)[0];

  it('are scaled by the speed error, doubles named, strangers left alone', () => {
    expect(partWords(line(0.5445) as never)).toBe('platter');
    expect(partWords(line(1.089) as never)).toBe('platter, twice a turn');
    expect(partWords(line(4.9) as never)).toBe('motor pulley');
    expect(partWords(line(7.3) as never)).toBe('');
  });
});

describe('the clock', () => {
  it('1000 Hz read as 1000.02 Hz is 20 ppm fast', () => {
    const found = calibrateClock(1000, 1, 1000.02, 0.5);
    expect(found.correctionPpm).toBeCloseTo(-20, 2);
    expect(found.limitPpm).toBeCloseTo(6.5, 9);
    expect(() => calibrateClock(0, 1, 1000, 1)).toThrow(/above zero/);
  });

  it('is put right in a recording', async () => {
    const wav = writeWav([synthTone({ sampleRate: 16000, durationS: 6, nominalHz: 1000, errorPercent: 0.002 })], 16000);
    const result = await measureWav(memorySource(wav), { nominalHz: 1000, clockCorrectionPpm: -20 });
    expect(result.kind === 'measured' ? result.meanErrorPercent : 1).toBeCloseTo(0, 6);
  });
});
