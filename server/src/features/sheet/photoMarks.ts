/** The marks of a photo drawn on the paper over it: ink on a rim of the paper's white, as on the screen. */
import type { PhotoMark } from '@amber-gauge/core/bench';
import { write } from './fonts.js';
import { INK, type Writer } from './pen.js';
import { MM } from './ribbonPrint.js';

const PAPER = '#FCF8EF';
const ARROW = { rim: 1.4 * MM, line: 0.7 * MM, head: 3 * MM } as const;
const NUMBER = { radius: 2.8 * MM, size: 10 } as const;
const LABEL = { size: 9, pad: 1 * MM } as const;

/** Draws `marks` over a picture whose left upper corner and size on the page are given, in points. */
export function drawMarks(
  pen: Writer,
  marks: readonly PhotoMark[],
  { left, top, width, height }: Readonly<Record<'left' | 'top' | 'width' | 'height', number>>,
): void {
  for (const mark of marks) {
    const [x, y] = [left + mark.x * width, top + mark.y * height];
    if (mark.shape === 'arrow') arrow(pen, [x, y], [left + mark.toX * width, top + mark.toY * height]);
    else if (mark.shape === 'number') number(pen, x, y, mark.text);
    else label(pen, x, y, mark.text);
  }
}

type Point = readonly [number, number];

function arrow({ doc }: Writer, from: Point, to: Point): void {
  const along = Math.atan2(to[1] - from[1], to[0] - from[0]);
  const barb = (turn: number): Point => [
    to[0] - ARROW.head * Math.cos(along + turn),
    to[1] - ARROW.head * Math.sin(along + turn),
  ];
  for (const [colour, line] of [
    [PAPER, ARROW.rim],
    [INK, ARROW.line],
  ] as const) {
    doc.lineWidth(line).strokeColor(colour).lineCap('round');
    doc
      .moveTo(...from)
      .lineTo(...to)
      .stroke();
    for (const turn of [0.5, -0.5])
      doc
        .moveTo(...barb(turn))
        .lineTo(...to)
        .stroke();
  }
}

function number({ doc }: Writer, x: number, y: number, text: string): void {
  doc
    .lineWidth(0.4 * MM)
    .circle(x, y, NUMBER.radius)
    .fillAndStroke(PAPER, INK);
  doc.font('bold').fontSize(NUMBER.size);
  const style = { face: 'bold', size: NUMBER.size, colour: INK, width: 20 * MM } as const;
  write(doc, text, x - doc.widthOfString(text) / 2, y - NUMBER.size / 2 - 1, style);
}

function label({ doc }: Writer, x: number, y: number, text: string): void {
  doc.font('text').fontSize(LABEL.size);
  const width = doc.widthOfString(text) + 2 * LABEL.pad;
  doc
    .lineWidth(0.3 * MM)
    .rect(x, y, width, LABEL.size + 2 * LABEL.pad)
    .fillAndStroke(PAPER, INK);
  write(doc, text, x + LABEL.pad, y + LABEL.pad - 1, { face: 'text', size: LABEL.size, colour: INK, width: 80 * MM });
}
