/** Numbers as people and instruments write them: the only place that knows of the decimal comma and the long minus. */

/**
 * A number with decimal point or comma and either minus: "12,4" is 12.4, "−3" is -3. Empty or no number: NaN.
 * Groups of thousands are not read here ("1,500" is 1.5): whoever can be asked is asked before.
 */
export function decimal(text: string): number {
  if (text.trim() === '') return Number.NaN;
  const plain = Number(text);
  return Number.isNaN(plain) ? Number(text.replace(',', '.').replace('−', '-')) : plain;
}

/** A number as typed into a field, decimal point or comma; null when it is none or not finite. */
export function numberIn(text: string): number | null {
  const value = decimal(text);
  return Number.isFinite(value) ? value : null;
}
