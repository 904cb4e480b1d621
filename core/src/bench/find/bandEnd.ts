/** Ends of bands as they are typed: a number, nothing, or "0.85 x reservoir". */
import { numberIn } from '../../quantity/index.js';
import type { DrivePath, ModelSheet } from '../../families/index.js';

type End = ModelSheet['bands'][string][number]['from'];

/** The end as one would type it; empty where the band is open. */
export function endText(path: DrivePath, end: End): string {
  if (end === null) return '';
  if (typeof end === 'number') return String(end);
  return `${end.times} x ${path.signals.find((one) => one.id === end.of)?.name ?? end.of}`;
}

/** The end that was typed, null for an open one. Undefined when it is none of these, or names nothing that is measured. */
export function readEnd(path: DrivePath, text: string): End | undefined {
  if (text.trim() === '') return null;
  const match = /^\s*([\d.,]+)\s*[x×*]\s*(.+?)\s*$/i.exec(text);
  if (!match) return numberIn(text) ?? undefined;
  const times = numberIn(match[1] as string);
  const name = (match[2] as string).toLowerCase();
  const signal = path.signals.find(
    (one) => one.measure && [one.id, one.name, one.measure.place].some((word) => word.toLowerCase() === name),
  );
  return times !== null && signal ? { of: signal.id, times } : undefined;
}
