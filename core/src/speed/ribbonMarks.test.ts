/**
 * Places worked out by hand from the rule x = asinh(2 u) / asinh(80): nothing here asks the product where a
 * mark ought to stand.
 */
import { describe, expect, it } from 'vitest';
import { tolerance } from '../quantity/index.js';
import {
  largeRibbonMarks,
  printRibbonMarks,
  smallRibbonMarks,
  type RibbonMark,
  type RibbonRect,
  type RibbonRole,
  type RibbonWord,
} from './ribbonMarks.js';

const practice = { kind: 'practice', text: 'test' } as const;
const even = tolerance(-0.3, 0.3, practice);
const uneven = tolerance(-1, 1.5, practice);
const slow = { turned: true, errorPercent: -0.42, expandedPercent: 0.1, wowPeakPercent: 0.08 };
const still = { turned: false, errorPercent: null, expandedPercent: null, wowPeakPercent: null };

const of = (marks: readonly RibbonMark[], role: RibbonRole) => marks.filter((mark) => mark.role === role);
const rectOf = (marks: readonly RibbonMark[], role: RibbonRole) => {
  const { x, y, width, height } = of(marks, role)[0] as RibbonRect;
  return [x, y, x + width, y + height].map((value) => Math.round(value * 100) / 100);
};
const pointsOf = (mark: RibbonMark | undefined) =>
  mark?.kind === 'line' ? mark.points.map(([x, y]) => [Math.round(x * 100) / 100, Math.round(y * 100) / 100]) : null;
const wordsOf = (marks: readonly RibbonMark[]) =>
  marks.filter((mark): mark is RibbonWord => mark.kind === 'word').map(({ text, x }) => [text, Math.round(x)]);

const named = (marks: readonly RibbonMark[]) =>
  marks.filter((mark) => mark.kind === 'word').map(({ role, anchor, y, text }) => `${role} ${anchor} ${y} ${text}`);

