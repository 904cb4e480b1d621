/** Photos on the owner's sheet and what is marked on them: places in millimetres, written out. */
import type { PhotoMark } from '@amber-gauge/core/bench';
import PDFDocument from 'pdfkit';
import { describe, expect, it } from 'vitest';
import { registerFonts } from '../src/features/sheet/fonts.js';
import { sheetPdf } from '../src/features/sheet/pdf.js';
import { drawnOn, wordsOn } from './drawn.js';
import { AT, lineOf, pagesOf, SHEET, when } from './laidOut.js';

/** A picture of one dot: in a frame of 82 x 60 mm it is drawn 60 mm square. */
const png = Buffer.from(
  'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
  'base64',
);
const photo = (id: string, marks: PhotoMark[] = []) => ({
  photoId: id,
  caption: `caption ${id}`,
  width: 1,
  height: 1,
  marks,
});
const BARE = { ...SHEET, complaint: '', speeds: [], found: [], done: [], parts: [], shown: [], notShown: [] };

describe('photos on the sheet', () => {
  it('photos stand two in a row, 88 mm apart, under their heading, on one page with it', async () => {
    const photos = ['a', 'b', 'c', 'gone'].map((id) => photo(id));
    const bytes = { a: png, b: png, c: png };
    const seen: number[] = [];
    for (const count of [0, 12, 18, 24, 30]) {
      const notes = Array.from({ length: count }, (_, i) => ({ at: AT, text: `note ${i}` }));
      const pages = await pagesOf(sheetPdf({ ...BARE, notes, photos }, when, bytes));
      const words = await Promise.all(pages.map(wordsOn));
      const here = words.findIndex((page) => page.some(({ text }) => text === 'Photos'));
      seen.push(here);
      const on = (text: string) => words[here]?.find((one) => one.text === text);
      // From the lower edge of the heading's line 2 mm, the picture's 60 and one more.
      const { base, height } = lineOf('bold', 12);
      const top = (on('Photos')?.y ?? 0) - base + height + 2.5;
      for (const [id, left] of [
        ['a', 20],
        ['b', 108],
      ] as const) {
        const one = on(`caption ${id}`);
        expect([one?.x, one?.size, (one?.y ?? 0) - lineOf('text', 8).base], `${count} ${id}`).toEqual([
          expect.closeTo(left, 1),
          8,
          expect.closeTo(top + 61, 1),
        ]);
      }
      const third = words.flat().find(({ text }) => text === 'caption c');
      expect(third?.x).toBeCloseTo(20, 1);
      expect(words.flat().some(({ text }) => text === 'caption gone')).toBe(false);
      for (const { y } of words.flat().filter(({ size }) => size === 8)) expect(y).toBeLessThan(279);
    }
    expect(new Set(seen)).toEqual(new Set([0, 1]));
  });

  it('carry their marks where they were put', async () => {
    const at = (x: number, y: number) => ({ x, y, toX: x, toY: y });
    const marks: PhotoMark[] = [
      { shape: 'arrow', x: 0.1, y: 0.1, toX: 0.6, toY: 0.1, text: '' },
      { shape: 'number', ...at(0.5, 0.5), text: '7' },
      { shape: 'label', ...at(0.2, 0.8), text: 'ring' },
    ];
    const [page] = await pagesOf(sheetPdf({ ...BARE, notes: [], photos: [photo('a', marks)] }, when, { a: png }));
    if (!page) throw new Error('no page');
    const words = await wordsOn(page);
    const drawn = await drawnOn(page);
    const caption = words.find(({ text }) => text === 'caption a');
    const top = (caption?.y ?? 0) - lineOf('text', 8).base - 61;
    const box = (left: number, from: number, right: number, to: number) =>
      drawn.filter(
        (one) =>
          Math.abs(one.left - left) < 0.03 &&
          Math.abs(one.right - right) < 0.03 &&
          Math.abs(one.top - from) < 0.03 &&
          Math.abs(one.bottom - to) < 0.03,
      );
    // The shaft from a tenth to six tenths, on a rim of the paper's white; barbs of 3 mm, half a radian to each side.
    expect(box(26, top + 6, 56, top + 6).map(({ stroke, line }) => [stroke, line])).toEqual([
      ['#fcf8ef', 1.4],
      ['#221c15', 0.7],
    ]);
    const back = 3 * Math.cos(0.5);
    const aside = 3 * Math.sin(0.5);
    expect(box(56 - back, top + 6 - aside, 56, top + 6)).toHaveLength(2);
    expect(box(56 - back, top + 6, 56, top + 6 + aside)).toHaveLength(2);
    // A circle of 2.8 mm about its point, the number in its middle.
    const [circle] = box(47.2, top + 27.2, 52.8, top + 32.8);
    expect([circle?.fill, circle?.stroke, circle?.line]).toEqual(['#fcf8ef', '#221c15', 0.4]);
    const seven = words.find(({ text, size }) => text === '7' && size === 10);
    expect((seven?.x ?? 0) + (seven?.width ?? 0) / 2).toBeCloseTo(50, 1);
    expect(seven?.y).toBeCloseTo(top + 30 - (6 * 25.4) / 72 + lineOf('bold', 10).base, 1);
    // Words of 9 points in a box with a millimetre about them.
    const doc = new PDFDocument();
    registerFonts(doc);
    const wide = (doc.font('text').fontSize(9).widthOfString('ring') * 25.4) / 72;
    expect(
      box(32, top + 48, 32 + wide + 2, top + 48 + (9 * 25.4) / 72 + 2).map(({ fill, line }) => [fill, line]),
    ).toEqual([['#fcf8ef', 0.3]]);
    const ring = words.find(({ text }) => text === 'ring');
    expect([ring?.x, ring?.size]).toEqual([expect.closeTo(33, 1), 9]);
    expect(ring?.y).toBeCloseTo(top + 49 - 25.4 / 72 + lineOf('text', 9).base, 1);
  });
});
