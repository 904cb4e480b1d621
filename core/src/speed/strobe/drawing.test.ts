/** What lies on a printed disc or strip besides its bars, in millimetres from the corner of the page. */
import { describe, expect, it } from 'vitest';
import type { Drawing, DrawingMark } from '../../formats/index.js';
import { drawDisc } from './discDrawing.js';
import type { DiscWish } from './disc.js';
import { DISC } from './look.test-data.js';

const wish = (more: Partial<DiscWish> = {}): DiscWish => ({ ...DISC, speedsRpm: [100 / 3], ...more });
const page = (more: Partial<DiscWish> = {}) => drawDisc(wish(more))[0] as Drawing;
const of = <K extends DrawingMark['kind']>(drawing: Drawing, kind: K) =>
  drawing.marks.filter((mark): mark is Extract<DrawingMark, { kind: K }> => mark.kind === kind);
const close = (points: readonly (readonly [number, number])[]) =>
  points.map(([x, y]) => [expect.closeTo(x, 6), expect.closeTo(y, 6)]);

describe('a disc of 190 mm on A4 has its middle at 105, 107', () => {
  const disc = page();

  it('with the outer circle, the hole and a dot in the middle', () => {
    expect(of(disc, 'circle')).toEqual([
      { kind: 'circle', x: 105, y: 107, radius: 95, widthMm: 0.25, filled: false },
      { kind: 'circle', x: 105, y: 107, radius: 0.4, widthMm: 0.1, filled: true },
      { kind: 'circle', x: 105, y: 107, radius: 3.62, widthMm: 0.25, filled: false },
    ]);
    // No hole: the dot alone.
    expect(of(page({ holeMm: 0 }), 'circle').map(({ radius }) => radius)).toEqual([95, 0.4]);
  });

  it('a triangle of 4 by 2 mm points inwards at its top edge, for counting turns', () => {
    const triangles = of(disc, 'shape').filter(({ points }) => points.length === 3);
    expect(triangles[0]?.points).toEqual([
      [105, 14],
      [103, 12],
      [107, 12],
    ]);
  });

  it('an arrow goes over the top clockwise, with its point ahead of its end', () => {
    const [arc] = of(disc, 'line').filter(({ points }) => points.length === 25);
    // Inside of the one ring of 9 mm that begins 2 mm from the edge, words of 4 under it: 80, but 26 at most.
    const at = (degrees: number) =>
      [105 + 26 * Math.sin((degrees * Math.PI) / 180), 107 - 26 * Math.cos((degrees * Math.PI) / 180)] as const;
    expect([arc?.points[0], arc?.points[12], arc?.points[24]]).toEqual(close([at(-60), at(0), at(60)]));
    const head = of(disc, 'shape').filter(({ points }) => points.length === 3)[1];
    const [end, before] = [arc?.points[24], arc?.points[23]] as [readonly [number, number], readonly [number, number]];
    const way = [end[0] - before[0], end[1] - before[1]] as const;
    // Along the way the point lies ahead of the end, the other two behind or beside it, one on either side.
    const along = head?.points.map(([x, y]) => (x - end[0]) * way[0] + (y - end[1]) * way[1]) ?? [];
    expect(along[0]).toBeGreaterThan(0);
    expect(Math.max(along[1] as number, along[2] as number)).toBeLessThanOrEqual(0.01);
    const across = head?.points.map(([x, y]) => (x - end[0]) * way[1] - (y - end[1]) * way[0]) ?? [];
    expect((across[1] as number) * (across[2] as number)).toBeLessThan(0);
  });

  it('a small disc has its arrow inside its ring, but never in its hole', () => {
    const reach = (more: Partial<DiscWish>) => {
      const drawing = page(more);
      const [arc] = of(drawing, 'line').filter(({ points }) => points.length === 25);
      return Math.hypot((arc?.points[0]?.[0] ?? 0) - 105, (arc?.points[0]?.[1] ?? 0) - (12 + (more.discMm ?? 0) / 2));
    };
    // 60 mm: 30 − 2 − 9 − 4 − 2 = 13.
    expect(reach({ discMm: 60 })).toBeCloseTo(13, 9);
    // A hole of 38.2: 4 mm beyond its edge.
    expect(reach({ discMm: 60, holeMm: 38.2 })).toBeCloseTo(23.1, 9);
  });

  it('a ruler under it: 100 mm in the middle of the page, a tick each 10, longer at 0, 50 and 100', () => {
    const lines = of(disc, 'line').filter(({ points }) => points.length === 2);
    const y = 107 + 95 + 12;
    expect(lines[0]?.points).toEqual([
      [55, y],
      [155, y],
    ]);
    expect(lines.slice(1).map(({ points }) => points)).toEqual(
      [3, 2, 2, 2, 2, 3, 2, 2, 2, 2, 3].map((length, i) => [
        [55 + 10 * i, y - length],
        [55 + 10 * i, y],
      ]),
    );
    const words = of(disc, 'words').filter(({ turned }) => turned === 0);
    const at = (start: string) => words.find(({ text }) => text.startsWith(start));
    expect(at('Measure this')).toMatchObject({ x: 55, y: y + 4, anchor: 'start' });
    expect(at('Lamp on 50 Hz that flashes twice a cycle')).toMatchObject({ x: 105, y: y + 12, anchor: 'middle' });
    expect(at('Cut round')).toMatchObject({ x: 105, y: y + 16.5 });
    expect(at('bars run with the arrow: fast')).toMatchObject({ x: 105, y: 107 + 25 });
    expect(at('against it: slow')).toMatchObject({ x: 105, y: 107 + 28.6 });
    const once = of(page({ flashesPerCycle: 1 }), 'words');
    expect(once.some(({ text }) => text.startsWith('Lamp on 50 Hz that flashes once a cycle'))).toBe(true);
  });

  it('words under a ring stand in a row round its top, as much to the left as to the right, on their tangents', () => {
    const words = of(disc, 'words').filter(({ turned }) => turned !== 0);
    // Between ring (84) and the room of its words (80): 81.
    for (const { x, y, turned } of words) {
      expect(Math.hypot(x - 105, y - 107)).toBeCloseTo(81, 6);
      expect((Math.atan2(x - 105, 107 - y) * 180) / Math.PI).toBeCloseTo(turned, 6);
    }
    expect(words.map(({ text }) => text).join(' ')).toBe(
      '33.33 rpm, 180 bars, 0.00 % when still, 100 flashes a second',
    );
    for (let i = 1; i < words.length; i++) expect(words[i]?.turned).toBeGreaterThan(words[i - 1]?.turned as number);
    // The row's ends: half a word's width beyond the middles of the first and last, the same on both sides.
    const half = (text: string) =>
      ((2.8 * [...text].reduce((sum, one) => sum + (/[.,:il]/.test(one) ? 0.28 : /[mw%]/.test(one) ? 0.85 : 0.56), 0)) /
        2 /
        81) *
      (180 / Math.PI);
    const [first, last] = [words[0], words.at(-1)];
    expect((first?.turned ?? 0) - half(first?.text ?? '')).toBeCloseTo(
      -((last?.turned ?? 0) + half(last?.text ?? '')),
      6,
    );
    // A space of a third of a letter's height and a bit between: 0.98 mm.
    const gap =
      (words[1]?.turned ?? 0) - half(words[1]?.text ?? '') - (words[0]?.turned ?? 0) - half(words[0]?.text ?? '');
    expect((gap * Math.PI * 81) / 180).toBeCloseTo(0.98, 6);
  });
});

