/**
 * Speed arithmetic against published values. Covered: the definitions, the strobe counts, the flutter
 * weighting at its table points, the Cramer-Rao bound's worked number, sine figures. Not covered
 * here: the meter's dynamic response to pulse trains other than the four published ones.
 */
import { describe, expect, it } from 'vitest';
import { parseEntry, typedStrobe } from '../src/bench/index.js';
import { memorySource, writeWav } from '../src/formats/index.js';
import { familyOf } from '../src/families/index.js';
import { measureWav, synthTone, weightingDb } from '../src/speed/index.js';
import { unscaledDetector } from '../src/speed/tone/quasiPeak.js';

const strobe = (line: string, mainsHz: number, nominalRpm: number): number => {
  const entry = parseEntry(line, { speedIds: ['33', '45', '78'] });
  if (entry.kind !== 'strobe') throw new Error(line);
  return typedStrobe(entry, { mainsHz, nominalRpm, clockwise: true })?.errorPercent as number;
};

describe('definitions (exact mathematics)', () => {
  it('3120 Hz on a 3000 Hz tape is +4.00 % and +67.9 cents', () => {
    expect(100 * (3120 / 3000 - 1)).toBeCloseTo(4, 10);
    expect(1200 * Math.log2(3120 / 3000)).toBeCloseTo(67.9, 1);
  });
});

describe('nominal speeds (IEC 60098, IEC 60094; from memory)', () => {
  it('are those of the families', () => {
    const record = familyOf('belt-turntable-dc').speeds.map((speed) => speed.nominalRpm);
    expect(record[0]).toBeCloseTo(16.6667, 4);
    expect(record[1]).toBeCloseTo(33.3333, 4);
    expect(record.slice(2)).toEqual([45, 78.26]);
    expect(familyOf('open-reel').speeds.map((speed) => speed.nominalCmPerS)).toEqual([4.7625, 9.525, 19.05, 38.1]);
    // 1 7/8 and 3 3/4 inches a second.
    const cassette = familyOf('cassette-belt').speeds.map((speed) => speed.nominalCmPerS);
    expect(cassette).toEqual([1.875 * 2.54, 3.75 * 2.54]);
    expect(familyOf('rim-drive').speeds.map((speed) => speed.nominalRpm)).toEqual(
      expect.arrayContaining([expect.closeTo(100 / 3, 9), 45, 78.26]),
    );
  });
});

describe('strobe (bars N = 120 f / n; counts from memory of printed discs)', () => {
  it('24 bars a minute with the rotation in 60 Hz light is +0.333 %, against it −0.333 %', () => {
    expect(strobe('33: 24 bars left near in 60 s', 60, 100 / 3)).toBeCloseTo(0.333, 3);
    expect(strobe('33: 24 bars left far in 60 s', 60, 100 / 3)).toBeCloseTo(-0.333, 3);
  });

  it('the 133-bar ring stands still at 45.113 rpm in 50 Hz light: +0.25 %', () => {
    expect(strobe('45: still', 50, 45)).toBeCloseTo(0.2506, 3);
  });

  it('21 bars a minute in 60 Hz light and 18 in 50 Hz light are the broadcast 0.3 % (NAB, from memory)', () => {
    expect(strobe('33: 21 bars left near in 60 s', 60, 100 / 3)).toBeCloseTo(0.292, 3);
    expect(strobe('33: 18 bars left near in 60 s', 50, 100 / 3)).toBeCloseTo(0.3, 3);
  });
});

/** [Hz, dB]: the weighting of IEC 60386, DIN 45507 and AES6-2008, written out from memory of the standards' table. */
const PUBLISHED_WEIGHTING = [
  [0.1, -48.0],
  [0.2, -30.6],
  [0.315, -19.7],
  [0.4, -15.0],
  [0.63, -8.4],
  [0.8, -6.0],
  [1, -4.2],
  [1.6, -1.8],
  [2, -0.9],
  [4, 0.0],
  [6.3, -0.9],
  [10, -2.1],
  [20, -5.9],
  [40, -10.4],
  [63, -14.2],
  [100, -17.3],
  [200, -23.0],
] as const;

