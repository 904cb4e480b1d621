/** The ring of a tone's last phase: slopes, means from end to end, swings, holes, each of a tone that was put in. */
import { describe, expect, it } from 'vitest';
import { gaussian, seeded } from '../../numeric/index.js';
import { phaseHistory } from './history.js';

const RATE = 1000;
const TAU = 2 * Math.PI;

/** Feeds `seconds` of a tone whose hertz and amplitude (full scale = 1) may change. */
function fed(
  seconds: number,
  of: (t: number) => { readonly hz?: number; readonly level?: number; readonly noise?: number },
  capacity = 60 * RATE,
) {
  const history = phaseHistory(RATE, 450, capacity);
  const noise = gaussian(seeded(3));
  let phase = 0;
  const count = Math.round(seconds * RATE);
  const [re, im] = [new Float64Array(count), new Float64Array(count)];
  for (let n = 0; n < count; n++) {
    const { hz = 5, level = 0.5, noise: hiss = 0 } = of(n / RATE);
    phase += (TAU * hz) / RATE;
    // The baseband holds half of a real tone's amplitude.
    re[n] = (level / 2) * Math.cos(phase) + hiss * noise();
    im[n] = (level / 2) * Math.sin(phase) + hiss * noise();
  }
  // In blocks of 100, as they come.
  for (let at = 0; at < count; at += 100)
    history.push(re.subarray(at, at + 100), im.subarray(at, at + 100), Math.min(100, count - at));
  return history;
}

describe('a steady tone', () => {
  const history = fed(3, () => ({}));

  it('is heard for as long as it came, less two tenths of a second', () => {
    expect(history.heardS()).toBeCloseTo(2.8, 9);
    expect(fed(0.1, () => ({})).heardS()).toBe(0);
    // No more than the ring holds.
    expect(fed(3, () => ({}), 500).heardS()).toBeCloseTo(0.5, 9);
  });

  it('has its level, its hertz, and nothing left of the line', () => {
    expect(history.usualLevel()).toBeCloseTo(0.5, 6);
    expect(history.lately()).toBeCloseTo(0.5, 3);
    const slope = history.slope(1);
    expect(slope?.hz).toBeCloseTo(5, 6);
    expect(slope?.level).toBeCloseTo(0.5, 6);
    expect(slope?.residualRad).toBeLessThan(1e-5);
    expect(history.endToEnd(1)).toBeCloseTo(5, 6);
    expect(history.swing(2, 0.1)).toBeCloseTo(0, 6);
    expect(history.snrDb()).toBeGreaterThan(100);
  });

  it('below the centre has hertz below nought', () => {
    const low = fed(3, () => ({ hz: -7.5 }));
    expect(low.slope(1)?.hz).toBeCloseTo(-7.5, 6);
    expect(low.endToEnd(1)).toBeCloseTo(-7.5, 6);
  });

  it('is asked of no more than twice what there is, and of nothing at the start', () => {
    // 0.8 s may be used.
    const short = fed(1, () => ({}));
    expect(short.slope(1.5)?.hz).toBeCloseTo(5, 6);
    expect(short.slope(1.7)).toBeNull();
    // From end to end all of it must be there, and the ends.
    expect(short.endToEnd(0.6)).toBeCloseTo(5, 6);
    // The ends are a tenth of a second each: 0.705 and a tenth are more than 0.8.
    expect(short.endToEnd(0.705)).toBeNull();
    expect(short.endToEnd(0.69)).not.toBeNull();
    expect(fed(0.205, () => ({})).slope(0.005)).toBeNull();
  });

  it('comes out as it was heard, the newest last', () => {
    const { amplitude, phase, centreHz, rate } = history.band(3150, 1);
    expect([centreHz, rate, amplitude.length, phase.length]).toEqual([3150, RATE, 1000, 1000]);
    expect(amplitude[0]).toBeCloseTo(0.5, 6);
    // 3 s of 5 Hz end on whole turns; each sample is 0.0314 radians.
    expect(phase.at(-1)).toBeCloseTo(0, 6);
    expect((phase[500] as number) - (phase[499] as number)).toBeCloseTo((TAU * 5) / RATE, 6);
    expect(history.band(3150, 100).phase).toHaveLength(2800);
  });
});

describe('a tone that changes', () => {
  it('wow falls out of a mean over its whole turns; half of its swing is told', () => {
    // 1.8 s a turn, ±2 Hz about 5.
    const wow = fed(6, (t) => ({ hz: 5 + 2 * Math.sin((TAU * t) / 1.8) }));
    expect(wow.endToEnd(1.8)).toBeCloseTo(5, 2);
    expect(wow.swing(3.6, 0.1)).toBeCloseTo(2, 1);
    // Over a part of a turn alone it is not all seen.
    expect(wow.swing(0.4, 0.1)).toBeLessThan(1.5);
  });

  it('a straight line leaves what the wow strays from it', () => {
    const wow = fed(6, (t) => ({ hz: 5 + 2 * Math.cos((TAU * t) / 0.5) }));
    // ±2 Hz at 2 Hz is ±1 radian: 0.707 rms about a line over many turns.
    expect(wow.slope(4)?.residualRad).toBeCloseTo(Math.SQRT1_2, 1);
  });

  it('a step is followed by a slope over what came after it', () => {
    const step = fed(4, (t) => ({ hz: t < 3 ? 5 : 8 }));
    expect(step.slope(0.9)?.hz).toBeCloseTo(8, 4);
    expect(step.swing(2, 0.1)).toBeCloseTo(1.5, 2);
  });

  it('noise lowers the ratio: a hundredth of the level on either side is 40 dB', () => {
    // The amplitude strays by the part of the noise along it: 2 · 0.0025 of 0.5.
    const noisy = fed(6, () => ({ noise: 0.0025 }));
    expect(noisy.snrDb()).toBeGreaterThan(38.5);
    expect(noisy.snrDb()).toBeLessThan(41.5);
  });
});

describe('a hole in the tone', () => {
  const hole = (from: number, to: number) => fed(3, (t) => (t >= from && t < to ? { level: 0 } : {}));

  it('is carried over at the speed before it: the mean stays', () => {
    const over = hole(1.5, 1.55);
    expect(over.endToEnd(2)).toBeCloseTo(5, 3);
    // Off by at most half a turn of the tone in two seconds.
    const long = hole(1.2, 1.6);
    expect(Math.abs((long.endToEnd(2) ?? 0) - 5)).toBeLessThanOrEqual(0.25 + 1e-6);
  });

  it('leaves its level behind: lately it was as loud, a moment later it is forgotten', () => {
    // Nine tenths of a second without it: e^(−0.9/2) of the level.
    expect(hole(2.1, 3).lately()).toBeCloseTo(0.5 * Math.exp(-0.9 / 2), 2);
    // It rises within hundredths.
    expect(hole(1.5, 2.9).lately()).toBeCloseTo(0.5, 1);
  });
});
