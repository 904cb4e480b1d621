/** The owner's sheet as an A4 PDF, from the same model that the page shows. */
import type { SheetModel, SheetSpeed, SheetSpeedSide } from '@amber-gauge/core/bench';
import { ownEntry } from '@amber-gauge/core/quantity';
import { RIBBON_PRINT } from '@amber-gauge/core/speed';
import type { Face } from './fonts.js';
import { foot, INK, INK2, LEFT, madePdf, type Writer } from './pen.js';
import { drawMarks } from './photoMarks.js';
import { drawRibbon, MM } from './ribbonPrint.js';
import { say } from '@amber-gauge/core/words';

/** How a moment is printed: day and time of the shop's own clock. */
export type PrintDate = (iso: string) => string;

/** Bytes of the photos chosen, by id. */
export type SheetPhotos = Readonly<Record<string, Uint8Array>>;

/** Makes the PDF. Resolves with the whole file. */
export const sheetPdf = (model: SheetModel, printDate: PrintDate, photos: SheetPhotos): Promise<Buffer> =>
  madePdf(say`Job ${model.number}, ${model.unit}`, model.shop.name, (pen) => {
    layOut(pen, model, printDate, photos);
    foot(pen, model.caution);
  });

function layOut(pen: Writer, model: SheetModel, printDate: PrintDate, photos: SheetPhotos): void {
  pen.row([
    {
      text: [model.shop.name, model.shop.address].filter(Boolean).join(', '),
      x: 0,
      style: pen.style('text', 10, INK2, 120 * MM),
    },
    { text: say`Job ${model.number}`, x: 130 * MM, style: pen.style('bold', 12, INK, 40 * MM) },
  ]);
  pen.y += 2 * MM;
  pen.line(model.unit, pen.style('bold', 20), 2 * MM);
  for (const fact of model.facts) {
    pen.row([
      { text: fact.label, x: 0, style: pen.style('text', 10, INK2, 24 * MM) },
      { text: fact.value, x: 26 * MM, style: pen.style('text', 10, INK, 144 * MM) },
    ]);
  }
  if (model.complaint) {
    pen.heading(say`What was wrong`);
    pen.line(model.complaint, pen.style('text', 10));
  }
  // The first speed stands under the heading and the tolerance, on one page with them.
  pen.heading(say`Speed, as found and as left`, model.speeds.length > 0 ? 7 * MM + SPEED_HEIGHT : undefined);
  pen.line(say`Tolerance ${model.toleranceWords}`, pen.style('text', 9, INK2), 2 * MM);
  for (const speed of model.speeds) speedBlock(pen, model, speed, printDate);
  found(pen, model);
  textRows(pen, say`What was done`, model.done, printDate);
  list(pen, say`Parts that went in`, model.parts);
  proving(pen, model);
  textRows(pen, say`Notes`, model.notes, printDate);
  pictures(pen, model, photos);
  if (model.leftUndone) section(pen, say`Left undone`, model.leftUndone);
  if (model.watch) section(pen, say`What to watch`, model.watch);
  list(pen, say`Mind`, model.cautions);
  list(
    pen,
    say`Come again`,
    model.comeAgain.map(({ on, what }) => `${on}: ${what}`),
  );
  if (model.price) {
    pen.heading(say`Price`);
    pen.line(model.price, pen.style('mono', 14));
  }
}

function section(pen: Writer, title: string, text: string): void {
  pen.heading(title);
  pen.line(text, pen.style('text', 10));
}

function list(pen: Writer, title: string, items: readonly string[]): void {
  if (items.length === 0) return;
  pen.heading(title);
  for (const item of items) pen.line(item, pen.style('text', 10));
}

function found(pen: Writer, model: SheetModel): void {
  if (model.found.length === 0) return;
  pen.heading(say`What was found`);
  for (const one of model.found) {
    pen.line(one.text, pen.style('text', 10));
    for (const by of one.by) pen.line(by, pen.style('mono', 8, INK2, 160 * MM), 0.5 * MM, LEFT + 6 * MM);
  }
}

