/** What a strobe count is known to, by hand, and where the limits of discs and counts lie. */
import { describe, expect, it } from 'vitest';
import { discProblems, discRings, innerRadius, ringRadii, type DiscWish } from './disc.js';
import { DISC, LOOK, read } from './look.test-data.js';
import { driftSense, readStrobe, type StrobeLook } from './reading.js';
import { otherStandstills, PRINTED_RINGS, printedRing } from './ring.js';

/** Limits of its parts, percent: a rectangle's standard uncertainty times root three. */
const limits = (more: Partial<StrobeLook>) =>
  read(more).uncertainty.map(({ name, standardPercent }) => [
    name,
    Number((standardPercent * Math.sqrt(3)).toFixed(5)),
  ]);

describe('a count of bars', () => {
  it('18 in a minute of 6000 flashes are 0.3 %; half of one is 0.0083 %; the mains are within 1 %', () => {
    expect(read({}).errorPercent).toBeCloseTo(0.3, 9);
    expect(read({}).rpm).toBeCloseTo((100 / 3) * 1.003, 9);
    expect(limits({})).toEqual([
      ['reference', 1],
      ['counting', 0.00833],
    ]);
    // Twice as long, half as much; behind one diode half of the flashes, twice as much.
    expect(limits({ overS: 120 })[1]).toEqual(['counting', 0.00417]);
    expect(limits({ lamp: 'half-wave', ringBars: 90 })[1]).toEqual(['counting', 0.01667]);
    expect(read({ lamp: 'half-wave', ringBars: 90, bars: 9 }).errorPercent).toBeCloseTo(0.3, 9);
  });
  it('measured mains are known to a hundredth of a hertz, a crystal to a hundredth of a percent', () => {
    expect(limits({ measuredMainsHz: 50 })[0]).toEqual(['reference', 0.02]);
    expect(limits({ lamp: 'crystal' })[0]).toEqual(['reference', 0.01]);
    expect(limits({ lamp: 'own-crystal', measuredMainsHz: 50 })[0]).toEqual(['reference', 0.01]);
    expect(read({ lamp: 'crystal' }).warnings).not.toContain('MAINS_NOT_MEASURED');
  });
  it('that seems to stand still was watched for half a minute, whatever is typed', () => {
    expect(limits({ direction: 'still', overS: 5 })[1]).toEqual(['counting', 0.01667]);
    expect(read({ direction: 'still' })).toMatchObject({
      driftBarsPerMin: 0,
      errorPercent: expect.closeTo(0, 9) as unknown,
    });
    expect(driftSense({ ...LOOK, direction: 'still' })).toBe(0);
  });
  it('cannot be counted beyond three a second, and no count is none', () => {
    const fast = (bars: number) => read({ bars, overS: 60 }).warnings.includes('TOO_FAST_TO_COUNT');
    expect([fast(180), fast(181)]).toEqual([false, true]);
    expect(readStrobe({ ...LOOK, overS: 0 })).toEqual({ kind: 'unusable', reason: 'NOTHING_COUNTED' });
    expect(readStrobe({ ...LOOK, bars: -1 })).toEqual({ kind: 'unusable', reason: 'NOTHING_COUNTED' });
    expect(readStrobe({ ...LOOK, bars: 0 }).kind).toBe('measured');
    expect(readStrobe({ ...LOOK, lamp: 'steady' })).toEqual({ kind: 'unusable', reason: 'STEADY_LAMP' });
  });
  it('on a ring of whole bars that is off says so: 133 for 45 stand still at 45.11', () => {
    const at45 = { nominalRpm: 45, ringBars: 133, direction: 'still' } as const;
    expect(read(at45).errorPercent).toBeCloseTo(100 * (6000 / 133 / 45 - 1), 9);
    expect(read(at45).warnings).toContain('RING_ROUNDED');
    expect(read({}).warnings).not.toContain('RING_ROUNDED');
    expect(read({ ...at45, ringBars: 134 }).warnings).toEqual(expect.arrayContaining(['WRONG_RING']));
  });
});