describe('strips for a rim of 100 mm in 50 Hz light', () => {
  // Round the middle of the paper: π · 100.1 = 314.47 mm; 180 bars of 1.7471 mm; 190 mm hold 108 of them.
  const pitch = (Math.PI * 100.1) / 180;
  const strips = drawDisc(wish({ discMm: null, stripMm: 100 }));

  it('come in pieces of 108 and 72 bars, each half as wide as its pitch, under a ruler at the corner', () => {
    expect(strips).toHaveLength(1);
    const [sheet] = strips as [Drawing];
    const frames = of(sheet, 'line').filter(({ points }) => points.length === 5);
    expect(frames.map(({ points }) => points)).toEqual([
      close([
        [10, 28],
        [10 + 108 * pitch, 28],
        [10 + 108 * pitch, 40],
        [10, 40],
        [10, 28],
      ]),
      close([
        [10, 50],
        [10 + 72 * pitch, 50],
        [10 + 72 * pitch, 62],
        [10, 62],
        [10, 50],
      ]),
    ]);
    const bars = of(sheet, 'shape');
    expect(bars).toHaveLength(180);
    expect(bars[1]?.points).toEqual(
      close([
        [10 + pitch, 28],
        [10 + 1.5 * pitch, 28],
        [10 + 1.5 * pitch, 40],
        [10 + pitch, 40],
      ]),
    );
    expect(of(sheet, 'line')[0]?.points).toEqual([
      [10, 14],
      [110, 14],
    ]);
    const said = of(sheet, 'words').filter(({ text }) => text.includes('piece'));
    expect(said.map(({ x, y, text }) => [x, y, text])).toEqual([
      [10, 44, '33.33 rpm, 180 bars, 0.00 % when still, 100 flashes a second, round 100.0 mm, piece 1 of 2'],
      [10, 66, '33.33 rpm, 180 bars, 0.00 % when still, 100 flashes a second, round 100.0 mm, piece 2 of 2'],
    ]);
  });

  it('go on to another page before the lowest would reach into the white edge', () => {
    // Rows at 28, 50 … 28 + 22 n; the last with its words (20 mm) above 287: n ≤ 10, eleven a page. Six speeds have two pieces each.
    const pages = drawDisc(wish({ speedsRpm: [33, 34, 35, 36, 37, 38], discMm: null, stripMm: 100 }));
    const rows = pages.map((one) => of(one, 'line').filter(({ points }) => points.length === 5).length);
    expect(rows).toEqual([11, 1]);
    expect(of(pages[1] as Drawing, 'line').filter(({ points }) => points.length === 5)[0]?.points[0]?.[1]).toBe(28);
  });
});
