/** The phase of a tone as a line: through thinning in pieces, over gaps, on plain loops and compiled ones. */
import { describe, expect, it } from 'vitest';
import { withoutKernel } from '../../numeric/index.js';
import type { Baseband } from './baseband.js';
import { phaseTrack } from './phase.js';
import { wrap, type ToneStretch } from './presence.js';

const TAU = 2 * Math.PI;
const RATE = 2000;
/** A tone `hz` off the centre; its phase is anybody's where it is away. */
function toned(seconds: number, hz: number, away: (t: number) => boolean = () => false, lost = 0) {
  const count = Math.round(seconds * RATE);
  const [amplitude, phase] = [new Float32Array(count).fill(0.5), new Float64Array(count)];
  const usable = new Uint8Array(count).fill(1);
  let gone = 0;
  for (let i = 0; i < count; i++) {
    if (away(i / RATE)) [usable[i], gone] = [0, lost];
    phase[i] = away(i / RATE) ? wrap(17.3 * i) : wrap((TAU * hz * i) / RATE - gone);
  }
  const band: Baseband = { rate: RATE, centreHz: 3150, halfBandHz: 450, amplitude, phase };
  const stretch: ToneStretch = { start: 0, end: count, usable, dropouts: 0 };
  return phaseTrack(band, stretch);
}
/** Largest departure from the line of that many hertz, radians, over what is usable. */
function strays({ phase, usable, rate }: ReturnType<typeof toned>, hz: number): number {
  let most = 0;
  phase.forEach((value, n) => {
    if (usable[n]) most = Math.max(most, Math.abs(value - (phase[0] as number) - (TAU * hz * n) / rate));
  });
  return most;
}

describe('a steady tone', () => {
  it('is a line, five hundred times a second, from its first whole window of the filter on', () => {
    const track = toned(4, 3);
    expect(track.rate).toBe(500);
    expect(track.centreHz).toBe(3150);
    expect(track.usable.includes(0)).toBe(false);
    expect(strays(track, 3)).toBeLessThan(1e-4);
    // The first value is the phase at its time.
    expect(wrap((track.phase[0] as number) - TAU * 3 * track.startS)).toBeCloseTo(0, 4);
    // As much is lost at the end as at the start.
    const lost = 4 - (track.phase.length - 1) / 500 - track.startS;
    expect(Math.abs(lost - track.startS)).toBeLessThan(1 / 500 + 1e-9);
  });

  it('stays a line over the edges of its pieces, and below the centre', () => {
    // 40 s are 20,000 values: two pieces; 80,000 samples: two of the loops.
    expect(strays(toned(40, 7), 7)).toBeLessThan(1e-3);
    expect(strays(toned(40, -7), -7)).toBeLessThan(1e-3);
  });

  it('is the same on plain loops', async () => {
    const plain = await withoutKernel(() => Promise.resolve(toned(40, 7)));
    const compiled = toned(40, 7);
    expect(plain.phase.length).toBe(compiled.phase.length);
    plain.phase.forEach((value, n) => expect(Math.abs(value - (compiled.phase[n] as number))).toBeLessThan(1e-6));
  });
});

describe('a gap', () => {
  const away = (t: number) => t > 3 && t < 3.3;

  it('is marked, and bridged at the speed on either side of it', () => {
    const track = toned(8, 3, away);
    const gone = track.usable.filter((one) => one === 0).length;
    expect(Math.abs(gone - 150)).toBeLessThanOrEqual(2);
    const first = track.usable.indexOf(0);
    expect(Math.abs(track.startS + first / 500 - 3)).toBeLessThan(0.005);
    // Near its edges the filter looks into it: a straight line there too.
    expect(strays(track, 3)).toBeLessThan(0.05);
  });

  it('at which the tone jumped is joined to the nearest turn: 0.4 of one stays, 0.6 goes round', () => {
    const offAfter = (turns: number) => {
      const track = toned(8, 3, away, TAU * turns);
      const last = track.phase.length - 1;
      return ((track.phase[last] as number) - (track.phase[0] as number) - (TAU * 3 * last) / 500) / TAU;
    };
    expect(offAfter(0.4)).toBeCloseTo(-0.4, 2);
    expect(offAfter(0.6)).toBeCloseTo(0.4, 2);
  });

  it('two are bridged each, one at the very end is left flat', () => {
    expect(
      strays(
        toned(8, 3, (t) => (t > 2 && t < 2.2) || (t > 5 && t < 5.2)),
        3,
      ),
    ).toBeLessThan(0.05);
    const open = toned(4, 3, (t) => t > 3.7);
    expect(open.usable.at(-1)).toBe(0);
    expect(strays(open, 3)).toBeLessThan(0.05);
  });
});
