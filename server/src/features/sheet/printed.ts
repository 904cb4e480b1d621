/** What is printed of a job: the default export draws it, here or in a worker. */
import { benchSheet, jobLabel, sheetModel, unitName, type BenchEvent, type SheetShop } from '@amber-gauge/core/bench';
import type { Job } from '@amber-gauge/contract';
import { benchPdf } from './benchPdf.js';
import { sheetPdf, type SheetPhotos } from './pdf.js';
import { stickerPdf } from './stickerPdf.js';

/** What a printer is handed. */
export interface SheetJob {
  readonly paper: 'owner' | 'bench' | 'sticker';
  readonly shop: SheetShop;
  readonly job: Job;
  readonly events: readonly BenchEvent[];
  /** Parts of the shelf that went in. */
  readonly parts: readonly string[];
  readonly photos: SheetPhotos;
  /** Address of the job, for the sticker's code. */
  readonly link: string;
}

/** Draws the paper; resolves with the bytes of the PDF. */
export type Printer = (wanted: SheetJob) => Promise<Uint8Array>;

const printed: Printer = ({ paper, shop, job, events, parts, photos, link }) => {
  switch (paper) {
    case 'owner':
      return sheetPdf(sheetModel(shop, job, events, parts), printDate, photos);
    case 'bench':
      return benchPdf(benchSheet(shop, job, events), printDate);
    case 'sticker':
      return stickerPdf({ number: jobLabel(job), unit: unitName(job), shop: shop.name, link });
  }
};
export default printed;

/** Day and time where the server stands, as the bench writes them: 2026-11-25 14:02. */
function printDate(iso: string): string {
  const at = new Date(iso);
  const two = (value: number) => String(value).padStart(2, '0');
  return `${at.getFullYear()}-${two(at.getMonth() + 1)}-${two(at.getDate())} ${two(at.getHours())}:${two(at.getMinutes())}`;
}
