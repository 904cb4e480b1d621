import { describe, expect, it } from 'vitest';
import { memorySource, writeWav, type SampleCoding } from '../../formats/index.js';
import { basebandMaker } from './baseband.js';
import { measureWav } from './measure.js';
import { phaseTrack } from './phase.js';
import { findStretches, wrap } from './presence.js';
import { quasiPeakDetector } from './quasiPeak.js';
import { otherSpeed } from './speedByTone.js';
import { synthTone, type SynthTone } from './synth.js';
import { fitTrend, meanHz, waveSums } from './trend.js';
import { notExceeded } from './sizes.js';
import { weight, weightingDb } from './weighting.js';

const measured = async (wish: SynthTone, coding: SampleCoding = 's16', copies = 1) => {
  const samples = synthTone(wish);
  const silent = new Float64Array(samples.length);
  const channels = [...Array.from({ length: copies - 1 }, () => silent), samples];
  const result = await measureWav(memorySource(writeWav(channels, wish.sampleRate, coding)), {
    nominalHz: wish.nominalHz,
  });
  if (result.kind !== 'measured') throw new Error(result.kind);
  return result;
};

describe('every usual form of recording', () => {
  it.each([8000, 11025, 16000, 22050, 44100, 48000, 96000, 192000])('%d samples a second', async (sampleRate) => {
    const tone = await measured({ sampleRate, durationS: 6, nominalHz: 3000, errorPercent: 0.9, snrDb: 50 });
    expect(Math.abs(tone.meanErrorPercent - 0.9)).toBeLessThan(2e-4);
  });

  it.each(['u8', 's16', 's24', 's32', 'f32', 'f64'] as const)('%s', async (coding) => {
    const tone = await measured(
      { sampleRate: 16000, durationS: 6, nominalHz: 3150, errorPercent: -1.1, amplitude: 0.7 },
      coding,
    );
    expect(Math.abs(tone.meanErrorPercent + 1.1)).toBeLessThan(2e-4);
  });

  it.each([1, 2, 4, 8])('on the last of %d channels', async (copies) => {
    const tone = await measured(
      { sampleRate: 16000, durationS: 4, nominalHz: 3150, errorPercent: 0.3, snrDb: 45 },
      's16',
      copies,
    );
    expect(tone.tone.channel).toBe(copies - 1);
    expect(Math.abs(tone.meanErrorPercent - 0.3)).toBeLessThan(5e-4);
  });

  it.each([300, 1000, 3000, 3150, 6300])('a tone of %d Hz', async (nominalHz) => {
    const tone = await measured({
      sampleRate: 44100,
      durationS: 8,
      nominalHz,
      errorPercent: 2.2,
      snrDb: 50,
      lines: [{ hz: 4, peakPercent: 0.2 }],
    });
    expect(Math.abs(tone.meanErrorPercent - 2.2)).toBeLessThan(1e-3);
    expect(tone.lines[0]?.frequencyHz).toBeCloseTo(4, 2);
    expect(Math.abs((tone.lines[0]?.peakPercent as number) - 0.2)).toBeLessThan(0.01);
  });

  it.each([-40, -20, 20, 40])('%d %% off nominal', async (errorPercent) => {
    const tone = await measured({ sampleRate: 22050, durationS: 6, nominalHz: 3150, errorPercent, snrDb: 50 });
    expect(Math.abs(tone.meanErrorPercent - errorPercent)).toBeLessThan(1e-3);
  });
});

