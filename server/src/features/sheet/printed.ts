/** What is printed of a job: the default export draws the hand-back sheet, here or in a worker. */
import { sheetModel, type BenchEvent } from '@amber-gauge/core/bench';
import type { Job } from '@amber-gauge/contract';
import { sheetPdf } from './pdf.js';

/** What a printer is handed. */
export interface SheetJob {
  readonly shop: { readonly name: string; readonly address: string };
  readonly job: Job;
  readonly events: readonly BenchEvent[];
}

/** Draws the sheet; resolves with the bytes of the PDF. */
export type Printer = (wanted: SheetJob) => Promise<Uint8Array>;

const printed: Printer = ({ shop, job, events }) => sheetPdf(sheetModel(shop, job, events), printDate);
export default printed;

/** Day and time where the server stands, as the bench writes them: 2026-11-25 14:02. */
function printDate(iso: string): string {
  const at = new Date(iso);
  const two = (value: number) => String(value).padStart(2, '0');
  return `${at.getFullYear()}-${two(at.getMonth() + 1)}-${two(at.getDate())} ${two(at.getHours())}:${two(at.getMinutes())}`;
}
