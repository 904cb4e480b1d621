/** What the head of a capture says of its time base: names with their values, in whatever order. */
import { ownEntry, decimal } from '../../quantity/index.js';

const INTERVAL =
  /sampl\w*[ _-]*(interval|period|time|spacing)|(time|x|horizontal)?[ _-]*increment|delta[ _]?[xt]|Δ ?t|\bdt\b|\bx?inc\b|time (per|\/) (sample|point)/i;
const RATE = /sampl\w*[ _-]*(rate|freq\w*|speed)|\bsps\b|samples (per|\/) ?s/i;
const PREFIX: Readonly<Record<string, number>> = {
  n: 1e-9,
  u: 1e-6,
  µ: 1e-6,
  μ: 1e-6,
  m: 1e-3,
  k: 1e3,
  K: 1e3,
  M: 1e6,
  G: 1e9,
};
const NUMBER = /([+-]?\d+(?:[.,]\d+)?(?:[eE][+-]?\d+)?)\s*([numkKMGµμ]?)\s*(s|sec\w*|Hz|Sa\/s|S\/s|sps)?(?![a-z])/;

/** Seconds between samples; null when the head does not say. "Sample interval, 20 us" gives 2e-5. */
export function sampleIntervalOf(preamble: readonly (readonly string[])[]): number | null {
  for (const cells of preamble) {
    const line = cells.join(' ');
    const name = INTERVAL.exec(line) ?? RATE.exec(line);
    if (!name) continue;
    const value = NUMBER.exec(line.slice(name.index + name[0].length));
    const number = decimal(value?.[1] ?? '');
    if (!value || !Number.isFinite(number) || number <= 0) continue;
    const named = /\(\s*([numkKMGµμ]?)\s*(s|Hz|Sa\/s|S\/s)\s*\)/.exec(line);
    const scaled = number * (ownEntry(PREFIX, value[2] || named?.[1] || '') ?? 1);
    const isRate = RATE.test(line) && !INTERVAL.test(line);
    return isRate ? 1 / scaled : scaled;
  }
  return null;
}