describe('the way through the meter', () => {
  const rate = 16000;
  const samples = synthTone({ sampleRate: rate, durationS: 4, nominalHz: 3000, amplitude: 0.4 });
  const maker = basebandMaker(rate, 3001, samples.length);
  for (let at = 0; at < samples.length; at += 1000) maker.push(samples.subarray(at, at + 1000));
  const band = maker.finish();

  it('baseband keeps the amplitude and turns by the difference of frequency', () => {
    const middle = Math.floor(band.phase.length / 2);
    expect(band.amplitude[middle]).toBeCloseTo(0.4, 3);
    const step = wrap((band.phase[middle + 1] as number) - (band.phase[middle] as number));
    expect((step * band.rate) / (2 * Math.PI)).toBeCloseTo(-1, 3);
  });

  it('baseband does not depend on how the samples come in', () => {
    const whole = basebandMaker(rate, 3001, samples.length);
    whole.push(samples);
    const other = whole.finish();
    expect(other.phase.length).toBe(band.phase.length);
    other.phase.forEach((phase, i) => expect(Math.abs(wrap(phase - (band.phase[i] as number)))).toBeLessThan(1e-9));
  });

  it('the stretch is the whole tone, its phase a straight line of the right slope', () => {
    const [stretch] = findStretches(band, 0.4);
    if (!stretch) throw new Error('no stretch');
    expect((stretch.end - stretch.start) / band.rate).toBeGreaterThan(3.9);
    const track = phaseTrack(band, stretch);
    const fit = fitTrend(track, 1, []);
    expect(meanHz(track, fit.curve)).toBeCloseTo(3000, 6);
    expect(Math.max(...fit.residual.map(Math.abs))).toBeLessThan(1e-3);
  });

  it('no stretch is found where nothing is near the amplitude looked for', () => {
    expect(findStretches(band, 50)).toEqual([]);
  });
});

describe('figures', () => {
  it('the value not exceeded 95 % of the time, by count', () => {
    const evenly = new Uint32Array(65536).fill(2);
    expect(notExceeded(evenly, 2 * 65536, 0.95, 10)).toBeCloseTo(9.5, 3);
    const allNought = new Uint32Array(65536);
    allNought[0] = 10;
    expect(notExceeded(allNought, 10, 0.95, 1)).toBeLessThan(2e-5);
    // All in the top quarter of the bound, evenly: the median is seven eighths of it; below it lies nothing.
    const high = new Uint32Array(65536).fill(4, 49152);
    expect(notExceeded(high, 4 * 16384, 0.5, 8)).toBeCloseTo(7, 3);
    expect(notExceeded(high, 4 * 16384, 0, 8)).toBe(0);
    expect(notExceeded(high, 4 * 16384, 1, 8)).toBeCloseTo(8, 3);
  });

  it('the weight is 1 at 4 Hz, 0 at nought and falls to either side', () => {
    expect(weight(4)).toBeCloseTo(1, 9);
    // Between the table's points, by the cubic through them with harmonic means of the secants (reckoned apart).
    for (const [hz, db] of [
      [0.15, -37.7659],
      [0.25, -25.0819],
      [0.5, -11.4838],
      [1.3, -2.7627],
      [3, -0.1992],
      [5, -0.3128],
      [8, -1.4457],
      [30, -8.4135],
      [80, -15.8033],
      [150, -20.5761],
    ] as const)
      expect(weightingDb(hz), String(hz)).toBeCloseTo(db, 3);
    expect(weight(0)).toBe(0);
    expect(weight(0.5556)).toBeLessThan(weight(1));
    expect(weight(50)).toBeLessThan(weight(20));
    expect(weightingDb(400)).toBeLessThan(-23);
    expect(weightingDb(0.05)).toBeLessThan(-48);
  });

  it('the quasi-peak reads a sine of 4 Hz as it is, whatever the rate, and a slow one lower', () => {
    for (const rate of [4000, 6000]) {
      const reads = (hz: number) => {
        const meter = quasiPeakDetector(rate);
        for (let n = 0; n < 8 * rate; n++) meter.push(0.3 * Math.sin((2 * Math.PI * hz * n) / rate));
        return meter.largest;
      };
      expect(reads(4)).toBeCloseTo(0.3, 2);
      expect(reads(20)).toBeLessThan(reads(4));
    }
  });

  it.each([
    [3150, 35, 'OTHER_SPEED_SELECTED'],
    [3150, -25.9, 'OTHER_SPEED_SELECTED'],
    [3150, -4.76, 'MAYBE_3000_HZ_TAPE'],
    [3000, -4.76, null],
    [3150, 1.2, null],
    [3150, 100, 'OTHER_SPEED_SELECTED'],
  ] as const)('%d Hz and %d %% off says %s', (nominal, error, expected) => {
    expect(otherSpeed(nominal, error)).toBe(expected);
  });
});

