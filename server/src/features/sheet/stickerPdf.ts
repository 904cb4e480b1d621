/** A sticker of 62 x 29 mm for the unit's inside: its number, what it is, and a code that opens the job. */
import { create } from 'qrcode';
import { write } from './fonts.js';
import { INK, INK2, madePdf } from './pen.js';
import { MM } from './ribbonPrint.js';
import { say } from '@amber-gauge/core/words';

/** What stands on it. */
export interface Sticker {
  readonly number: string;
  readonly unit: string;
  readonly shop: string;
  /** What the code says: the address of the job. */
  readonly link: string;
}

/** Width and height, mm: a usual roll of labels. */
const STICKER_MM = [62, 29] as const;
const CODE_MM = 25;

/** Makes the PDF. Resolves with the whole file. */
export const stickerPdf = (sticker: Sticker): Promise<Buffer> =>
  madePdf(
    say`Sticker ${sticker.number}`,
    sticker.shop,
    ({ doc }) => {
      const { size, data } = create(sticker.link, { errorCorrectionLevel: 'M' }).modules;
      const module = (CODE_MM * MM) / size;
      // A row's neighbours as one bar: no seams between them in print.
      for (let row = 0; row < size; row++)
        for (const { from, to } of runs(data.subarray(row * size, (row + 1) * size)))
          doc.rect(2 * MM + from * module, 2 * MM + row * module, (to - from) * module, module).fill('#000000');
      const words = { face: 'text', size: 8, colour: INK, width: 30 * MM } as const;
      let y = write(doc, sticker.number, 30 * MM, 3 * MM, { ...words, face: 'bold', size: 18 });
      y = write(doc, sticker.unit.slice(0, 60), 30 * MM, y, words);
      write(doc, sticker.shop.slice(0, 40), 30 * MM, Math.max(y, 21 * MM), { ...words, size: 7, colour: INK2 });
    },
    [STICKER_MM[0] * MM, STICKER_MM[1] * MM],
  );

/** Stretches of set dots: from the first up to, not with, the last. */
function runs(dots: Uint8Array): { from: number; to: number }[] {
  const out: { from: number; to: number }[] = [];
  dots.forEach((dot, at) => {
    if (!dot) return;
    const last = out.at(-1);
    if (last?.to === at) last.to++;
    else out.push({ from: at, to: at + 1 });
  });
  return out;
}
