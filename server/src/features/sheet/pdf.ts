/** The hand-back sheet as an A4 PDF, from the same model that the page shows. */
import type { SheetModel, SheetSpeed, SheetSpeedSide } from '@amber-gauge/core/bench';
import PDFDocument from 'pdfkit';
import { heightOf, registerFonts, write, type Face, type TextStyle } from './fonts.js';
import { RIBBON_PRINT } from '@amber-gauge/core/speed';
import { drawRibbon, MM } from './ribbonPrint.js';

const INK = '#221C15';
const INK2 = '#5B5043';
const LEFT = 20 * MM;
const WIDTH = 170 * MM;
const TOP = 16 * MM;
const BOTTOM = 297 * MM - 18 * MM;

type Doc = InstanceType<typeof PDFDocument>;

/** How a moment is printed: day and time of the shop's own clock. */
export type PrintDate = (iso: string) => string;

/** Makes the PDF. Resolves with the whole file. */
export function sheetPdf(model: SheetModel, printDate: PrintDate): Promise<Buffer> {
  const doc = new PDFDocument({
    size: 'A4',
    margin: 0,
    bufferPages: true,
    info: { Title: `Job ${model.number}, ${model.unit}`, Author: model.shop.name, Creator: 'Amber Gauge' },
  });
  registerFonts(doc);
  const chunks: Buffer[] = [];
  const done = new Promise<Buffer>((resolve, reject) => {
    doc.on('data', (chunk: Buffer) => chunks.push(chunk));
    doc.on('end', () => resolve(Buffer.concat(chunks)));
    doc.on('error', reject);
  });
  layOut(new Writer(doc), model, printDate);
  foot(doc, model);
  doc.end();
  return done;
}

/** A pen with a place on the page that moves down and breaks pages. */
class Writer {
  y = TOP;
  constructor(readonly doc: Doc) {}

  style(face: Face, size: number, colour = INK, width = WIDTH): TextStyle {
    return { face, size, colour, width };
  }

  room(height: number): void {
    if (this.y + height <= BOTTOM) return;
    this.doc.addPage();
    this.y = TOP;
  }

  line(text: string, style: TextStyle, gap = 1 * MM, x = LEFT): void {
    this.room(heightOf(this.doc, text, style));
    this.y = write(this.doc, text, x, this.y, style) + gap;
  }

  heading(text: string): void {
    this.room(16 * MM);
    this.y += 3 * MM;
    this.line(text, this.style('bold', 12), 0.5 * MM);
    this.doc
      .lineWidth(0.25 * MM)
      .strokeColor(INK)
      .moveTo(LEFT, this.y)
      .lineTo(LEFT + WIDTH, this.y)
      .stroke();
    this.y += 2 * MM;
  }

  /** A row of columns, each with its own left edge and style; as high as the highest. */
  row(cells: readonly { readonly text: string; readonly x: number; readonly style: TextStyle }[], gap = 1 * MM): void {
    this.room(Math.max(...cells.map((cell) => heightOf(this.doc, cell.text, cell.style))));
    const top = this.y;
    this.y = Math.max(...cells.map((cell) => write(this.doc, cell.text, LEFT + cell.x, top, cell.style))) + gap;
  }
}

function layOut(pen: Writer, model: SheetModel, printDate: PrintDate): void {
  pen.row([
    {
      text: [model.shop.name, model.shop.address].filter(Boolean).join(', '),
      x: 0,
      style: pen.style('text', 10, INK2, 120 * MM),
    },
    { text: `Job ${model.number}`, x: 130 * MM, style: pen.style('bold', 12, INK, 40 * MM) },
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
    pen.heading('What was wrong');
    pen.line(model.complaint, pen.style('text', 10));
  }
  pen.heading('Speed, as found and as left');
  pen.line(`Tolerance ${model.toleranceWords}`, pen.style('text', 9, INK2), 2 * MM);
  for (const speed of model.speeds) speedBlock(pen, model, speed, printDate);
  textRows(pen, 'What was done', model.done, printDate);
  readingRows(pen, model, printDate);
  textRows(pen, 'Notes', model.notes, printDate);
  if (model.leftUndone) {
    pen.heading('Left undone');
    pen.line(model.leftUndone, pen.style('text', 10));
  }
}

function speedBlock(pen: Writer, model: SheetModel, speed: SheetSpeed, printDate: PrintDate): void {
  pen.room(RIBBON_PRINT.height * MM + 26 * MM);
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
      text: `${i === 0 ? 'As found' : 'As left'}${side ? `, ${printDate(side.at)}` : ': not measured'}`,
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

function readingRows(pen: Writer, model: SheetModel, printDate: PrintDate): void {
  if (model.readings.length === 0) return;
  pen.heading('Readings');
  for (const row of model.readings) {
    pen.row([
      { text: printDate(row.at), x: 0, style: pen.style('mono', 8, INK2, 34 * MM) },
      { text: row.place, x: 36 * MM, style: pen.style('text', 10, INK, 74 * MM) },
      { text: row.value, x: 112 * MM, style: pen.style('mono', 10, INK, 58 * MM) },
    ]);
  }
}

function foot(doc: Doc, model: SheetModel): void {
  const { start, count } = doc.bufferedPageRange();
  for (let page = start; page < start + count; page++) {
    doc.switchToPage(page);
    write(doc, model.caution, LEFT, 297 * MM - 15 * MM, { face: 'text', size: 7.5, colour: INK2, width: 140 * MM });
    write(doc, `page ${page + 1} of ${count}`, LEFT + 146 * MM, 297 * MM - 15 * MM, {
      face: 'text',
      size: 7.5,
      colour: INK2,
      width: 24 * MM,
    });
  }
}
