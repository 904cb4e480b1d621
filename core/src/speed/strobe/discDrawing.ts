/** Discs and strips drawn at true size: bars, residues, hole, ruler, the way that is fast, the mark for counting. */
import { PAPERS, type Drawing, type DrawingMark } from '../../formats/index.js';
import { fixed, signed } from '../../quantity/index.js';
import { discRings, innerRadius, ringRadii, WHITE_MM, type DiscRing, type DiscWish } from './disc.js';
import { say } from '../../words/index.js';
import { LETTER_MM, PAPER_MM, RULER_MM, STRIP_MM } from './defaults.js';

/** Width of letters, of their height, in plain sans serif faces: narrow, wide, and the rest. */
const widthOf = (text: string): number =>
  [...text].reduce((sum, letter) => sum + (/[.,:il]/.test(letter) ? 0.28 : /[mw%]/.test(letter) ? 0.85 : 0.56), 0);

/** Pages at true size; the wish must have no problems. */
export function drawDisc(wish: DiscWish): Drawing[] {
  return wish.stripMm === null ? [discPage(wish)] : stripPages(wish, wish.stripMm);
}

/** "33.33 rpm · 180 bars · 0.00 % · 100 flashes a second". */
const ringWords = (ring: DiscRing, flashHz: number): string =>
  say`${Number(ring.nominalRpm.toFixed(2))} rpm, ${ring.bars} bars,
    ${signed(ring.residuePercent, 2).replace('\u2212', '-')} % when still, ${Number(flashHz.toFixed(2))} flashes a
    second`;

function discPage(wish: DiscWish): Drawing {
  const [widthMm, heightMm] = PAPERS[wish.paper];
  const discMm = wish.discMm ?? 0;
  const [x, y] = [widthMm / 2, WHITE_MM + discMm / 2 + 2];
  const flashHz = wish.lampHz * wish.flashesPerCycle;
  const rings = discRings(wish);
  const marks: DrawingMark[] = rings.flatMap((ring, i) => {
    const [inner, outer] = ringRadii(discMm, i);
    return [...ringBarsAt(x, y, inner, outer, ring.bars), ...wordsRound(x, y, inner - 3, ringWords(ring, flashHz))];
  });
  marks.push(circle(x, y, discMm / 2, 0.25), circle(x, y, 0.4, 0.1, true));
  if (wish.holeMm > 0) marks.push(circle(x, y, wish.holeMm / 2, 0.25));
  marks.push(countingMark(x, y, discMm), ...direction(x, y, innerRadius(discMm, rings.length) - 2, wish.holeMm));
  const foot = y + discMm / 2 + 12;
  marks.push(...ruler(x - RULER_MM / 2, foot), ...notes(widthMm, foot + 12, wish));
  return { widthMm, heightMm, title: say`Strobe disc`, marks };
}

/** A line of words round the top of a circle, word by word: each lies on the tangent at its middle. */
function wordsRound(x: number, y: number, radius: number, text: string): DrawingMark[] {
  const parts = text.split(' ');
  const widths = parts.map((part) => LETTER_MM * widthOf(part));
  const space = 0.35 * LETTER_MM;
  let at = -(widths.reduce((sum, one) => sum + one, 0) + space * (parts.length - 1)) / 2;
  return parts.map((part, i): DrawingMark => {
    const width = widths[i] as number;
    const angle = (at + width / 2) / radius;
    at += width + space;
    return {
      ...words(x + radius * Math.sin(angle), y - radius * Math.cos(angle), part, 'middle', LETTER_MM),
      turned: (angle * 180) / Math.PI,
    };
  });
}

/** Bars of a ring, half of each pitch dark, as wedges between two radii. */
function ringBarsAt(x: number, y: number, inner: number, outer: number, bars: number): DrawingMark[] {
  const at = (radius: number, turn: number): [number, number] => [
    x + radius * Math.sin(2 * Math.PI * turn),
    y - radius * Math.cos(2 * Math.PI * turn),
  ];
  return Array.from({ length: bars }, (_, k): DrawingMark => {
    const [from, to] = [(k - 0.25) / bars, (k + 0.25) / bars];
    return { kind: 'shape', points: [at(inner, from), at(outer, from), at(outer, to), at(inner, to)] };
  });
}

/** A triangle on the edge: it passes once a turn. */
const countingMark = (x: number, y: number, discMm: number): DrawingMark => ({
  kind: 'shape',
  points: [
    [x, y - discMm / 2 + 2],
    [x - 2, y - discMm / 2],
    [x + 2, y - discMm / 2],
  ],
});