describe('laws', () => {
  const base: SynthTone = {
    sampleRate: 16000,
    durationS: 12,
    nominalHz: 3150,
    errorPercent: 0.6,
    snrDb: 60,
    lines: [
      { hz: 0.75, peakPercent: 0.15 },
      { hz: 7.3, peakPercent: 0.04 },
    ],
  };

  it('played backwards it has the same mean and lines, and the opposite drift', async () => {
    const forward = synthTone({ ...base, rampPercent: 0.8 });
    const results = [];
    for (const samples of [forward, forward.slice().reverse()]) {
      const result = await measureWav(memorySource(writeWav([samples], 16000, 'f32')), { nominalHz: 3150 });
      if (result.kind !== 'measured') throw new Error(result.kind);
      results.push(result);
    }
    const [there, back] = results as [(typeof results)[0], (typeof results)[0]];
    expect(Math.abs(there.meanErrorPercent - back.meanErrorPercent)).toBeLessThan(1e-4);
    expect(Math.abs(there.driftPercent + back.driftPercent)).toBeLessThan(5e-3);
    expect(there.lines[0]?.peakPercent).toBeCloseTo(back.lines[0]?.peakPercent as number, 3);
  });

  it('louder or softer it reads the same', async () => {
    const loud = await measured({ ...base, amplitude: 0.9 });
    const soft = await measured({ ...base, amplitude: 0.09 });
    expect(Math.abs(loud.meanErrorPercent - soft.meanErrorPercent)).toBeLessThan(1e-4);
    expect(loud.weighted2SigmaPercent).toBeCloseTo(soft.weighted2SigmaPercent, 2);
  });

  it('with silence before it the figures stay and the start moves', async () => {
    const [early, late] = [await measured(base), await measured({ ...base, leadInS: 2 })];
    expect(late.tone.startS - early.tone.startS).toBeCloseTo(2, 1);
    expect(Math.abs(early.meanErrorPercent - late.meanErrorPercent)).toBeLessThan(1e-4);
  });

  it('series and spectrum hold no number that is none, and the series averages to the mean', async () => {
    const tone = await measured(base);
    for (const row of [
      tone.series.errorPercent,
      tone.series.halfWidthPercent,
      tone.spectrum.frequencyHz,
      tone.spectrum.peakPercent,
    ]) {
      expect(row.every(Number.isFinite)).toBe(true);
    }
    const average = tone.series.errorPercent.reduce((sum, value) => sum + value, 0) / tone.series.errorPercent.length;
    expect(average).toBeCloseTo(tone.meanErrorPercent, 1);
  });
});

describe('the joint fit', () => {
  it('closed sums of waves are those added up one by one', () => {
    for (const [w, count] of [
      [0.3, 1000],
      [1e-7, 5000],
      [0, 77],
      [6.2, 4321],
      [-0.02, 999],
    ] as const) {
      let cos = 0;
      let sin = 0;
      for (let n = 0; n < count; n++) {
        cos += Math.cos(w * n);
        sin += Math.sin(w * n);
      }
      expect(waveSums(w, count).cos).toBeCloseTo(cos, 6);
      expect(waveSums(w, count).sin).toBeCloseTo(sin, 6);
    }
  });

  it('gives the same lines and curve whether or not a sample is missing', () => {
    const rate = 500;
    const phase = Float64Array.from({ length: 6000 }, (_, n) => {
      const t = n / rate;
      return 0.4 * t - 0.03 * t * t + 0.7 * Math.cos(2 * Math.PI * 0.6 * t) + 0.2 * Math.sin(2 * Math.PI * 7.3 * t);
    });
    const track = (usable: Uint8Array) => ({ rate, startS: 0, centreHz: 3150, phase, usable });
    const whole = fitTrend(track(new Uint8Array(6000).fill(1)), 2, [0.6, 7.3]);
    const gap = new Uint8Array(6000).fill(1);
    gap[3000] = 0;
    const lacking = fitTrend(track(gap), 2, [0.6, 7.3]);
    whole.lines.forEach((line, i) => {
      expect(line.cos).toBeCloseTo(i === 0 ? 0.7 : 0, 9);
      expect(line.sin).toBeCloseTo(i === 0 ? 0 : 0.2, 9);
      expect(lacking.lines[i]?.cos).toBeCloseTo(line.cos, 9);
    });
    expect(lacking.curve[2]).toBeCloseTo(whole.curve[2] as number, 8);
    expect(whole.meanHzUnitVariance / lacking.meanHzUnitVariance).toBeCloseTo(1, 3);
  });
});
