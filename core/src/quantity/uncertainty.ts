/**
 * Uncertainty budgets after the GUM (JCGM 100:2008, from memory): named standard uncertainties, combined as the
 * root of the sum of squares, expanded with k = 2.
 */

/** One named part of a budget, as a standard uncertainty (k = 1) in percent. */
export interface UncertaintyPart {
  readonly name: 'noise' | 'clock' | 'reference' | 'counting' | 'reaction' | 'scale' | 'wander';
  readonly standardPercent: number;
  readonly why: string;
}

/** Coverage factor of every expanded uncertainty the product shows. */
export const COVERAGE_FACTOR = 2;

/** Expanded uncertainty, percent: U = 2 sqrt(sum u^2): parts of 0.03 and 0.04 % give 0.1 %. */
export function expandedUncertainty(parts: readonly UncertaintyPart[]): number {
  const sum = parts.reduce((total, part) => total + part.standardPercent ** 2, 0);
  return COVERAGE_FACTOR * Math.sqrt(sum);
}

/** A limit of +-a with nothing more known is a rectangle: u = a / sqrt(3) (GUM 4.3.7, from memory). */
export function fromLimits(halfWidth: number): number {
  return Math.abs(halfWidth) / Math.sqrt(3);
}
