/** A pen on A4 pages: lines, headings and rows that break pages, a foot on each. */
import PDFDocument from 'pdfkit';
import { heightOf, registerFonts, write, type Face, type TextStyle } from './fonts.js';
import { MM } from './ribbonPrint.js';
import { say } from '@amber-gauge/core/words';

export const INK = '#221C15';
export const INK2 = '#5B5043';
export const LEFT = 20 * MM;
const WIDTH = 170 * MM;
const TOP = 16 * MM;
const BOTTOM = 297 * MM - 18 * MM;

type Doc = InstanceType<typeof PDFDocument>;

/** The whole file, once the document is ended. */
export const bytesOf = (doc: Doc): Promise<Buffer> =>
  new Promise((resolve, reject) => {
    const chunks: Buffer[] = [];
    doc.on('data', (chunk: Buffer) => chunks.push(chunk));
    doc.on('end', () => resolve(Buffer.concat(chunks)));
    doc.on('error', reject);
  });

/** Makes a PDF of A4 pages with what `draw` writes on them; resolves with the whole file. */
export function madePdf(
  title: string,
  author: string,
  draw: (pen: Writer) => void,
  size: 'A4' | [number, number] = 'A4',
): Promise<Buffer> {
  const doc = new PDFDocument({
    size,
    margin: 0,
    bufferPages: true,
    info: { Title: title, Author: author, Creator: say`Amber Gauge` },
  });
  registerFonts(doc);
  const done = bytesOf(doc);
  draw(new Writer(doc));
  doc.end();
  return done;
}

/** A pen with a place on the page that moves down and breaks pages. */
export class Writer {
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

  /** A heading, kept on one page with what comes after it: a line, if it is not said how high that is. */
  heading(text: string, next = 8 * MM): void {
    this.room(12 * MM + next);
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

/** On every page: the caution at the left, the page's number at the right. */
export function foot({ doc }: Writer, caution: string): void {
  const { start, count } = doc.bufferedPageRange();
  for (let page = start; page < start + count; page++) {
    doc.switchToPage(page);
    write(doc, caution, LEFT, 297 * MM - 15 * MM, { face: 'text', size: 7.5, colour: INK2, width: 140 * MM });
    write(doc, say`page ${page + 1} of ${count}`, LEFT + 146 * MM, 297 * MM - 15 * MM, {
      face: 'text',
      size: 7.5,
      colour: INK2,
      width: 24 * MM,
    });
  }
}
