/**
 * Strobe discs measured in the made file: counts of bars from the disc standards (IEC 60098 and NAB practice, from
 * memory: 216, 160 and 92 bars in 60 Hz light, 180, 133 and 77 in 50 Hz light), geometry by hand.
 */
import { describe, expect, it } from 'vitest';
import { drawingSvg, type Drawing } from '../src/formats/index.js';
import { discProblems, discRings, drawDisc, ringLook, type DiscWish } from '../src/speed/index.js';

const wish = (more: Partial<DiscWish> = {}): DiscWish => ({
  speedsRpm: [100 / 3, 45, 78.26],
  lampHz: 60,
  flashesPerCycle: 2,
  paper: 'A4',
  discMm: 190,
  holeMm: 7.24,
  stripMm: null,
  ...more,
});

describe('rings', () => {
  it.each([
    [60, 100 / 3, 216, 0],
    [60, 45, 160, 0],
    [60, 78.26, 92, 0.001],
    [50, 100 / 3, 180, 0],
    [50, 45, 133, 0.251],
    [50, 77.92, 77, 0.002],
    [60, 50 / 3, 432, 0],
    [50, 50 / 3, 360, 0],
  ])('%d Hz, %d rpm: %d bars, %d %% left by rounding', (lampHz, rpm, bars, residue) => {
    const [ring] = discRings({ speedsRpm: [rpm], lampHz, flashesPerCycle: 2 });
    expect(ring?.bars).toBe(bars);
    expect(ring?.residuePercent).toBeCloseTo(residue, 2);
  });

  it('a lamp behind one diode flashes half as often: half the bars', () => {
    expect(discRings({ speedsRpm: [100 / 3], lampHz: 50, flashesPerCycle: 1 })[0]?.bars).toBe(90);
  });
});

/** Polygons of an SVG text, in millimetres. */
const polygonsOf = (svg: string): { points: [number, number][] }[] =>
  [...svg.matchAll(/<polygon points="([^"]+)"/g)].map(([, points]) => ({
    points: (points ?? '').split(' ').map((one) => one.split(',').map(Number) as [number, number]),
  }));

describe('the made file', () => {
  it('is A4 at true size, one unit a millimetre', () => {
    const svg = drawingSvg(drawDisc(wish())[0] as Drawing);
    expect(svg).toContain('width="210mm" height="297mm" viewBox="0 0 210 297"');
    expect(drawingSvg(drawDisc(wish({ paper: 'Letter' }))[0] as Drawing)).toContain(
      'width="215.9mm" height="279.4mm" viewBox="0 0 215.9 279.4"',
    );
  });

  it('has every bar of every ring, evenly round the middle, half of each pitch dark', () => {
    const bars = polygonsOf(drawingSvg(drawDisc(wish())[0] as Drawing)).filter(({ points }) => points.length === 4);
    expect(bars).toHaveLength(216 + 160 + 92);
    const [x, y] = [105, 10 + 95 + 2];
    const polar = (point: [number, number]) => ({
      radius: Math.hypot(point[0] - x, point[1] - y),
      turn: ((Math.atan2(point[0] - x, y - point[1]) / (2 * Math.PI)) * 1 + 1) % 1,
    });
    const outer = bars.filter(({ points }) => Math.abs(polar(points[1] as [number, number]).radius - 93) < 0.01);
    expect(outer).toHaveLength(216);
    const middles = outer
      .map(({ points }) => {
        const [a, b] = [points[1], points[2]].map((one) => polar(one as [number, number]));
        const width = ((b?.turn ?? 0) - (a?.turn ?? 0) + 1) % 1;
        expect(width).toBeCloseTo(0.5 / 216, 5);
        expect(polar(points[0] as [number, number]).radius).toBeCloseTo(84, 2);
        return ((a?.turn ?? 0) + width / 2) % 1;
      })
      .sort((a, b) => a - b);
    middles.slice(1).forEach((turn, i) => expect(turn - (middles[i] ?? 0)).toBeCloseTo(1 / 216, 5));
  });

  it('carries a ruler of exactly 100 mm, the hole, the outer circle and the residue beside each ring', () => {
    const [page] = drawDisc(wish({ lampHz: 50 })) as [Drawing];
    const rulers = page.marks.filter(
      (mark) => mark.kind === 'line' && mark.points.length === 2 && mark.points[0]?.[1] === mark.points[1]?.[1],
    );
    expect(rulers).toHaveLength(1);
    const [ruler] = rulers;
    expect(ruler?.kind === 'line' && (ruler.points[1]?.[0] ?? 0) - (ruler.points[0]?.[0] ?? 0)).toBeCloseTo(100, 9);
    const radii = page.marks.flatMap((mark) => (mark.kind === 'circle' && !mark.filled ? [mark.radius] : []));
    expect(radii).toEqual([95, 3.62]);
    const said = page.marks.flatMap((mark) => (mark.kind === 'words' ? [mark.text] : [])).join(' ');
    expect(said).toContain('33.33 rpm, 180 bars, 0.00 % when still');
    expect(said).toContain('45 rpm, 133 bars, +0.25 % when still');
    expect(said).toContain('bars run with the arrow: fast');
  });

  it('words round a ring stay between it and the next', () => {
    const [page] = drawDisc(wish()) as [Drawing];
    for (const mark of page.marks)
      if (mark.kind === 'words' && mark.turned !== 0) {
        const radius = Math.hypot(mark.x - 105, mark.y - 107);
        // Rings end at 84, 71 and 58; the next begins 4 further in, letters are 2.8 high.
        expect([81, 68, 55].some((foot) => Math.abs(radius - foot) < 0.01)).toBe(true);
      }
  });

  it('a strip goes once round its rim: whole bars, the length of the circle at the middle of the paper', () => {
    const pages = drawDisc(wish({ speedsRpm: [100 / 3], lampHz: 50, discMm: null, stripMm: 300 }));
    const bars = pages.flatMap((page) => page.marks.filter((mark) => mark.kind === 'shape'));
    expect(bars).toHaveLength(180);
    const frames = pages.flatMap((page) =>
      page.marks.flatMap((mark) => (mark.kind === 'line' && mark.points.length === 5 ? [mark.points] : [])),
    );
    const whole = frames.reduce((sum, points) => sum + ((points[1]?.[0] ?? 0) - (points[0]?.[0] ?? 0)), 0);
    expect(whole).toBeCloseTo(Math.PI * 300.1, 6);
    for (const points of frames) expect(points[1]?.[0]).toBeLessThanOrEqual(200);
    for (const page of pages)
      for (const mark of page.marks) if (mark.kind === 'shape') expect(mark.points[2]?.[1]).toBeLessThan(287);
  });
});

