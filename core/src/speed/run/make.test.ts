/** What each way measured stands in the one type of run under the right name, in the right unit. */
import { describe, expect, it } from 'vitest';
import type { MeasuredGyro } from '../rotation/gyroResult.js';
import type { MeasuredPulses } from '../rotation/pulseResult.js';
import type { MeasuredSound } from '../sound/result.js';
import { stopwatch } from '../stopwatch.js';
import { readStrobe } from '../strobe/reading.js';
import { LOOK } from '../strobe/look.test-data.js';
import type { MeasuredTone } from '../tone/result.js';
import { doubtOf } from './doubt.js';
import { runOfGyro, runOfPulses, runOfSound, runOfStopwatch, runOfStrobe, runOfTone } from './make.js';

const PARTS = [
  { name: 'clock', standardPercent: 0.03, why: '' },
  { name: 'wander', standardPercent: 0.04, why: '' },
];
const SERIES = { startS: 0, stepS: 0.1, errorPercent: new Float32Array(3), halfWidthPercent: new Float32Array(3) };
const ROTATION = {
  kind: 'measured',
  nominalRpm: 45,
  meanRpm: 45.9,
  meanErrorPercent: 2,
  meanErrorExpandedUncertaintyPercent: 0.1,
  uncertainty: PARTS,
  driftPercent: 0.2,
  lines: [{ hz: 0.75 }],
  warnings: ['GAPS'],
  series: SERIES,
  spectrum: null,
  unweightedPeakPercent: 0.11,
  wowUpToHz: 8,
  stretches: [{ startS: 0, endS: 4, meanRpm: 45.9 }],
  sense: 1,
};

