/** The bench sheet as an A4 PDF: for the next repairer of this unit. */
import type { BenchSheet, BenchSheetRow } from '@amber-gauge/core/bench';
import { foot, INK, INK2, madePdf, type Writer } from './pen.js';
import type { PrintDate } from './pdf.js';
import { MM } from './ribbonPrint.js';
import { say } from '@amber-gauge/core/words';

/** Makes the PDF. Resolves with the whole file. */
export const benchPdf = (sheet: BenchSheet, printDate: PrintDate): Promise<Buffer> =>
  madePdf(say`Bench sheet ${sheet.number}, ${sheet.unit}`, sheet.shop.name, (pen) => {
    pen.row([
      { text: sheet.shop.name, x: 0, style: pen.style('text', 10, INK2, 120 * MM) },
      { text: say`Bench sheet ${sheet.number}`, x: 120 * MM, style: pen.style('bold', 12, INK, 50 * MM) },
    ]);
    pen.line(sheet.unit, pen.style('bold', 20), 1 * MM);
    pen.line([sheet.kind, sheet.serial].filter(Boolean).join(', '), pen.style('text', 10, INK2), 2 * MM);
    rows(pen, say`Test points, healthy`, sheet.points, printDate);
    rows(pen, say`Speeds as left`, sheet.speeds, printDate);
    rows(pen, say`Trims`, sheet.trims, printDate);
    rows(pen, say`How it comes apart`, sheet.opening, printDate);
    rows(pen, say`Found inside`, sheet.traces, printDate);
    rows(
      pen,
      say`What was done`,
      sheet.done.map(({ at, text }) => ({ label: '', value: text, at })),
      printDate,
    );
    pen.heading(say`Mind`);
    for (const caution of sheet.cautions) pen.line(caution, pen.style('text', 10));
    foot(pen, say`Readings of this one unit, with the meter of this bench. Another may differ.`);
  });

function rows(pen: Writer, title: string, lines: readonly BenchSheetRow[], printDate: PrintDate): void {
  if (lines.length === 0) return;
  pen.heading(title);
  for (const one of lines)
    pen.row([
      { text: one.label, x: 0, style: pen.style('text', 10, INK, 60 * MM) },
      { text: one.value, x: 62 * MM, style: pen.style('mono', 9, INK, 78 * MM) },
      { text: printDate(one.at), x: 142 * MM, style: pen.style('mono', 7, INK2, 28 * MM) },
    ]);
}
