/**
 * The verdict with a guard band: right only when the whole uncertainty interval lies inside the
 * tolerance, not right only when it lies wholly outside, otherwise undecided (JCGM 106:2012, 8.3, from memory).
 */
import type { Tolerance } from '../quantity/index.js';
import { said, say } from '../words/index.js';
import { LAST_DIGITS } from './defaults.js';

/** Right, not right, or undecided with what would decide it. */
export type Verdict =
  | { readonly kind: 'right' }
  | { readonly kind: 'not-right'; readonly side: 'slow' | 'fast' }
  | { readonly kind: 'undecided'; readonly decide: string };

/** Does the whole interval lie inside these limits? All in percent. */
export const liesInside = (
  errorPercent: number,
  expandedPercent: number,
  { lowerPercent, upperPercent }: Pick<Tolerance, 'lowerPercent' | 'upperPercent'>,
): boolean =>
  errorPercent - expandedPercent >= lowerPercent - LAST_DIGITS &&
  errorPercent + expandedPercent <= upperPercent + LAST_DIGITS;

/** Judges error e with expanded uncertainty U, both in percent. Null U means it is not known. */
export function judge(errorPercent: number, expandedPercent: number | null, limits: Tolerance): Verdict {
  if (expandedPercent === null) {
    return {
      kind: 'undecided',
      decide: say`The uncertainty of this reading is not known. Measure a recording of the test tone.`,
    };
  }
  const low = errorPercent - expandedPercent;
  const high = errorPercent + expandedPercent;
  if (liesInside(errorPercent, expandedPercent, limits)) return { kind: 'right' };
  if (low > limits.upperPercent + LAST_DIGITS) return { kind: 'not-right', side: 'fast' };
  if (high < limits.lowerPercent - LAST_DIGITS) return { kind: 'not-right', side: 'slow' };
  return { kind: 'undecided', decide: whatDecides(errorPercent, expandedPercent, limits) };
}

function whatDecides(errorPercent: number, expandedPercent: number, limits: Tolerance): string {
  const halfWindow = (limits.upperPercent - limits.lowerPercent) / 2;
  if (expandedPercent >= halfWindow) {
    return say`±${tidy(expandedPercent)} % cannot prove a window of ${tidy(limits.upperPercent - limits.lowerPercent)}
      %: use a better test tape or record, or a longer recording.`;
  }
  const inside = errorPercent >= limits.lowerPercent && errorPercent <= limits.upperPercent;
  const room = Math.min(errorPercent - limits.lowerPercent, limits.upperPercent - errorPercent);
  return inside
    ? say`Bring the uncertainty under ±${tidy(room)} %, or trim ${tidy(expandedPercent - room)} % towards the middle.`
    : say`Trim towards the middle: the reading is over the limit by less than its uncertainty.`;
}

const tidy = (value: number): string => String(Number(value.toPrecision(2)));

/** The verdict as the words on the screen. */
export function verdictWords(verdict: Verdict): string {
  if (verdict.kind === 'right') return say`right`;
  if (verdict.kind === 'undecided') return say`undecided`;
  return say`${said(verdict.side)}, not right yet`;
}