describe('a run', () => {
  it('of a tone: hertz, its five figures of flutter each under its name, its lines and spectrum', () => {
    const tone = {
      nominalHz: 3150,
      meanHz: 3181.5,
      meanErrorPercent: 1,
      meanErrorExpandedUncertaintyPercent: 0.02,
      uncertainty: PARTS,
      driftPercent: -0.1,
      unweightedPeakPercent: 0.31,
      unweightedRmsPercent: 0.12,
      weighted2SigmaPercent: 0.13,
      weightedQuasiPeakPercent: 0.14,
      weightedRmsPercent: 0.05,
      lines: [{ hz: 0.5 }],
      warnings: ['SHORT'],
      tone: { channel: 1 },
      series: SERIES,
      spectrum: 'S',
    } as unknown as MeasuredTone;
    expect(runOfTone(tone, true)).toEqual({
      unit: 'Hz',
      nominal: 3150,
      mean: 3181.5,
      errorPercent: 1,
      expandedPercent: 0.02,
      uncertainty: PARTS,
      driftPercent: -0.1,
      flutter: {
        unweightedPeakPercent: 0.31,
        unweightedRmsPercent: 0.12,
        weighted2SigmaPercent: 0.13,
        weightedQuasiPeakPercent: 0.14,
        weightedRmsPercent: 0.05,
      },
      lines: [{ hz: 0.5 }],
      warnings: ['SHORT'],
      detail: { way: 'tone', live: true, channel: 1 },
      series: SERIES,
      spectrum: 'S',
    });
    expect(runOfTone(tone).detail).toMatchObject({ live: false });
  });

  it('of pulses and of a gyroscope: turns a minute, the shaft’s wow with how far up it is seen', () => {
    const shaft = { wowPeakPercent: 0.11, wowUpToHz: 8, stretches: ROTATION.stretches, sense: 1 };
    const pulses = {
      ...ROTATION,
      from: 'scope',
      perTurn: 24,
      missing: 2,
      doubled: 3,
      damagedSegmentsPerTurn: 1,
      spacingErrorsPercent: [1, -1],
      weakSegments: [],
      channel: 'D0',
    } as unknown as MeasuredPulses;
    const common = { unit: 'rpm', nominal: 45, mean: 45.9, errorPercent: 2, expandedPercent: 0.1, driftPercent: 0.2 };
    expect(runOfPulses(pulses)).toMatchObject({
      ...common,
      flutter: null,
      warnings: ['GAPS'],
      detail: {
        way: 'pulses',
        from: 'scope',
        perTurn: 24,
        missing: 2,
        doubled: 3,
        damagedSegmentsPerTurn: 1,
        spacingErrorsPercent: [1, -1],
        channel: 'D0',
        shaft,
      },
    });
    const gyro = { ...ROTATION, biasDps: 0.7, unit: 'deg/s' } as unknown as MeasuredGyro;
    expect(runOfGyro(gyro)).toMatchObject({ ...common, detail: { way: 'gyro', biasDps: 0.7, unit: 'deg/s', shaft } });
  });

  it('of a sound: its error against the nominal, none without one; U is twice the root of the squares', () => {
    const sound = {
      nominalRpm: 20_000,
      meanRpm: 21_000,
      uncertainty: PARTS,
      driftPercent: null,
      warnings: [],
      lines: 'blades',
      linesPerTurn: 7,
      candidates: [],
      stretches: [],
      series: SERIES,
    } as unknown as MeasuredSound;
    const run = runOfSound(sound);
    expect(run).toMatchObject({ unit: 'rpm', nominal: 20_000, mean: 21_000, flutter: null, spectrum: null });
    expect(run.errorPercent).toBeCloseTo(5, 9);
    expect(run.expandedPercent).toBeCloseTo(0.1, 9);
    expect(run.detail).toMatchObject({ way: 'sound', lines: 'blades', linesPerTurn: 7 });
    expect(runOfSound({ ...sound, nominalRpm: null } as MeasuredSound).errorPercent).toBeNull();
  });

  it('of a strobe and of a stopwatch: by hand, without drift or flutter', () => {
    const strobe = readStrobe(LOOK);
    if (strobe.kind !== 'measured') throw new Error(strobe.kind);
    const run = runOfStrobe(strobe);
    expect(run).toMatchObject({ unit: 'rpm', driftPercent: null, flutter: null, series: null, spectrum: null });
    expect(run.detail).toMatchObject({ way: 'strobe', ringBars: 180, flashHz: 100 });
    expect(run.mean).toBe(strobe.rpm);
    // Ten turns at 45: taps four thirds of a second apart.
    const taps = (count: number) => Array.from({ length: count }, (_, i) => (i * 4) / 3);
    const timed = runOfStopwatch(stopwatch(taps(11), 1), 45);
    expect(timed?.mean).toBeCloseTo(45, 6);
    expect(timed?.errorPercent).toBeCloseTo(0, 6);
    expect(timed?.warnings).toEqual([]);
    // Its one part is half of what is told.
    expect(timed?.uncertainty[0]?.standardPercent).toBeCloseTo((timed?.expandedPercent ?? 0) / 2, 9);
    expect(timed?.uncertainty[0]?.why).toContain('a line through 11 taps');
    expect(timed?.detail).toMatchObject({ way: 'stopwatch', taps: 11, turns: 10 });
    const few = runOfStopwatch(stopwatch(taps(10), 1), 50);
    expect(few?.warnings).toEqual(['FEW_TURNS']);
    expect(few?.errorPercent).toBeCloseTo(-10, 6);
    expect(runOfStopwatch(stopwatch(taps(10), 1), null)?.errorPercent).toBeNull();
    expect(runOfStopwatch(stopwatch([0], 1), 45)).toBeNull();
  });

  it('no machine of its nominal could reach is asked about, by what it usually comes from', () => {
    const taps = (gapS: number) => runOfStopwatch(stopwatch([0, gapS, 2 * gapS, 3 * gapS], 1), 45);
    const doubt = (gapS: number) => doubtOf(taps(gapS) as never);
    // 0.3 to 3 times: 13.5 to 135 a minute, 4.44 to 0.444 s.
    expect([doubt(4.4), doubt(0.45)]).toEqual([null, null]);
    expect(doubt(4.5)).toBe('13.33 rpm is 0.3 times the nominal 45 rpm. Were the turns of each tap counted right?');
    expect(doubt(0.4)).toBe('150 rpm is 3.3 times the nominal 45 rpm. Were the turns of each tap counted right?');
    const free = runOfStopwatch(stopwatch([0, 0.1, 0.2], 1), null);
    expect(doubtOf(free as never)).toBeNull();
  });
});
