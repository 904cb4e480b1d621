/**
 * The ribbon's marks, laid out in the unit of the medium (px on a screen, mm in print): every rectangle,
 * line and word with its place. Page, print and PDF only paint them, each mark by its role, in this order.
 * y runs downward from the ribbon's upper edge; the y of a word is its baseline.
 */
import type { Tolerance } from '../quantity/index.js';
import { placeOf, ribbonGeometry, visibleLabels, type RibbonGeometry, type RibbonReading } from './ribbon.js';
import { say } from '../words/index.js';
import { TRAIL_POINTS, TRAIL_S } from './defaults.js';

/** What a mark is: painters choose ink and weight by it. */
export type RibbonRole =
  | 'band'
  | 'window'
  | 'hatch'
  | 'still'
  | 'limit'
  | 'centre'
  | 'wow'
  | 'mean'
  | 'found'
  | 'beyond'
  | 'tick'
  | 'bracket'
  | 'arrow'
  | 'arrowHead'
  | 'trail'
  | 'word'
  | 'figure'
  | 'limitFigure';

/** An area. */
export interface RibbonRect {
  readonly kind: 'rect';
  readonly role: RibbonRole;
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/** A line through points; `filled` closes it to an area. */
export interface RibbonLine {
  readonly kind: 'line';
  readonly role: RibbonRole;
  readonly points: readonly (readonly [x: number, y: number])[];
  readonly filled: boolean;
}

/** A word at its baseline. */
export interface RibbonWord {
  readonly kind: 'word';
  readonly role: RibbonRole;
  readonly x: number;
  readonly y: number;
  readonly anchor: 'start' | 'middle' | 'end';
  readonly text: string;
}

/** One thing to paint. */
export type RibbonMark = RibbonRect | RibbonLine | RibbonWord;

/** Speed error over the last minute, oldest first. */
export interface RibbonTrail {
  readonly stepS: number;
  readonly errorPercent: ArrayLike<number>;
}

/** A reading, or a unit that did not turn: its ribbon is hatched and has no edge. */
export type RibbonTurned = RibbonReading & { readonly turned: boolean };

/** The large ribbon's parts, px: trail above the band, scale under it. */
export const RIBBON_LARGE = { trail: 64, band: 44, scale: 28, proud: 6 } as const;
/** The small ribbon, px. */
export const RIBBON_SMALL = { height: 18, band: 16, leastWow: 3 } as const;
/** The printed ribbon, mm: its width, its height, and where its band begins and ends. */
export const RIBBON_PRINT = { width: 170, height: 16, top: 2, foot: 10 } as const;
const BLANK: RibbonReading = { errorPercent: null, expandedPercent: null, wowPeakPercent: null };

const rect = (role: RibbonRole, x: number, y: number, width: number, height: number): RibbonRect => ({
  kind: 'rect',
  role,
  x,
  y,
  width,
  height,
});
const line = (role: RibbonRole, ...points: (readonly [number, number])[]): RibbonLine => ({
  kind: 'line',
  role,
  points,
  filled: false,
});
const area = (role: RibbonRole, ...points: (readonly [number, number])[]): RibbonLine => ({
  ...line(role, ...points),
  filled: true,
});
const word = (role: RibbonRole, anchor: RibbonWord['anchor'], x: number, y: number, text: string): RibbonWord => ({
  kind: 'word',
  role,
  x,
  y,
  anchor,
  text,
});

/** Where a place (-1..1) stands on a ribbon: from `margin` to `width - margin`. */
const across =
  (width: number, margin: number) =>
  (place: number): number =>
    margin + ((width - 2 * margin) * (place + 1)) / 2;
type Across = ReturnType<typeof across>;

const spanRect = (role: RibbonRole, [from, to]: readonly [number, number], at: Across, y: number, height: number) =>
  rect(role, at(from), y, at(to) - at(from), height);

/** A width that can still be seen. */
const atLeast = (mark: RibbonRect, least: number): RibbonRect => ({ ...mark, width: Math.max(least, mark.width) });

const bracketMark = ([from, to]: readonly [number, number], at: Across, foot: number, deep: number, least: number) => {
  const right = Math.max(at(to), at(from) + least);
  return line('bracket', [at(from), foot], [at(from), foot + deep], [right, foot + deep], [right, foot]);
};

const clamped = (x: number, margin: number, width: number) => Math.min(width - margin, Math.max(margin, x));

/** The ribbon on a screen, `width` px wide and 136 high: trail, band, scale. */
export function largeRibbonMarks(
  reading: RibbonTurned,
  limits: Tolerance,
  centreLabel: string,
  width: number,
  trail: RibbonTrail | null,
): RibbonMark[] {
  const { trail: top, band, proud } = RIBBON_LARGE;
  const foot = top + band;
  const at = across(width, 1);
  const geometry = ribbonGeometry(reading, limits, centreLabel);
  const marks: (RibbonMark | null)[] = [
    trail && trailMark(trail, limits, at, top),
    rect('band', 1, top, width - 2, band),
    ...(reading.turned
      ? [
          spanRect('window', geometry.window, at, top, band),
          ...geometry.window.map((edge) => line('limit', [at(edge), top], [at(edge), foot])),
          line('centre', [at(0), top], [at(0), foot]),
        ]
      : [rect('hatch', 1, top, width - 2, band), word('still', 'middle', width / 2, top + 29, say`did not turn`)]),
    word('word', 'start', 12, top + 28, 'slow'),
    word('word', 'end', width - 12, top + 28, 'fast'),
    geometry.wow && atLeast(spanRect('wow', geometry.wow, at, top, band), 1),
    geometry.mean === null ? null : rect('mean', at(geometry.mean) - 2, top - proud, 4, band + proud),
    geometry.beyond && beyondMark(geometry.beyond, width, 4, top + band / 2, 14, 10),
    ...geometry.ticks.map((tick) => line('tick', [at(tick.place), foot], [at(tick.place), foot + 6])),
    geometry.bracket && bracketMark(geometry.bracket, at, foot, 8, 2),
    ...figures(geometry, width, 48, (place) => clamped(at(place), 24, width), foot + 25),
  ];
  return marks.filter((mark) => mark !== null);
}

/** The ribbon in a row of a table, `width` px wide and 18 high: band, window, wow and mean alone. */
export function smallRibbonMarks(reading: RibbonTurned, limits: Tolerance, width: number): RibbonMark[] {
  const { band, height, leastWow } = RIBBON_SMALL;
  const at = across(width, 1);
  const geometry = ribbonGeometry(reading, limits, '');
  const marks: (RibbonMark | null)[] = [
    rect('band', 1, 1, width - 2, band),
    ...(reading.turned
      ? [
          spanRect('window', geometry.window, at, 1, band),
          ...geometry.window.map((edge) => line('limit', [at(edge), 1], [at(edge), 1 + band])),
        ]
      : [rect('hatch', 1, 1, width - 2, band)]),
    geometry.wow && atLeast(spanRect('wow', geometry.wow, at, 1, band), leastWow),
    geometry.mean === null ? null : line('mean', [at(geometry.mean), 0], [at(geometry.mean), height]),
  ];
  return marks.filter((mark) => mark !== null);
}

/** A ribbon in print: as found hollow, as left solid, an arrow from one to the other. */
export interface RibbonPair {
  readonly found: RibbonReading | null;
  readonly left: RibbonReading | null;
}

/** The ribbon in print, `width` mm wide and 16 high. A side without an error has no edge. */
export function printRibbonMarks(
  pair: RibbonPair,
  limits: Tolerance,
  centreLabel: string,
  width: number = RIBBON_PRINT.width,
): RibbonMark[] {
  const { top, foot } = RIBBON_PRINT;
  const at = across(width, 0);
  const of = (reading: RibbonReading | null) =>
    reading === null || reading.errorPercent === null ? null : ribbonGeometry(reading, limits, centreLabel);
  const found = of(pair.found);
  const left = of(pair.left);
  const any = left ?? found ?? ribbonGeometry(BLANK, limits, centreLabel);
  const window = spanRect('window', any.window, at, top, foot - top);
  return [
    window,
    { ...window, role: 'hatch' },
    rect('band', 0, top, width, foot - top),
    ...any.window.map((edge) => line('limit', [at(edge), top], [at(edge), foot])),
    line('centre', [at(0), top], [at(0), foot]),
    word('word', 'start', 1.5, 7, 'slow'),
    word('word', 'end', width - 1.5, 7, 'fast'),
    ...(found ? printEdge(found, 'found', at, width) : []),
    ...(left ? printEdge(left, 'mean', at, width) : []),
    ...(found && left ? arrowMarks(at(found.mean as number), at(left.mean as number)) : []),
    ...any.ticks.map((tick) => line('tick', [at(tick.place), foot], [at(tick.place), foot + 1])),
    ...figures(any, width, width < RIBBON_PRINT.width ? 13 : 12, (place) => clamped(at(place), 4, width), 15),
  ];
}

function printEdge(geometry: RibbonGeometry, role: 'found' | 'mean', at: Across, width: number): RibbonMark[] {
  const { top, foot } = RIBBON_PRINT;
  const marks: (RibbonMark | null)[] = [
    role === 'mean' && geometry.wow ? atLeast(spanRect('wow', geometry.wow, at, top, foot - top), 0.2) : null,
    rect(role, at(geometry.mean as number) - 0.6, top - 1.2, 1.2, foot - top + 1.2),
    geometry.beyond && beyondMark(geometry.beyond, width, 1, (top + foot) / 2, 2.4, 1.6),
    geometry.bracket && bracketMark(geometry.bracket, at, foot, 1.4, 0),
  ];
  return marks.filter((mark) => mark !== null);
}

/** From as found to as left; none where the two stand closer than 3 mm. */
function arrowMarks(from: number, to: number): RibbonMark[] {
  if (Math.abs(to - from) < 3) return [];
  const sense = Math.sign(to - from);
  const tip = to - sense;
  return [
    line('arrow', [from + sense, 1], [tip - sense * 1.6, 1]),
    area('arrowHead', [tip, 1], [tip - sense * 1.6, 0.2], [tip - sense * 1.6, 1.8]),
  ];
}

function beyondMark(
  side: 'slow' | 'fast',
  width: number,
  margin: number,
  y: number,
  long: number,
  half: number,
): RibbonMark {
  const tip = side === 'fast' ? width - margin : margin;
  const back = side === 'fast' ? tip - long : tip + long;
  return area('beyond', [tip, y], [back, y - half], [back, y + half]);
}

function figures(geometry: RibbonGeometry, width: number, gap: number, at: Across, y: number): RibbonMark[] {
  return visibleLabels(geometry, width, gap).map(({ place, label }) =>
    word(geometry.window.includes(place) ? 'limitFigure' : 'figure', 'middle', at(place), y, label),
  );
}

/** Now at the foot, a minute ago at the top. Null while there is one value only. */
function trailMark(trail: RibbonTrail, limits: Tolerance, at: Across, height: number): RibbonMark | null {
  const count = trail.errorPercent.length;
  const shown = Math.min(count, Math.round(TRAIL_S / trail.stepS));
  const thin = Math.max(1, Math.ceil(shown / TRAIL_POINTS));
  const points: [number, number][] = [];
  for (let i = count - shown; i < count; i += thin) {
    const age = (count - 1 - i) * trail.stepS;
    points.push([at(placeOf(trail.errorPercent[i] as number, limits)), height - (age * height) / TRAIL_S]);
  }
  return points.length > 1 ? line('trail', ...points) : null;
}
