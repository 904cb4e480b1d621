/** A drawing traced with a pen, as vector printers have one; units are points, 72 to the inch. */
import type { Drawing, DrawingMark } from './drawing.js';

/** Points in a millimetre. */
export const POINTS_PER_MM = 72 / 25.4;

/** What a drawing needs of a printer: the usual strokes of a vector document. */
export interface Pen {
  moveTo(x: number, y: number): unknown;
  lineTo(x: number, y: number): unknown;
  closePath(): unknown;
  circle(x: number, y: number, radius: number): unknown;
  lineWidth(width: number): unknown;
  fill(colour: string): unknown;
  stroke(colour: string): unknown;
  save(): unknown;
  restore(): unknown;
  rotate(angle: number, options: { origin: [number, number] }): unknown;
  fontSize(size: number): unknown;
  fillColor(colour: string): unknown;
  widthOfString(text: string): number;
  text(text: string, x: number, y: number, options: { lineBreak: false; baseline: 'alphabetic' }): unknown;
}

const INK = '#221C15';

/** Traces every mark at true size. */
export function traceDrawing(drawing: Drawing, pen: Pen): void {
  for (const mark of drawing.marks) trace(mark, pen);
}

function trace(mark: DrawingMark, pen: Pen): void {
  const at = (value: number) => value * POINTS_PER_MM;
  switch (mark.kind) {
    case 'shape':
      walk(mark.points, pen);
      pen.closePath();
      pen.fill(INK);
      return;
    case 'line':
      pen.lineWidth(at(mark.widthMm));
      walk(mark.points, pen);
      pen.stroke(INK);
      return;
    case 'circle':
      pen.lineWidth(at(mark.widthMm));
      pen.circle(at(mark.x), at(mark.y), at(mark.radius));
      if (mark.filled) pen.fill(INK);
      else pen.stroke(INK);
      return;
    case 'words': {
      pen.save();
      pen.fontSize(at(mark.sizeMm));
      pen.fillColor(INK);
      const back = mark.anchor === 'middle' ? pen.widthOfString(mark.text) / 2 : 0;
      if (mark.turned !== 0) pen.rotate(mark.turned, { origin: [at(mark.x), at(mark.y)] });
      pen.text(mark.text, at(mark.x) - back, at(mark.y), { lineBreak: false, baseline: 'alphabetic' });
      pen.restore();
    }
  }
}

function walk(points: readonly (readonly [number, number])[], pen: Pen): void {
  points.forEach(([x, y], i) =>
    i === 0 ? pen.moveTo(x * POINTS_PER_MM, y * POINTS_PER_MM) : pen.lineTo(x * POINTS_PER_MM, y * POINTS_PER_MM),
  );
}
