/**
 * Papers as they were laid out: where lines stand. How high a line is comes from the faces' own files (as the PDF library
 * reads them), not from what is printed.
 */
import type { SheetModel, SheetSpeedSide } from '@amber-gauge/core/bench';
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
import PDFDocument from 'pdfkit';
import { expect } from 'vitest';
import { registerFonts } from '../src/features/sheet/fonts.js';
import type { Word } from './drawn.js';

const MM = 72 / 25.4;
type Face = 'text' | 'bold' | 'mono';

const faces = new PDFDocument();
registerFonts(faces);
/** From the upper edge of a line to its baseline, and to its lower edge with a fifth of its size as lead, mm. */
export function lineOf(face: Face, size: number): { base: number; height: number } {
  faces.font(face).fontSize(size);
  const { ascender } = (faces as unknown as { _font: { ascender: number } })._font;
  return { base: (ascender / 1000) * (size / MM), height: (faces.currentLineHeight(true) + 0.2 * size) / MM };
}

/** Its pages, read back. */
export async function pagesOf(pdf: Promise<Buffer>) {
  const doc = await getDocument({ data: new Uint8Array(await pdf) }).promise;
  return Promise.all(Array.from({ length: doc.numPages }, (_, i) => doc.getPage(i + 1)));
}

/** A moment, and how it is printed. */
export const AT = '2026-03-01T10:00:00.000Z';
export const when = (iso: string) => iso.slice(0, 10);
const side = (words: string): SheetSpeedSide => ({
  at: AT,
  words,
  verdict: `${words} is right`,
  how: `${words} by tone`,
  errorPercent: 0.5,
  expandedPercent: 0.1,
  wowPeakPercent: null,
  turned: true,
});
/** A sheet with everything on it but photos. */
export const SHEET: SheetModel = {
  shop: { name: 'Shop', address: 'Street 1', currency: 'EUR' },
  number: '0007',
  unit: 'Unit',
  facts: [
    { label: 'Kind', value: 'table' },
    { label: 'Owner', value: 'school' },
  ],
  complaint: 'Slow',
  tolerance: { lowerPercent: -1, upperPercent: 1, origin: { kind: 'practice', text: 'agreed' } },
  toleranceWords: 'one percent',
  speeds: [{ label: '45 a minute', nominalRpm: 45, asFound: side('FOUND'), asLeft: side('LEFT') }],
  found: [{ text: 'Belt worn', by: ['look:shiny', 'feel:loose'] }],
  done: [
    { at: AT, text: 'Cleaned it' },
    { at: AT, text: 'Set it' },
  ],
  parts: ['one belt', 'one wheel'],
  shown: [
    { group: '', name: 'Warm', status: '', words: 'ran-warm' },
    { group: '', name: 'Cold', status: '', words: 'ran-cold' },
  ],
  notShown: [
    { name: 'Soak', words: 'fetched early' },
    { name: 'Noise', words: 'no clip' },
  ],
  proved: false,
  photos: [],
  price: '42.50',
  watch: 'a squeal',
  comeAgain: [{ on: '2026-04-01', what: 'oil' }],
  cautions: ['hot inside'],
  notes: [{ at: AT, text: 'ran long' }],
  leftUndone: 'the lamp',
  handedBackAt: null,
  caution: 'Judged by local rules.',
};

/** A line as it should stand: its words, face, size, left edge, and what is free above it, mm. */
export type Line = readonly [words: string, face: Face, size: number, left: number, above: number];

/**
 * Rows as they are written down: "words | face size left above", cells of one row parted by semicolons; "# words | above" is a
 * heading.
 */
export const laid = (text: string): readonly (readonly Line[])[] =>
  text
    .trim()
    .split('\n')
    .map((row) =>
      row.split(' ; ').map((cell): Line => {
        const [words = '', rest = ''] = cell.trim().split(' | ');
        if (words.startsWith('# ')) return [words.slice(2), 'bold', 12, 20, Number(rest)];
        const [face, ...figures] = rest.trim().split(' ');
        const [size = NaN, left = NaN, above = NaN] = figures.map(Number);
        return [words, face as Face, size, left, above];
      }),
    );

/** Each line against the one before; the first against the upper edge of the page. Rows of columns as the highest of them. */
export function expectLines(words: readonly Word[], lines: readonly (readonly Line[])[], top = 16) {
  let edge = top;
  for (const cells of lines) {
    let lowest = edge;
    for (const [text, face, size, left, above] of cells) {
      const there = words.find((one) => one.text.trim() === text);
      if (!there) throw new Error(`${text} is not on the page: ${words.map((one) => one.text).join(' | ')}`);
      const { base, height } = lineOf(face, size);
      expect([text, there.size, there.x], text).toEqual([text, size, expect.closeTo(left, 1)]);
      expect(there.y - base - edge, `above ${text}`).toBeCloseTo(above, 1);
      lowest = Math.max(lowest, edge + above + height);
    }
    edge = lowest;
  }
  return edge;
}
