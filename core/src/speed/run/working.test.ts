/** The sums that open behind a figure, written out by hand for each way of measuring. */
import { describe, expect, it } from 'vitest';
import type { SpeedDetail, SpeedRun } from './result.js';
import { workingsOf } from './working.js';

const run = (detail: SpeedDetail, more: Partial<SpeedRun> = {}): SpeedRun => ({
  unit: 'rpm',
  nominal: 100 / 3,
  mean: 33.5,
  errorPercent: 0.5,
  expandedPercent: 0.05,
  uncertainty: [
    { name: 'clock', standardPercent: 0.015, why: 'time base' },
    { name: 'noise', standardPercent: 0.02, why: 'jitter' },
  ],
  driftPercent: null,
  flutter: null,
  lines: [],
  warnings: [],
  detail,
  series: null,
  spectrum: null,
  ...more,
});
const told = (one: SpeedRun, id: string) => {
  const row = workingsOf(one).find((found) => found.id === id);
  return row ? [row.value.replace(/\s/gu, ' '), ...row.steps.map((step) => step.replace(/\s+/gu, ' '))] : [];
};
const stopwatch: SpeedDetail = { way: 'stopwatch', taps: 34, turns: 33, reactionS: 0.05 };

describe('the working of a mean', () => {
  it('by gyroscope: 201 degrees a second are 33.5 turns a minute', () => {
    expect(told(run({ way: 'gyro', biasDps: 0.1234, unit: 'deg/s' }), 'mean')).toEqual([
      '33.500 rpm',
      'bias vector of 0.123 deg/s taken off before the magnitude',
      'rpm = deg/s / 6: 201.000 / 6 = 33.5000',
    ]);
  });

  it('of a tone: how far it stands over the rest, what was left out, whether it was clipped', () => {
    const tone = { way: 'tone', live: false, startS: 1.02, endS: 31, snrDb: 47.6, dropouts: 2, channel: 1 } as const;
    const row = (clipped: boolean) => told(run({ ...tone, clipped }), 'snr');
    expect([row(true)[0], row(true).at(-1)]).toEqual(['48 dB', '2 dropouts left out; clipped; channel 2']);
    expect(row(false).at(-1)).toBe('2 dropouts left out; not clipped; channel 2');
  });

  it('by strobe: 100 flashes on 180 bars, and 30 bars a minute of drift, either way', () => {
    const strobe = (driftBarsPerMin: number): SpeedDetail => ({
      way: 'strobe',
      ringBars: 180,
      flashHz: 100,
      driftBarsPerMin,
    });
    // (6000 + 30) / 180 = 33.5; (6000 − 30) / 180 = 33.1667.
    expect(told(run(strobe(30)), 'mean')[1]).toBe('rpm = (60 F + D) / N = (60 · 100.00 + 30.0) / 180 = 33.500');
    expect(told(run(strobe(-30), { mean: 5970 / 180 }), 'mean')[1]).toBe(
      'rpm = (60 F + D) / N = (60 · 100.00 − 30.0) / 180 = 33.167',
    );
  });

  it('by sound: nine blades at 2700 Hz are 18,000 turns a minute, shown whole', () => {
    const sound: SpeedDetail = {
      way: 'sound',
      lines: 'blades',
      linesPerTurn: 9,
      candidates: [{ rpm: 18_000, share: 0.83, why: 'strongest' } as never],
      stretches: [],
    };
    expect(told(run(sound, { mean: 18_000, nominal: null, errorPercent: null }), 'mean')).toEqual([
      expect.stringMatching(/^18.?000 rpm$/),
      'lines a turn (blades): 2700.0 Hz'.replace(/^/, '9 '),
      expect.stringMatching(/^rpm = 60 · Hz \/ 9 = 18.?000\.0$/),
      expect.stringMatching(/^18.?000 rpm: 83 % \(strongest\)$/),
    ]);
  });

  it('by pulses and by taps; a thousand turns and more stand without decimals, hertz with three', () => {
    const pulses: SpeedDetail = {
      way: 'pulses',
      from: 'times',
      perTurn: 4,
      missing: 2,
      doubled: 1,
      damagedSegmentsPerTurn: 3,
      spacingErrorsPercent: [0.5, -1.25, 0.75, 0],
    };
    expect(told(run(pulses), 'mean')).toEqual([
      '33.500 rpm',
      '4 a turn; 2 missing filled in, 1 doubled left out',
      'rpm = 60 · pulses a second / 4 = 33.5000',
    ]);
    expect(told(run(pulses), 'spacing')).toEqual([
      '1.25 %',
      'from pulse to pulse: +0.50, −1.25, +0.75, 0.00 %',
      '3 damaged segments a turn',
      'error of the wheel plus any real variation locked to its shaft: one sensor cannot split them',
    ]);
    expect(told(run({ ...pulses, perTurn: 1 }), 'spacing')).toEqual([]);
    expect(told(run(stopwatch), 'mean')[1]).toBe('34 taps over 33 turns: 33.500 rpm');
    expect(told(run(stopwatch, { mean: 999.4 }), 'mean')[0]).toBe('999.400 rpm');
    expect(told(run(stopwatch, { mean: 1000.4 }), 'mean')[0]).toMatch(/^1.?000 rpm$/);
    expect(told(run(stopwatch, { mean: 3150.4, unit: 'Hz' }), 'mean')[0]).toMatch(/^3.?150\.400 Hz$/);
  });
});

describe('the other figures', () => {
  it('error against the nominal, in percent and in cents: half a percent is 8.6 cents', () => {
    expect(told(run(stopwatch), 'error')).toEqual([
      '+0.500 %',
      '(33.500 / 33.333 rpm − 1) · 100 % = +0.5000 %',
      'in cents: 1200 · log2(mean / nominal) = +8.6',
    ]);
  });

  it('uncertainty: 0.015 and 0.02 make 0.025, twice that is told', () => {
    expect(told(run(stopwatch), 'uncertainty')).toEqual([
      '± 0.0500 %',
      'clock: u = 0.0150 %, time base',
      'noise: u = 0.0200 %, jitter',
      'U = 2 · √(0.0150² + 0.0200²) = 0.0500 %',
    ]);
  });

  it('drift stands where it was seen, with how', () => {
    expect(told(run(stopwatch), 'drift')).toEqual([]);
    expect(told(run(stopwatch, { driftPercent: -0.25 }), 'drift')[0]).toBe('−0.250 %');
    const sound: SpeedDetail = { way: 'sound', lines: 'blades', linesPerTurn: 9, candidates: [], stretches: [] };
    expect(told(run(sound, { driftPercent: 0.25 }), 'drift')[1]).toContain('last tenth of the frames');
  });
});