describe('the large ribbon, 1232 px', () => {
  const marks = largeRibbonMarks(slow, even, '33⅓', 1232, null);

  it('has its words within the band, its figures and the speed under it, in 136 px', () => {
    for (const mark of marks)
      if (mark.kind === 'word') {
        const inside = mark.role === 'word';
        expect(mark.y, mark.text).toBeGreaterThan(inside ? 64 + 12 : 108 + 12);
        expect(mark.y, mark.text).toBeLessThanOrEqual(inside ? 108 : 136);
      }
  });

  it('draws its lines through the band, its ticks six deep under it, and names each figure by what it is', () => {
    const lines = (role: RibbonRole) => of(marks, role).map(pointsOf);
    const through = (x: number) => [
      [x, 64],
      [x, 108],
    ];
    expect(lines('limit')).toEqual([441.06, 790.94].map(through));
    expect(lines('centre')).toEqual([through(616)]);
    expect(lines('tick')[0]).toEqual([
      [1, 108],
      [1, 114],
    ]);
    expect(named(marks)).toEqual([
      'word start 92 slow',
      'word end 92 fast',
      ...['33⅓', '−6', '−1.5'].map((text) => `figure middle 133 ${text}`),
      'limitFigure middle 133 +0.3',
      ...['+1.5', '+6'].map((text) => `figure middle 133 ${text}`),
    ]);
  });

  it('stands its window, mean, wow and bracket where the rule says', () => {
    expect(rectOf(marks, 'window')).toEqual([441.06, 64, 790.94, 108]);
    expect(rectOf(marks, 'mean')).toEqual([401.55, 58, 405.55, 108]);
    expect(rectOf(marks, 'wow')).toEqual([383.47, 64, 427.34, 108]);
    expect(pointsOf(of(marks, 'bracket')[0])).toEqual([
      [378.91, 108],
      [378.91, 116],
      [434.03, 116],
      [434.03, 108],
    ]);
  });

  it('ticks at 1, 2, 5, 10, 20 and 40 times the tolerance on both sides; figures at 1, 5 and 20', () => {
    const right = [790.94, 869.83, 979.32, 1063.08, 1147.02, 1231];
    const left = [1, 84.98, 168.92, 252.68, 362.17, 441.06];
    expect(of(marks, 'tick').map((mark) => pointsOf(mark)?.[0]?.[0])).toEqual([...left, ...right]);
    expect(wordsOf(marks)).toEqual([
      ['slow', 12],
      ['fast', 1220],
      ['33⅓', 616],
      ['−6', 85],
      ['−1.5', 253],
      ['+0.3', 791],
      ['+1.5', 979],
      ['+6', 1147],
    ]);
  });

  it('pins what lies beyond the scale at its end, with an arrowhead that points out', () => {
    const fast = largeRibbonMarks({ ...slow, errorPercent: 60 }, even, '45', 1232, null);
    expect(pointsOf(of(fast, 'beyond')[0])).toEqual([
      [1228, 86],
      [1214, 76],
      [1214, 96],
    ]);
    expect(rectOf(fast, 'mean').slice(0, 1)).toEqual([1229]);
    const low = largeRibbonMarks({ ...slow, errorPercent: -60 }, even, '45', 1232, null);
    expect(pointsOf(of(low, 'beyond')[0])?.[0]).toEqual([4, 86]);
    expect(of(marks, 'beyond')).toEqual([]);
  });

  it('trails the last minute: now at the foot, a minute ago at the top', () => {
    const errorPercent = Array.from({ length: 121 }, (_, i) => (i < 61 ? -0.3 : 0.3));
    const trail = of(largeRibbonMarks(slow, even, '45', 1232, { stepS: 1, errorPercent }), 'trail');
    const points = pointsOf(trail[0]) ?? [];
    expect(points).toHaveLength(60);
    expect(points[0]).toEqual([790.94, 1.07]);
    expect(points.at(-1)).toEqual([790.94, 64]);
    const short = largeRibbonMarks(slow, even, '45', 1232, { stepS: 1, errorPercent: [0, -0.3] });
    expect(pointsOf(of(short, 'trail')[0])).toEqual([
      [616, 62.93],
      [441.06, 64],
    ]);
    expect(of(largeRibbonMarks(slow, even, '45', 1232, { stepS: 1, errorPercent: [0] }), 'trail')).toEqual([]);
    // Every two seconds: the oldest of thirty is 58 s old.
    const coarse = largeRibbonMarks(slow, even, '45', 1232, { stepS: 2, errorPercent: Array<number>(31).fill(0) });
    expect(pointsOf(of(coarse, 'trail')[0])?.[0]).toEqual([616, 2.13]);
  });

  it('has neither window nor edge for a unit that did not turn, and says so', () => {
    const marks = largeRibbonMarks(still, even, '45', 1232, null);
    expect(wordsOf(marks)[0]).toEqual(['did not turn', 616]);
    expect(named(marks).slice(0, 2)).toEqual(['still middle 93 did not turn', 'word start 92 slow']);
    expect(rectOf(marks, 'hatch')).toEqual([1, 64, 1231, 108]);
    for (const role of ['window', 'limit', 'mean', 'wow', 'bracket'] as const) expect(of(marks, role)).toEqual([]);
  });
});

describe('the small ribbon, 200 px', () => {
  it('stands window, wow and mean where the rule says, with wow never narrower than 3 px', () => {
    const marks = smallRibbonMarks(slow, even, 200);
    expect(rectOf(marks, 'window')).toEqual([71.84, 1, 128.16, 17]);
    expect(rectOf(marks, 'wow')).toEqual([62.57, 1, 69.63, 17]);
    expect(pointsOf(of(marks, 'mean')[0])).toEqual([
      [65.8, 0],
      [65.8, 18],
    ]);
    expect([rectOf(marks, 'band'), ...of(marks, 'limit').map(pointsOf)]).toEqual([
      [1, 1, 199, 17],
      ...[71.84, 128.16].map((x) => [
        [x, 1],
        [x, 17],
      ]),
    ]);
    const calm = rectOf(smallRibbonMarks({ ...slow, wowPeakPercent: 1e-4 }, even, 200), 'wow');
    expect((calm[2] as number) - (calm[0] as number)).toBeCloseTo(3, 1);
    expect(rectOf(smallRibbonMarks(still, even, 200), 'hatch')).toEqual([1, 1, 199, 17]);
  });
});