describe('what cannot be', () => {
  const at = (more: Partial<DiscWish>) => discProblems(wish(more)).map((one) => one.field);
  it('is said at its field', () => {
    expect(at({})).toEqual([]);
    expect(at({ lampHz: 0 })).toEqual(['lampHz']);
    expect(at({ lampHz: Number.NaN })).toEqual(['lampHz']);
    expect(at({ speedsRpm: [] })).toEqual(['speedsRpm']);
    expect(at({ speedsRpm: [-1] })).toEqual(['speedsRpm']);
    expect(at({ speedsRpm: [1e6] })).toEqual(['speedsRpm']);
    expect(at({ speedsRpm: [0.001] })).toEqual(['speedsRpm']);
    expect(at({ discMm: 300 })).toEqual(['discMm']);
    expect(at({ discMm: 60, speedsRpm: [16.667, 33.333, 45, 78.26] })).toEqual(['discMm']);
    expect(at({ holeMm: 200 })).toEqual(['holeMm']);
    expect(at({ discMm: null, stripMm: 20, speedsRpm: [50 / 3] })).toEqual(['stripMm']);
    expect(at({ discMm: null, stripMm: 5000 })).toEqual(['stripMm']);
  });
});

describe('what the eye sees', () => {
  const near = { edge: 'near', clockwise: true } as const;
  const far = { edge: 'far', clockwise: true } as const;
  it('a ring at its speed stands still; a fast platter’s bars run with it: left at the near edge, right at the far', () => {
    expect(ringLook(216, 100 / 3, 120, near).looks).toBe('still');
    // 24 bars a minute with the rotation are 33.444 rpm.
    const fast = ringLook(216, 33.44444, 120, near);
    expect(60 * fast.barsPerS).toBeCloseTo(24, 2);
    expect([fast.runs, ringLook(216, 33.44444, 120, far).runs]).toEqual(['left', 'right']);
    expect(ringLook(216, 33.2, 120, near).runs).toBe('right');
    expect(ringLook(216, 33.44444, 120, { edge: 'near', clockwise: false }).runs).toBe('right');
  });

  it('the wrong ring stands still too: 216 bars at 27.78 rpm in 50 Hz light, 180 bars at 40 rpm in 60 Hz light', () => {
    expect(ringLook(216, 27.7778, 100, near).looks).toBe('still');
    expect(ringLook(180, 40, 120, near).looks).toBe('still');
    expect(ringLook(133, 45, 100, near).looks).toBe('moves');
    expect(ringLook(133, 45.1128, 100, near).looks).toBe('still');
  });

  it('beyond half a bar a flash the way turns round; a lamp that does not flash shows grey', () => {
    expect(ringLook(216, 33.3333, null, near).looks).toBe('grey');
    expect(ringLook(100, 120 * 0.6 * 0.6, 120, near).barsPerS).toBeLessThan(0);
    expect(ringLook(216, 45, 120, near).looks).toBe('grey');
  });
});
