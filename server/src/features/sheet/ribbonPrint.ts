/** The ribbon gauge in print: 170 x 16 mm, window hatched as well as tinted, as found hollow, as left solid. */
import { centreLabel, ribbonGeometry, visibleLabels, type RibbonGeometry } from '@amber-gauge/core/speed';
import type { SheetSpeed, SheetSpeedSide } from '@amber-gauge/core/bench';
import type { Tolerance } from '@amber-gauge/core/quantity';
import type PDFDocument from 'pdfkit';
import { runsOf } from './fonts.js';

type Doc = InstanceType<typeof PDFDocument>;

export const MM = 72 / 25.4;
export const RIBBON_PRINT = { width: 170 * MM, band: 8 * MM, height: 16 * MM } as const;
const LINE = 0.25 * MM;
const INK = '#221C15';

/** Draws the ribbon of one speed with its left upper corner at x, y. */
export function drawRibbon(doc: Doc, speed: SheetSpeed, limits: Tolerance, x: number, y: number): void {
  const found = geometryOf(speed.asFound, speed, limits);
  const left = geometryOf(speed.asLeft, speed, limits);
  const at = (place: number) => x + (RIBBON_PRINT.width * (place + 1)) / 2;
  const top = y + 2 * MM;
  const bottom = top + RIBBON_PRINT.band;
  const any =
    left ?? found ?? ribbonGeometry({ errorPercent: null, expandedPercent: null, wowPeakPercent: null }, limits, '');
  doc.save().lineWidth(LINE);
  doc.rect(at(any.window[0]), top, at(any.window[1]) - at(any.window[0]), RIBBON_PRINT.band).fill('#FBE6B8');
  hatch(doc, at(any.window[0]), at(any.window[1]), top, bottom);
  doc.strokeColor('#B26A00').lineWidth(2 * LINE);
  for (const edge of any.window) doc.moveTo(at(edge), top).lineTo(at(edge), bottom).stroke();
  doc.strokeColor(INK).lineWidth(LINE).rect(x, top, RIBBON_PRINT.width, RIBBON_PRINT.band).stroke();
  doc.moveTo(at(0), top).lineTo(at(0), bottom).stroke();
  word(doc, 'slow', x + 1.5 * MM, top + 2.4 * MM);
  word(doc, 'fast', x + RIBBON_PRINT.width - 8 * MM, top + 2.4 * MM);
  if (found) edge(doc, found, at, top, bottom, false);
  if (left) edge(doc, left, at, top, bottom, true);
  if (found?.mean != null && left?.mean != null) arrow(doc, at(found.mean), at(left.mean), top - 1 * MM);
  scale(doc, any, speed, at, bottom);
  doc.restore();
}

function geometryOf(side: SheetSpeedSide | null, speed: SheetSpeed, limits: Tolerance): RibbonGeometry | null {
  if (!side || side.errorPercent === null) return null;
  return ribbonGeometry(side, limits, centreLabel(speed.nominalRpm, speed.label));
}

function edge(
  doc: Doc,
  geometry: RibbonGeometry,
  at: (place: number) => number,
  top: number,
  bottom: number,
  solid: boolean,
): void {
  const middle = at(geometry.mean as number);
  if (solid && geometry.wow) {
    const [from, to] = geometry.wow;
    doc
      .fillOpacity(0.4)
      .rect(at(from), top, Math.max(0.5, at(to) - at(from)), bottom - top)
      .fill(INK)
      .fillOpacity(1);
  }
  const half = 0.6 * MM;
  doc.rect(middle - half, top - 1.2 * MM, 2 * half, bottom - top + 1.2 * MM);
  if (solid) doc.fill(INK);
  else
    doc
      .lineWidth(2 * LINE)
      .strokeColor(INK)
      .fillAndStroke('#FFFFFF', INK);
  if (geometry.bracket) {
    const [from, to] = geometry.bracket;
    const foot = bottom + 1.4 * MM;
    doc
      .lineWidth(LINE)
      .strokeColor(INK)
      .moveTo(at(from), bottom)
      .lineTo(at(from), foot)
      .lineTo(at(to), foot)
      .lineTo(at(to), bottom)
      .stroke();
  }
}

function arrow(doc: Doc, from: number, to: number, y: number): void {
  if (Math.abs(to - from) < 3 * MM) return;
  const sense = Math.sign(to - from);
  const tip = to - sense * 1 * MM;
  doc
    .lineWidth(LINE)
    .strokeColor(INK)
    .moveTo(from + sense * 1 * MM, y)
    .lineTo(tip, y)
    .stroke();
  doc
    .moveTo(tip, y)
    .lineTo(tip - sense * 1.6 * MM, y - 0.8 * MM)
    .lineTo(tip - sense * 1.6 * MM, y + 0.8 * MM)
    .fill(INK);
}

function hatch(doc: Doc, left: number, right: number, top: number, bottom: number): void {
  const height = bottom - top;
  doc
    .save()
    .rect(left, top, right - left, height)
    .clip()
    .lineWidth(LINE)
    .strokeColor('#B26A00')
    .strokeOpacity(0.5);
  for (let x = left - height; x < right; x += 2 * MM)
    doc
      .moveTo(x, bottom)
      .lineTo(x + height, top)
      .stroke();
  doc.restore();
}

function scale(
  doc: Doc,
  geometry: RibbonGeometry,
  speed: SheetSpeed,
  at: (place: number) => number,
  bottom: number,
): void {
  doc.strokeColor(INK).lineWidth(LINE);
  for (const tick of geometry.ticks)
    doc
      .moveTo(at(tick.place), bottom)
      .lineTo(at(tick.place), bottom + 1 * MM)
      .stroke();
  const labelled = { ...geometry, centreLabel: centreLabel(speed.nominalRpm, speed.label) };
  for (const { place, label } of visibleLabels(labelled, RIBBON_PRINT.width, 12 * MM)) {
    const width = widthOf(doc, label);
    const left = Math.min(at(1) - width, Math.max(at(-1), at(place) - width / 2));
    word(doc, label, left, bottom + 1.8 * MM);
  }
}

const SMALL = 7.5;

function widthOf(doc: Doc, text: string): number {
  return runsOf(text, 'text').reduce((sum, run) => sum + doc.font(run.face).fontSize(SMALL).widthOfString(run.text), 0);
}

function word(doc: Doc, text: string, x: number, y: number): void {
  let left = x;
  for (const run of runsOf(text, 'text')) {
    doc.font(run.face).fontSize(SMALL).fillColor(INK).text(run.text, left, y, { lineBreak: false });
    left += doc.widthOfString(run.text);
  }
}