describe('a disc', () => {
  const fields = (more: Partial<DiscWish>) => discProblems({ ...DISC, ...more }).map(({ field }) => field);

  it('has the slowest ring outermost, with what rounding leaves', () => {
    expect(
      discRings({ ...DISC, speedsRpm: [45, 100 / 3] }).map(({ bars, residuePercent }) => [
        bars,
        Number(residuePercent.toFixed(3)),
      ]),
    ).toEqual([
      [180, 0],
      [133, 0.251],
    ]);
    // Two millimetres inside of the edge; each ring 9 mm and 4 for its words.
    expect(ringRadii(190, 0)).toEqual([84, 93]);
    expect(ringRadii(190, 1)).toEqual([71, 80]);
    expect(innerRadius(190, 2)).toBe(67);
  });
  it('lamps of 15 to 1000 flashes, one to eight speeds, above nought', () => {
    expect(fields({})).toEqual([]);
    expect([15, 1000].map((lampHz) => fields({ lampHz, speedsRpm: [60], discMm: 190 }).includes('lampHz'))).toEqual([
      false,
      false,
    ]);
    expect([14.9, 1001, NaN].map((lampHz) => fields({ lampHz })[0])).toEqual(['lampHz', 'lampHz', 'lampHz']);
    expect(fields({ speedsRpm: [] })).toEqual(['speedsRpm']);
    expect(fields({ speedsRpm: [33, 0] })).toEqual(['speedsRpm']);
    expect(fields({ speedsRpm: Array(9).fill(45) as number[] })).toEqual(['speedsRpm']);
  });
  it('eight bars to two thousand', () => {
    // 6000 flashes a minute: 750 rpm have eight bars, 3 have two thousand.
    expect(fields({ speedsRpm: [750] })).toEqual([]);
    expect(fields({ speedsRpm: [860] })).toEqual(['speedsRpm']);
    expect(fields({ speedsRpm: [3] })).not.toContain('speedsRpm');
    expect(fields({ speedsRpm: [2.9] })).toEqual(['speedsRpm']);
  });
  it('from 40 mm to what the paper leaves between its white edges, with a hole smaller than it', () => {
    const one = { speedsRpm: [100 / 3] };
    // A4 is 210 wide, ten white on each side.
    expect(fields({ ...one, discMm: 190 })).toEqual([]);
    expect(fields({ ...one, discMm: 190.1 })).toEqual(['discMm']);
    expect(fields({ ...one, discMm: 195.9, paper: 'Letter' })).toEqual([]);
    expect(fields({ ...one, discMm: 39.9 })).toEqual(['discMm']);
    expect(fields({ ...one, discMm: null })).toEqual(['discMm']);
    // 40 mm is a disc, but too small for a ring with its words: it is told so, not that it is no disc.
    const said = (discMm: number) =>
      discProblems({ ...DISC, ...one, discMm, holeMm: 0 }).map(({ message }) => message)[0];
    expect([said(39.9)?.startsWith('A disc of 40'), said(40)?.startsWith('The rings do not fit')]).toEqual([
      true,
      true,
    ]);
    expect(fields({ ...one, holeMm: 95 })).toEqual(['holeMm']);
    expect(fields({ ...one, holeMm: -1 })).toEqual(['holeMm']);
    // Two rings leave 22 mm from the middle of a disc of 100: six of paper round a hole of 32.
    expect(innerRadius(100, 2)).toBe(22);
    expect([fields({ discMm: 100, holeMm: 32 }), fields({ discMm: 100, holeMm: 32.1 })]).toEqual([[], ['discMm']]);
  });
  it('bars of half a millimetre and more, on a disc and on a strip', () => {
    // 180 bars on a rim: each bar and gap together are its round by 180; half of that must be 0.5 mm.
    const least = 180 / Math.PI;
    const strip = (stripMm: number) => fields({ speedsRpm: [100 / 3], discMm: null, stripMm });
    expect([strip(least + 0.01), strip(least - 0.01)]).toEqual([[], ['stripMm']]);
    expect([strip(600), strip(600.1), strip(9.9)]).toEqual([[], ['stripMm'], ['stripMm']]);
    expect(fields({ speedsRpm: [7], discMm: 190 })).toEqual(['discMm']);
    // 180 bars on the inside of the outermost ring, where they are narrowest.
    const disc = 2 * (90 / Math.PI + (50 - ringRadii(100, 0)[0]));
    const round = (discMm: number) => fields({ speedsRpm: [100 / 3], discMm, holeMm: 0 });
    expect([round(disc + 0.01), round(disc - 0.01)]).toEqual([[], ['discMm']]);
  });
});

describe('the rings that discs carry', () => {
  it('16⅔, 33⅓, 45 and 78.26 under both mains: 6000 and 7200 flashes a minute over the turns, whole', () => {
    expect(PRINTED_RINGS.map(({ mainsHz, bars }) => [mainsHz, bars])).toEqual([
      [50, 360],
      [50, 180],
      [50, 133],
      [50, 77],
      [60, 432],
      [60, 216],
      [60, 160],
      [60, 92],
    ]);
    expect(printedRing(92)).toMatchObject({ mainsHz: 60, nominalRpm: 78.26 });
    expect(printedRing(91)).toBeNull();
  });

  it('seem to stand still at twice and at half of their speed too', () => {
    expect(otherStandstills(180, 100)).toEqual({ double: expect.closeTo(200 / 3, 9), half: expect.closeTo(50 / 3, 9) });
  });
});
