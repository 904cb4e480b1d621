/** A number as typed, comma or point; null when it is none. */
export function numberIn(text: string): number | null {
  const plain = text.trim().replace(',', '.').replace('−', '-');
  if (plain === '') return null;
  const value = Number(plain);
  return Number.isFinite(value) ? value : null;
}