describe('flutter weighting (IEC 60386 / DIN 45507 / AES6-2008, table from memory)', () => {
  it.each(PUBLISHED_WEIGHTING)('at %d Hz is %d dB within 0.01', (hz, db) => {
    expect(weightingDb(hz)).toBeCloseTo(db, 2);
  });

  it('never rises above its maximum at 4 Hz nor turns back', () => {
    for (let hz = 0.1; hz < 200; hz *= 1.03) {
      expect(weightingDb(hz)).toBeLessThanOrEqual(0);
      expect(Math.sign(weightingDb(hz * 1.03) - weightingDb(hz))).toBe(
        hz * 1.03 < 4 ? 1 : hz > 4 ? -1 : Math.sign(weightingDb(hz * 1.03) - weightingDb(hz)),
      );
    }
  });
});

describe('figures of a pure sine of peak a and weight w (exact mathematics)', () => {
  it('are 0.9969 a w, 0.7071 a w and, at 4 Hz, quasi-peak a', async () => {
    const samples = synthTone({
      sampleRate: 16000,
      durationS: 30,
      nominalHz: 3150,
      lines: [{ hz: 4, peakPercent: 0.2 }],
    });
    const tone = await measureWav(memorySource(writeWav([samples], 16000, 'f32')), { nominalHz: 3150 });
    if (tone.kind !== 'measured') throw new Error(tone.kind);
    expect(tone.weighted2SigmaPercent / 0.2).toBeCloseTo(0.9969, 3);
    expect(tone.weightedRmsPercent / 0.2).toBeCloseTo(Math.SQRT1_2, 3);
    expect(tone.weightedQuasiPeakPercent / 0.2).toBeCloseTo(1, 2);
  });
});

describe('quasi-peak dynamics (DIN 45507 / IEC 60386, from memory; weighting not in circuit)', () => {
  const reading = (pulseS: number): { percent: number; lowest: number } => {
    const rate = 4000;
    const meter = unscaledDetector(rate);
    let highest = 0;
    let lowest = Infinity;
    for (let n = 0; n < 12 * rate; n++) {
      const shown = meter.push((n / rate) % 1 < pulseS ? 1 : 0);
      if (n > 10 * rate) [highest, lowest] = [Math.max(highest, shown), Math.min(lowest, shown)];
    }
    return { percent: 100 * highest, lowest: 100 * lowest };
  };

  it.each([
    [0.01, 21, 3],
    [0.03, 62, 6],
    [0.06, 90, 6],
    [0.1, 100, 4],
  ])('a pulse of %d s once a second reads %d percent within %d', (pulse, percent, within) => {
    expect(Math.abs(reading(pulse).percent - percent)).toBeLessThanOrEqual(within);
  });

  it('falls to 36 to 44 % between 100 ms pulses', () => {
    expect(reading(0.1).lowest).toBeGreaterThanOrEqual(36);
    expect(reading(0.1).lowest).toBeLessThanOrEqual(44);
  });
});

describe('Cramer-Rao bound of a real tone (Rife & Boorstyn 1974, Kay 1993; from memory)', () => {
  const bound = (rate: number, seconds: number, snrDb: number): number => {
    const n = rate * seconds;
    const snr = 10 ** (snrDb / 10);
    return Math.sqrt((12 * rate ** 2) / (4 * Math.PI ** 2 * snr * n * (n ** 2 - 1)));
  };

  it('is 0.80 µHz for 48 kHz, 10 s and 40 dB', () => {
    expect(1e6 * bound(48000, 10, 40)).toBeCloseTo(0.8, 1);
  });

  it('is not beaten and is nearly reached by the mean frequency', async () => {
    const trials = 24;
    let square = 0;
    for (let seed = 1; seed <= trials; seed++) {
      const samples = synthTone({
        sampleRate: 16000,
        durationS: 10,
        nominalHz: 3150,
        errorPercent: 0.1 * (seed % 7),
        snrDb: 40,
        seed,
        phaseRad: seed,
      });
      const tone = await measureWav(memorySource(writeWav([samples], 16000, 'f64')), { nominalHz: 3150 });
      if (tone.kind !== 'measured') throw new Error(tone.kind);
      square += (tone.meanHz - 3150 * (1 + (0.1 * (seed % 7)) / 100)) ** 2;
    }
    const ratio = Math.sqrt(square / trials) / bound(16000, 10, 40);
    expect(ratio).toBeGreaterThan(0.6);
    expect(ratio).toBeLessThan(1.5);
  });
});
