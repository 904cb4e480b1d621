/** Numbers as the product prints them: a true minus, a thin no-break space before the unit. */

/** The minus sign; a hyphen is none. */
export const MINUS = '\u2212';
/** The thin no-break space before a unit. */
export const THIN = '\u202f';

/** Fixed decimals with a true minus: -1.8 to two places is "−1.80". Never "−0.00". */
export function fixed(value: number, decimals: number): string {
  if (!Number.isFinite(value)) return '–';
  const text = Math.abs(value).toFixed(decimals);
  return (value < 0 && Number(text) !== 0 ? MINUS : '') + text;
}

/** As {@link fixed}, with a plus sign for what is above zero: "+0.33". */
export function signed(value: number, decimals: number): string {
  const text = fixed(value, decimals);
  return value > 0 && Number(Math.abs(value).toFixed(decimals)) !== 0 ? `+${text}` : text;
}

/**
 * Decimals that show an uncertainty with one figure (two when it starts with 1 or 2):
 * U 0.10 gives 2, U 0.35 gives 1, U 0.012 gives 3. Bounded to 0..4.
 */
export function decimalsFor(uncertainty: number): number {
  if (!(uncertainty > 0) || !Number.isFinite(uncertainty)) return 2;
  const exponent = Math.floor(Math.log10(uncertainty) + 1e-9);
  const lead = uncertainty / 10 ** exponent;
  const decimals = (lead < 2.95 ? 1 : 0) - exponent;
  return Math.min(4, Math.max(0, decimals));
}

/** Decimals for a speed error in percent beside its U: at least 2, at most 3, so that columns align. */
export function errorDecimals(uncertainty: number | null): number {
  return uncertainty === null ? 2 : Math.min(3, Math.max(2, decimalsFor(uncertainty)));
}

const PREFIXES: readonly (readonly [number, string])[] = [
  [1e9, 'G'],
  [1e6, 'M'],
  [1e3, 'k'],
  [1, ''],
  [1e-3, 'm'],
  [1e-6, 'µ'],
  [1e-9, 'n'],
  [1e-12, 'p'],
];

/** Units that take a prefix; the others print as they are. */
const PREFIXED = new Set(['V', 'A', 'Ω', 'F', 'H', 'W']);

/**
 * A value with its unit and the trade's prefix: (4700, 'Ω') is "4.7 kΩ", (0.62, 'V') is "0.62 V"
 * (volts, amps and watts keep the plain unit down to 0.01).
 */
export function withUnit(value: number, unitName: string): string {
  const size = Math.abs(value);
  if (!PREFIXED.has(unitName) || size === 0) return `${trimmed(value)}${THIN}${unitName}`;
  const keepsPlain = unitName !== 'F' && unitName !== 'H' && size >= 0.01 && size < 1000;
  const [scale, prefix] = keepsPlain
    ? ([1, ''] as const)
    : (PREFIXES.find(([step]) => size >= step * (1 - 1e-12)) ?? ([1e-12, 'p'] as const));
  return `${trimmed(value / scale)}${THIN}${prefix}${unitName}`;
}

function trimmed(value: number): string {
  const text = String(Number(value.toPrecision(6)));
  return text.startsWith('-') ? MINUS + text.slice(1) : text;
}

/** A speed name as the trade writes it: 33.333 is "33⅓", 16.667 is "16⅔", 78.26 stays. */
export function speedName(rpm: number): string {
  if (Math.abs(rpm - 100 / 3) < 0.01) return '33⅓';
  if (Math.abs(rpm - 50 / 3) < 0.01) return '16⅔';
  return String(Number(rpm.toFixed(2)));
}
