/**
 * Ways without a test tone against published values. Covered: the strobe's standing rings under the
 * wrong light and the broadcast tolerance in bars a minute (IEC 60098 and the NAB disc standard, from
 * memory), mains limits (EN 50160, from memory), lines a turn of commutators and fans (common practice,
 * no source), the gyroscope's rates (definition). Not covered: how loud real harmonics are.
 */
import { describe, expect, it } from 'vitest';
import { memorySource, writeWav } from '../src/formats/index.js';
import {
  driftRpm,
  linesPerTurn,
  listenWav,
  otherStandstills,
  readStrobe,
  ringBars,
  standstillRpm,
  synthMotor,
  type StrobeLook,
} from '../src/speed/index.js';

describe('rings (bars N = 60 F / n)', () => {
  it.each([
    [60, 100 / 3, 216],
    [60, 45, 160],
    [60, 78.26, 92],
    [50, 100 / 3, 180],
    [50, 45, 133],
    [50, 77.92, 77],
    [60, 50 / 3, 432],
    [50, 50 / 3, 360],
  ])('%s Hz, %s rpm: %s bars', (mains, rpm, bars) => {
    expect(ringBars(2 * mains, rpm)).toBe(bars);
  });

  it('the wrong ring gives a clean but wrong stand-still', () => {
    expect(standstillRpm(216, 100)).toBeCloseTo(27.78, 2);
    expect(standstillRpm(180, 120)).toBeCloseTo(40, 9);
    expect(standstillRpm(133, 100)).toBeCloseTo(45.113, 3);
    expect(standstillRpm(77, 100)).toBeCloseTo(77.92, 2);
    expect(otherStandstills(180, 100)).toEqual({
      double: 2 * standstillRpm(180, 100),
      half: standstillRpm(180, 100) / 2,
    });
  });

  it.each([
    [120, 21, 216],
    [120, 21, 160],
    [100, 18, 180],
    [100, 18, 133],
  ])('broadcast ±0.3 %% is a count a minute whatever the ring: %s flashes, %s bars', (flashHz, perMin, bars) => {
    const change = 100 * (driftRpm(bars, flashHz, perMin) / standstillRpm(bars, flashHz) - 1);
    expect(change).toBeCloseTo(0.3, 1);
  });

  it('24 bars a minute going left at the far edge of a clockwise platter: −0.333 %', () => {
    const look: StrobeLook = {
      nominalRpm: 100 / 3,
      mainsHz: 60,
      measuredMainsHz: null,
      lamp: 'mains',
      ringBars: 216,
      direction: 'left',
      edge: 'far',
      bars: 24,
      overS: 60,
      clockwise: true,
      camera: 'none',
    };
    const reading = readStrobe(look);
    expect(reading.kind === 'measured' ? reading.errorPercent : 0).toBeCloseTo(-0.333, 3);
    const near = readStrobe({ ...look, edge: 'near' });
    expect(near.kind === 'measured' ? near.rpm : 0).toBeCloseTo(33.444, 3);
    // Mains within 1 % for 99.5 % of a year on interconnected grids: u = 1 / √3 %.
    expect(near.kind === 'measured' ? near.uncertainty[0]?.standardPercent : 0).toBeCloseTo(0.577, 3);
  });
});

describe('lines a turn (common practice)', () => {
  it('a three-segment motor gives six a turn: 240 Hz at 2400 rpm', async () => {
    expect((linesPerTurn('bars', 3) * 2400) / 60).toBe(240);
    const rate = 16000;
    const samples = synthMotor({
      sampleRate: rate,
      durationS: 5,
      rpmAt: () => 2400,
      linesPerTurn: 6,
      harmonics: [0.2, 0.1, 0.05],
      noise: 0.02,
    });
    const result = await listenWav(memorySource(writeWav([samples], rate)), {
      lines: 'bars',
      count: 3,
      minRpm: 200,
      maxRpm: 20000,
      nominalRpm: null,
      reversing: false,
    });
    expect(result.kind === 'measured' ? result.meanRpm : 0).toBeCloseTo(2400, 0);
  });

  it('an even commutator gives one line a bar, a fan one a blade, a brushless motor its pole pairs', () => {
    expect(linesPerTurn('bars', 22)).toBe(22);
    expect(linesPerTurn('blades', 9)).toBe(9);
    expect(linesPerTurn('pole pairs', 7)).toBe(7);
  });
});
