import { describe, expect, it } from 'vitest';
import { memorySource, readTable, writeWav } from '../../formats/index.js';
import { gaussian, seeded } from '../../numeric/index.js';
import { guessPulseColumns } from './columns.js';
import { guessGyroColumns } from './gyroColumns.js';
import { measureGyro } from './gyro.js';
import { measurePulses } from './pulses.js';
import type { MeasuredPulses } from './pulseResult.js';
import { measurePulseWav } from './signal.js';

const RATE = 44100;

async function measured(samples: Float64Array, perTurn: number, nominalRpm: number): Promise<MeasuredPulses> {
  const result = await measurePulseWav(memorySource(writeWav([samples], RATE)), { perTurn, nominalRpm });
  if (result.kind !== 'measured') throw new Error(result.kind === 'asked' ? result.message : result.reason);
  return result;
}

describe('pulses in a recording', () => {
  it('rectangles: mean within a millionth, from a recording', async () => {
    const hz = (12 * 100.1) / 60;
    const samples = Float64Array.from({ length: 20 * RATE }, (_, n) => (((n * hz) / RATE) % 1 < 0.4 ? 0.7 : -0.1));
    const result = await measured(samples, 12, 100);
    expect(result.from).toBe('recording');
    expect(result.meanErrorPercent).toBeCloseTo(0.1, 4);
    expect(result.missing + result.doubled).toBe(0);
  });

  it('the noisy sine of a speed generator, with its wow', async () => {
    const normal = gaussian(seeded(2));
    const [rev, per, wow] = [45.045 / 60, 72, 0.002];
    const samples = Float64Array.from({ length: 30 * RATE }, (_, n) => {
      const t = n / RATE;
      const turns = rev * (t - (wow / (2 * Math.PI * 3.1)) * Math.cos(2 * Math.PI * 3.1 * t));
      return 0.3 * Math.sin(2 * Math.PI * per * turns) + 0.02 * normal();
    });
    const result = await measured(samples, per, 45);
    expect(result.meanErrorPercent).toBeCloseTo(0.1, 2);
    expect(result.lines[0]?.frequencyHz).toBeCloseTo(3.1, 1);
    expect(result.lines[0]?.peakPercent).toBeCloseTo(0.2, 1);
  });

  it('says when jumps between two samples make wow of their own', async () => {
    const wave = (samplesAPulse: number, shape: (turn: number) => number) =>
      Float64Array.from({ length: 20 * RATE }, (_, n) => shape((n / samplesAPulse) % 1));
    const square = (turn: number) => (turn < 0.4 ? 0.7 : -0.1);
    // A steady drive; what wow is shown is the sampling's: within half a sample either way.
    const coarse = await measured(wave(250.3, square), 60, (60 * RATE) / 250.3 / 60);
    expect(coarse.warnings).toContain('COARSE_EDGES');
    expect(coarse.unweightedPeakPercent ?? 0).toBeLessThan(70 / 250);
    const fine = await measured(wave(2500.3, square), 6, (60 * RATE) / 2500.3 / 6);
    expect(fine.warnings).not.toContain('COARSE_EDGES');
    const sine = await measured(
      wave(250.3, (turn) => Math.sin(2 * Math.PI * turn)),
      60,
      (60 * RATE) / 250.3 / 60,
    );
    expect(sine.warnings).not.toContain('COARSE_EDGES');
    expect(sine.unweightedPeakPercent ?? 1).toBeLessThan(0.01);
  });

  it('finds the wheel’s spacing from a recording within a tenth', async () => {
    const places = [0, 0.05, 0, -0.04];
    const samples = new Float64Array(30 * RATE);
    for (let n = 0; n < 30 * 10; n++) {
      const at = Math.round(((n + 1 + (places[n % 4] as number)) / 10) * RATE);
      samples.fill(0.8, at, at + 800);
    }
    const spacing = (await measured(samples, 4, 150)).spacingErrorsPercent;
    const wanted = places.map((place, i) => 100 * ((places[(i + 1) % 4] as number) - place));
    spacing.forEach((value, i) => expect(Math.abs(value - (wanted[i] as number))).toBeLessThan(0.9));
  });

  it('refuses a count of pulses a turn that no wheel has, before anything is made room for', async () => {
    const bytes = memorySource(writeWav([new Float64Array(RATE)], RATE));
    for (const perTurn of [0, 1.5, 10_001, 1e9])
      await expect(measurePulseWav(bytes, { perTurn, nominalRpm: 45 })).rejects.toThrow(/1 to 10000/);
    await expect(measurePulses('0\n1\n2\n3\n', { perTurn: 1e9, nominalRpm: 45 })).rejects.toThrow(/1 to 10000/);
  });

  it('refuses silence and what is no recording, by name', async () => {
    const wish = { perTurn: 1, nominalRpm: 45 };
    expect(await measurePulseWav(memorySource(writeWav([new Float64Array(RATE)], RATE)), wish)).toMatchObject({
      reason: 'SILENT',
    });
    expect(await measurePulseWav(memorySource(new Uint8Array(99)), wish)).toMatchObject({ reason: 'NOT_WAV' });
  });
});

describe('columns', () => {
  const table = (text: string) => {
    const read = readTable(text);
    if (read.kind !== 'table') throw new Error(read.reason);
    return read;
  };

  it('are guessed with their units, and told apart', () => {
    const scope = `Time (ms);CH1 (V)\n${Array.from({ length: 40 }, (_, i) => `${i / 2};${i % 3}`).join('\n')}`;
    expect(guessPulseColumns(table(scope))).toEqual({ time: 0, volts: null, timeUnitS: 0.001 });
    expect(guessPulseColumns(table('1 0.5\n2 1.1\n3 1.6\n4 2.2'))).toEqual({ time: 1, volts: null, timeUnitS: null });
    expect(guessGyroColumns(table('z,t,y,x\n1,0,2,3\n1,0.1,2,3'))).toMatchObject({
      time: 1,
      axes: [3, 2, 0],
      unit: null,
    });
    expect(guessGyroColumns(table('t,x\n0,1\n1,2'))).toMatchObject({ time: 0, axes: [1] });
    expect(guessGyroColumns(table('t,ax,ay,az\n0,1,2,3\n1,2,3,4'))).toBe('accelerometer');
  });

  it('are taken as corrected', async () => {
    const text = Array.from({ length: 30 }, (_, i) => `${i * 7},${i * 1800}`).join('\n');
    const columns = { time: 1, volts: null, timeUnitS: 0.001 };
    const result = await measurePulses(text, { perTurn: 1, nominalRpm: 100 / 3, columns });
    expect(result.kind === 'measured' ? result.meanRpm : 0).toBeCloseTo(100 / 3, 6);
    const gone = await measurePulses(text, { perTurn: 1, nominalRpm: 45, columns: { ...columns, time: 9 } });
    expect(gone).toMatchObject({ kind: 'unusable', reason: 'NOT_A_TABLE' });
    const log = Array.from({ length: 900 }, (_, i) => `0,0,${i < 200 ? 0 : 3.49066},${i * 10}`).join('\n');
    const gyro = measureGyro(log, {
      nominalRpm: 100 / 3,
      columns: { time: 3, axes: [0, 1, 2], timeUnitS: 0.001, unit: 'rad/s' },
    });
    expect(gyro.kind === 'measured' ? gyro.meanRpm : 0).toBeCloseTo(33.333, 2);
  });
});