describe('the printed ribbon, 170 mm', () => {
  const found = { errorPercent: -3, expandedPercent: 0.1, wowPeakPercent: 0.1 };
  const left = { errorPercent: 0.1, expandedPercent: 0.1, wowPeakPercent: 0.1 };

  it('measures each side in its own limit: -3 in -1, +0.1 in +1.5', () => {
    const marks = printRibbonMarks({ found, left }, uneven, '45');
    expect(rectOf(marks, 'window')).toEqual([60.82, 2, 109.18, 10]);
    expect(rectOf(marks, 'found')).toEqual([42.67, 0.8, 43.87, 10]);
    expect(rectOf(marks, 'mean')).toEqual([86.63, 0.8, 87.83, 10]);
    expect(rectOf(marks, 'wow')).toEqual([85, 2, 89.41, 10]);
    expect(of(marks, 'bracket').map((mark) => pointsOf(mark)?.map(([x]) => x))).toEqual([
      [42.73, 42.73, 43.83, 43.83],
      [85, 85, 89.41, 89.41],
    ]);
    expect(wordsOf(marks).slice(2)).toEqual([
      ['45', 85],
      ['−20', 12],
      ['−5', 35],
      ['−1', 61],
      ['+1.5', 109],
      ['+7.5', 135],
      ['+30', 158],
    ]);
  });

  it('has its words within the band, its ticks and figures under it; a narrow one leaves figures out', () => {
    const words = (width?: number) => {
      const marks = printRibbonMarks({ found, left }, uneven, '45', width);
      const places = marks.flatMap((mark) => (mark.kind === 'word' ? [Number(mark.x.toFixed(1))] : []));
      return named(marks).map((one, i) => `${places[i]} ${one}`);
    };
    expect(words().slice(0, 3)).toEqual(['1.5 word start 7 slow', '168.5 word end 7 fast', '85 figure middle 15 45']);
    // Half as wide the limits stand 12 mm from the middle, five of them 25 and twenty 37: 13 is asked for.
    expect(words(85).slice(2)).toEqual([
      '42.5 figure middle 15 45',
      '17.4 figure middle 15 −5',
      '67.6 figure middle 15 +7.5',
    ]);
    expect(pointsOf(of(printRibbonMarks({ found, left }, uneven, '45'), 'tick')[0])).toEqual([
      [0, 10],
      [0, 11],
    ]);
  });

  it('points its arrow from as found to as left, either way', () => {
    const up = printRibbonMarks({ found, left }, uneven, '45');
    expect(pointsOf(of(up, 'arrow')[0])).toEqual([
      [44.27, 1],
      [84.63, 1],
    ]);
    expect(pointsOf(of(up, 'arrowHead')[0])).toEqual([
      [86.23, 1],
      [84.63, 0.2],
      [84.63, 1.8],
    ]);
    const down = printRibbonMarks({ found: left, left: found }, uneven, '45');
    expect(pointsOf(of(down, 'arrowHead')[0])?.map(([x]) => x)).toEqual([44.27, 45.87, 45.87]);
    expect(of(printRibbonMarks({ found: left, left }, uneven, '45'), 'arrow')).toEqual([]);
  });

  it('keeps the sides apart: one reading is one edge, none is none, and beyond is said', () => {
    expect(of(printRibbonMarks({ found, left: null }, uneven, '45'), 'mean')).toEqual([]);
    expect(of(printRibbonMarks({ found: null, left }, uneven, '45'), 'found')).toEqual([]);
    const none = printRibbonMarks({ found: null, left: null }, uneven, '45');
    for (const role of ['found', 'mean', 'wow', 'bracket', 'arrow'] as const) expect(of(none, role)).toEqual([]);
    expect(of(none, 'tick')).toHaveLength(12);
    const off = printRibbonMarks({ found: { ...found, errorPercent: -99 }, left: null }, uneven, '45');
    expect(pointsOf(of(off, 'beyond')[0])).toEqual([
      [1, 6],
      [3.4, 4.4],
      [3.4, 7.6],
    ]);
  });
});
