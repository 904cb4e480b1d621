/** Paints the printed ribbon's marks into the PDF: the core says where each stands, in millimetres. */
import { centreLabel, printRibbonMarks, type RibbonMark, type RibbonRole } from '@amber-gauge/core/speed';
import type { SheetSpeed } from '@amber-gauge/core/bench';
import type { Tolerance } from '@amber-gauge/core/quantity';
import type PDFDocument from 'pdfkit';
import { runsOf } from './fonts.js';

type Doc = InstanceType<typeof PDFDocument>;
type Of<Kind extends RibbonMark['kind']> = Extract<RibbonMark, { kind: Kind }>;

/** Points in a millimetre. */
export const MM = 72 / 25.4;
const INK = '#221C15';
const EDGE = '#B26A00';
const WORD_PT = 7.5;
/** Distance of the hatch's lines, mm. */
const HATCH_MM = 2;

interface Paint {
  readonly fill?: string;
  readonly fillOpacity?: number;
  readonly stroke?: string;
  readonly lineMm?: number;
}

const FINE: Paint = { stroke: INK, lineMm: 0.25 };
const PAINTS: Partial<Record<RibbonRole, Paint>> = {
  window: { fill: '#FBE6B8' },
  band: FINE,
  limit: { stroke: EDGE, lineMm: 0.5 },
  wow: { fill: INK, fillOpacity: 0.4 },
  mean: { fill: INK },
  found: { fill: '#FFFFFF', stroke: INK, lineMm: 0.5 },
  beyond: { fill: INK },
  arrowHead: { fill: INK },
};

/** Draws the ribbon of one speed with its left upper corner at x, y (points). */
export function drawRibbon(doc: Doc, speed: SheetSpeed, limits: Tolerance, x: number, y: number): void {
  const pair = { found: speed.asFound, left: speed.asLeft };
  doc.save().translate(x, y).scale(MM);
  for (const mark of printRibbonMarks(pair, limits, centreLabel(speed.nominalRpm, speed.label))) {
    if (mark.kind === 'word') write(doc, mark);
    else if (mark.role === 'hatch') hatch(doc, mark as Of<'rect'>);
    else {
      trace(doc, mark);
      ink(doc, PAINTS[mark.role] ?? FINE);
    }
  }
  doc.restore();
}

function trace(doc: Doc, mark: Of<'rect'> | Of<'line'>): void {
  if (mark.kind === 'rect') {
    doc.rect(mark.x, mark.y, mark.width, mark.height);
    return;
  }
  mark.points.forEach(([x, y], i) => (i === 0 ? doc.moveTo(x, y) : doc.lineTo(x, y)));
  if (mark.filled) doc.closePath();
}

function ink(doc: Doc, { fill, fillOpacity = 1, stroke, lineMm = 0 }: Paint): void {
  if (stroke) doc.lineWidth(lineMm).strokeColor(stroke);
  if (fill) doc.fillOpacity(fillOpacity);
  if (fill && stroke) doc.fillAndStroke(fill, stroke);
  else if (fill) doc.fill(fill);
  else doc.stroke();
  if (fill) doc.fillOpacity(1);
}

function hatch(doc: Doc, { x, y, width, height }: Of<'rect'>): void {
  doc.save().rect(x, y, width, height).clip().lineWidth(0.25).strokeColor(EDGE).strokeOpacity(0.5);
  for (let left = x - height; left < x + width; left += HATCH_MM)
    doc
      .moveTo(left, y + height)
      .lineTo(left + height, y)
      .stroke();
  doc.restore();
}

function write(doc: Doc, { text, x, y, anchor }: Of<'word'>): void {
  const size = WORD_PT / MM;
  const runs = runsOf(text, 'text').map((run) => ({
    ...run,
    width: doc.font(run.face).fontSize(size).widthOfString(run.text),
  }));
  const whole = runs.reduce((sum, run) => sum + run.width, 0);
  let left = anchor === 'start' ? x : anchor === 'end' ? x - whole : x - whole / 2;
  for (const run of runs) {
    doc
      .font(run.face)
      .fontSize(size)
      .fillColor(INK)
      .text(run.text, left, y, { lineBreak: false, baseline: 'alphabetic' });
    left += run.width;
  }
}