/** An arrow the way a record turns (clockwise from above) and what it means for the bars. */
function direction(x: number, y: number, radius: number, holeMm: number): DrawingMark[] {
  const reach = Math.max(holeMm / 2 + 4, Math.min(radius, 26));
  const arc = Array.from({ length: 25 }, (_, i): [number, number] => {
    const angle = (-60 + 5 * i) * (Math.PI / 180);
    return [x + reach * Math.sin(angle), y - reach * Math.cos(angle)];
  });
  const [endX, endY] = arc.at(-1) as [number, number];
  return [
    { kind: 'line', points: arc, widthMm: 0.6 },
    {
      kind: 'shape',
      points: [
        [endX + 1.2, endY + 2.4],
        [endX + 1.9, endY - 1.3],
        [endX - 1.9, endY + 0.2],
      ],
    },
    words(x, y + reach - 1, say`bars run with the arrow: fast`, 'middle', 2.4),
    words(x, y + reach + 2.6, say`against it: slow`, 'middle', 2.4),
  ];
}

/** Ticks every 10 mm over exactly 100 mm. */
function ruler(x: number, y: number): DrawingMark[] {
  const ticks = Array.from({ length: RULER_MM / 10 + 1 }, (_, i): DrawingMark => ({
    kind: 'line',
    points: [
      [x + 10 * i, y - (i % 5 === 0 ? 3 : 2)],
      [x + 10 * i, y],
    ],
    widthMm: 0.2,
  }));
  return [
    {
      kind: 'line',
      points: [
        [x, y],
        [x + RULER_MM, y],
      ],
      widthMm: 0.2,
    },
    ...ticks,
    words(
      x,
      y + 4,
      say`Measure this: 100 mm. Otherwise print again at 100 %, without fitting to the page.`,
      'start',
      2.8,
    ),
  ];
}

function notes(widthMm: number, y: number, wish: DiscWish): DrawingMark[] {
  const lamp = wish.flashesPerCycle === 2 ? say`flashes twice a cycle` : say`flashes once a cycle`;
  return [
    words(
      widthMm / 2,
      y,
      say`Lamp on ${Number(wish.lampHz.toFixed(2))} Hz that ${lamp}: filament, neon or strobe lamp. LEDs and
        high-frequency lamps show nothing.`,
      'middle',
      2.8,
    ),
    words(
      widthMm / 2,
      y + 4.5,
      say`Cut round the outer circle; count turns by the triangle. Flashing light makes turning parts look still: keep
        fingers clear.`,
      'middle',
      2.8,
    ),
  ];
}

/** Strips for a rim, one a speed, in pieces of whole bars that fit the paper. */
function stripPages(wish: DiscWish, stripMm: number): Drawing[] {
  const [widthMm, heightMm] = PAPERS[wish.paper];
  const flashHz = wish.lampHz * wish.flashesPerCycle;
  const around = Math.PI * (stripMm + PAPER_MM);
  const longest = widthMm - 2 * WHITE_MM;
  const pieces = discRings(wish).flatMap((ring) => {
    const pitch = around / ring.bars;
    const each = Math.floor(longest / pitch);
    const count = Math.ceil(ring.bars / each);
    return Array.from({ length: count }, (_, i) => ({
      ring,
      pitch,
      bars: Math.min(each, ring.bars - i * each),
      name: `piece ${i + 1} of ${count}`,
    }));
  });
  const pages: DrawingMark[][] = [[]];
  let y = WHITE_MM + 18;
  for (const { ring, pitch, bars, name } of pieces) {
    if (y + STRIP_MM + 8 > heightMm - WHITE_MM) {
      pages.push([]);
      y = WHITE_MM + 18;
    }
    const page = pages.at(-1) as DrawingMark[];
    for (let k = 0; k < bars; k++) page.push(rect(WHITE_MM + k * pitch, y, pitch / 2, STRIP_MM));
    page.push(outline(WHITE_MM, y, bars * pitch, STRIP_MM));
    page.push(
      words(
        WHITE_MM,
        y + STRIP_MM + 4,
        say`${ringWords(ring, flashHz)}, round ${fixed(stripMm, 1)} mm, ${name}`,
        'start',
        LETTER_MM,
      ),
    );
    y += STRIP_MM + 10;
  }
  return pages.map((marks) => ({
    widthMm,
    heightMm,
    title: say`Strobe strip`,
    marks: [...ruler(WHITE_MM, WHITE_MM + 4), ...marks],
  }));
}

const words = (
  x: number,
  y: number,
  text: string,
  anchor: 'start' | 'middle',
  sizeMm: number,
): Extract<DrawingMark, { kind: 'words' }> => ({
  kind: 'words',
  x,
  y,
  text,
  sizeMm,
  anchor,
  turned: 0,
});
const circle = (x: number, y: number, radius: number, widthMm: number, filled = false): DrawingMark => ({
  kind: 'circle',
  x,
  y,
  radius,
  widthMm,
  filled,
});
const rect = (x: number, y: number, width: number, height: number): DrawingMark => ({
  kind: 'shape',
  points: [
    [x, y],
    [x + width, y],
    [x + width, y + height],
    [x, y + height],
  ],
});
const outline = (x: number, y: number, width: number, height: number): DrawingMark => ({
  kind: 'line',
  points: [
    [x, y],
    [x + width, y],
    [x + width, y + height],
    [x, y + height],
    [x, y],
  ],
  widthMm: 0.15,
});
