/** The shipped faces for print, with a second one for signs that the text face does not have (⅓, Ω, →). */
import { createRequire } from 'node:module';
import type PDFDocument from 'pdfkit';

const require = createRequire(import.meta.url);
const next = '@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin';
const FILES = {
  text: `${next}-400-normal.woff`,
  bold: `${next}-600-normal.woff`,
  mono: '@fontsource/atkinson-hyperlegible-mono/files/atkinson-hyperlegible-mono-latin-400-normal.woff',
  signs: '@fontsource/dejavu-sans/files/dejavu-sans-latin-400-normal.woff',
} as const;

export type Face = 'text' | 'bold' | 'mono';
type Doc = InstanceType<typeof PDFDocument>;

/** Characters that the text faces lack. */
const SIGNS = /[\u0370-\u03ff\u2126\u2150-\u218f\u2190-\u21ff\u2260-\u2265\u00b5]/;

export function registerFonts(doc: Doc): void {
  for (const [name, file] of Object.entries(FILES)) doc.registerFont(name, require.resolve(file));
}

/** Splits a text into runs of one face each. */
export function runsOf(text: string, face: Face): { readonly face: Face | 'signs'; readonly text: string }[] {
  const runs: { face: Face | 'signs'; text: string }[] = [];
  for (const character of text.replaceAll('\u202f', '\u00a0')) {
    const wanted = SIGNS.test(character) ? 'signs' : face;
    const last = runs[runs.length - 1];
    if (last?.face === wanted) last.text += character;
    else runs.push({ face: wanted, text: character });
  }
  return runs;
}

export interface TextStyle {
  readonly face: Face;
  readonly size: number;
  readonly colour: string;
  readonly width: number;
}

/** Writes a text at x, y and returns the y below it. */
export function write(doc: Doc, text: string, x: number, y: number, style: TextStyle): number {
  const runs = runsOf(text || ' ', style.face);
  doc.fillColor(style.colour).fontSize(style.size);
  runs.forEach((run, i) => {
    const options = { width: style.width, continued: i < runs.length - 1, lineGap: style.size * 0.2 };
    doc.font(run.face);
    if (i === 0) doc.text(run.text, x, y, options);
    else doc.text(run.text, options);
  });
  return doc.y;
}

/** Height that {@link write} will take, for page breaks. */
export function heightOf(doc: Doc, text: string, style: TextStyle): number {
  return doc
    .font(style.face)
    .fontSize(style.size)
    .heightOfString(text || ' ', { width: style.width, lineGap: style.size * 0.2 });
}
