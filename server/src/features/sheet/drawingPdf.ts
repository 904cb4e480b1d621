/** Drawings as a PDF at true size, a page each. */
import { POINTS_PER_MM, traceDrawing, type Drawing } from '@amber-gauge/core/formats';
import PDFDocument from 'pdfkit';
import { registerFonts } from './fonts.js';
import { bytesOf } from './pen.js';

/** The whole file. */
export function drawingPdf(pages: readonly Drawing[]): Promise<Buffer> {
  const doc = new PDFDocument({ autoFirstPage: false, margin: 0, info: { Title: pages[0]?.title ?? '' } });
  registerFonts(doc);
  const done = bytesOf(doc);
  for (const page of pages) {
    doc.addPage({ size: [page.widthMm * POINTS_PER_MM, page.heightMm * POINTS_PER_MM], margin: 0 });
    doc.font('text');
    traceDrawing(page, doc);
  }
  doc.end();
  return done;
}
