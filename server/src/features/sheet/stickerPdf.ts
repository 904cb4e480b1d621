/** A sticker of 62 x 29 mm for the unit's inside: its number, what it is, and a code that opens the job. */
import { create } from 'qrcode';
import { write } from './fonts.js';
import { INK, INK2, madePdf } from './pen.js';
import { MM } from './ribbonPrint.js';

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
    `Sticker ${sticker.number}`,
    sticker.shop,
    ({ doc }) => {
      const { size, data } = create(sticker.link, { errorCorrectionLevel: 'M' }).modules;
      const module = (CODE_MM * MM) / size;
      doc.fillColor('#000000');
      for (let i = 0; i < size * size; i++) {
        if (!data[i]) continue;
        doc.rect(2 * MM + (i % size) * module, 2 * MM + Math.floor(i / size) * module, module, module);
      }
      doc.fill();
      const words = { face: 'text', size: 8, colour: INK, width: 30 * MM } as const;
      let y = write(doc, sticker.number, 30 * MM, 3 * MM, { ...words, face: 'bold', size: 18 });
      y = write(doc, sticker.unit.slice(0, 60), 30 * MM, y, words);
      write(doc, sticker.shop.slice(0, 40), 30 * MM, Math.max(y, 21 * MM), { ...words, size: 7, colour: INK2 });
    },
    [STICKER_MM[0] * MM, STICKER_MM[1] * MM],
  );