/** What was shown, then what was not: as plainly. */
function proving(pen: Writer, model: SheetModel): void {
  if (model.shown.length + model.notShown.length === 0) return;
  pen.heading(model.proved ? say`Proved` : say`Shown so far`);
  for (const one of model.shown)
    pen.row(
      [
        { text: one.name, x: 0, style: pen.style('text', 10, INK, 76 * MM) },
        { text: one.words, x: 78 * MM, style: pen.style('mono', 9, INK, 92 * MM) },
      ],
      0.5 * MM,
    );
  if (model.notShown.length === 0) return;
  pen.heading(say`Not proved`);
  for (const one of model.notShown)
    pen.row(
      [
        { text: one.name, x: 0, style: pen.style('text', 10, INK, 76 * MM) },
        { text: one.words, x: 78 * MM, style: pen.style('text', 9, INK2, 92 * MM) },
      ],
      0.5 * MM,
    );
}

/** Photos chosen, two in a row, none wider than half the page or higher than 60 mm. */
function pictures(pen: Writer, model: SheetModel, photos: SheetPhotos): void {
  const there = model.photos.flatMap((photo) => {
    const bytes = ownEntry(photos, photo.photoId);
    return bytes ? [{ ...photo, bytes }] : [];
  });
  if (there.length === 0) return;
  const [width, height] = [82 * MM, 60 * MM];
  pen.heading(say`Photos`, height + 8 * MM);
  for (let i = 0; i < there.length; i += 2) {
    pen.room(height + 8 * MM);
    const top = pen.y;
    there.slice(i, i + 2).forEach((one, column) => {
      const x = LEFT + column * 88 * MM;
      pen.doc.image(Buffer.from(one.bytes), x, top, { fit: [width, height] });
      const scale = Math.min(width / one.width, height / one.height);
      drawMarks(pen, one.marks, { left: x, top, width: scale * one.width, height: scale * one.height });
    });
    pen.y = top + height + 1 * MM;
    pen.row(
      there.slice(i, i + 2).map((one, column) => ({
        text: one.caption,
        x: column * 88 * MM,
        style: pen.style('text', 8, INK2, width),
      })),
    );
  }
}

/** What a speed takes: its name, its ribbon and four lines of figures. */
const SPEED_HEIGHT = (RIBBON_PRINT.height + 26) * MM;

function speedBlock(pen: Writer, model: SheetModel, speed: SheetSpeed, printDate: PrintDate): void {
  pen.room(SPEED_HEIGHT);
  pen.line(speed.label, pen.style('bold', 11), 0);
  drawRibbon(pen.doc, speed, model.tolerance, LEFT, pen.y);
  pen.y += RIBBON_PRINT.height * MM;
  const half = 84 * MM;
  const cells = (pick: (side: SheetSpeedSide) => string, face: Face, size: number, colour: string) =>
    pen.row(
      [speed.asFound, speed.asLeft].map((side, i) => ({
        text: side ? pick(side) : '',
        x: i * (half + 2 * MM),
        style: pen.style(face, size, colour, half),
      })),
      0.5 * MM,
    );
  pen.row(
    [speed.asFound, speed.asLeft].map((side, i) => ({
      text: `${i === 0 ? say`As found` : say`As left`}${side ? `, ${printDate(side.at)}` : say`: not measured`}`,
      x: i * (half + 2 * MM),
      style: pen.style('text', 9, INK2, half),
    })),
    0.5 * MM,
  );
  cells((side) => side.words, 'mono', 12, INK);
  cells((side) => side.verdict, 'text', 10, INK);
  cells((side) => side.how, 'text', 8, INK2);
  pen.y += 3 * MM;
}

function textRows(pen: Writer, title: string, rows: SheetModel['done'], printDate: PrintDate): void {
  if (rows.length === 0) return;
  pen.heading(title);
  for (const row of rows) {
    pen.row([
      { text: printDate(row.at), x: 0, style: pen.style('mono', 8, INK2, 34 * MM) },
      { text: row.text, x: 36 * MM, style: pen.style('text', 10, INK, 134 * MM) },
    ]);
  }
}
