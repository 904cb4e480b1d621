/** What a repairer makes of a practice machine: readings through instruments, and looks judged by eye and hand. */
import { between, type Condition, type PracticeUnit, type Seen } from '../practice/index.js';
import { gaussian, type Random } from '../numeric/index.js';

/** An answer of a test: one of its outcomes, or a value as the meter shows it. */
export type Answer = { readonly outcome: string } | { readonly value: number; readonly unit: string };

/** A machine looked at under one condition, by somebody with a meter of 1 % and eyes of 10 %. */
export class Look {
  private readonly noise: () => number;
  constructor(
    private readonly unit: PracticeUnit,
    readonly condition: Partial<Condition>,
    private readonly random: Random,
  ) {
    this.noise = gaussian(random);
  }

  see(quantity: string, more: Partial<Condition> = {}): Seen {
    return this.unit.see(quantity, { ...this.condition, ...more });
  }

  /** As the meter shows it: 1 % and a few millivolts off. */
  meter(quantity: string, more: Partial<Condition> = {}): number {
    const { mean } = this.see(quantity, more);
    return Number.isFinite(mean) ? mean * (1 + 0.01 * this.noise()) + 0.003 * this.noise() : mean;
  }

  /** As an eye, a nose or a finger judges it: a tenth off. */
  eye(quantity: string, more: Partial<Condition> = {}): number {
    const { mean } = this.see(quantity, more);
    return Number.isFinite(mean) ? mean * (1 + 0.1 * this.noise()) : mean;
  }

  /** Does it wander while it is watched, by more than this part of itself? */
  wanders(quantity: string, part: number, more: Partial<Condition> = {}): boolean {
    const { mean, spread } = this.see(quantity, more);
    return Number.isFinite(spread) && spread > part * Math.max(Math.abs(mean), 1e-9);
  }

  /** One of two, by chance. */
  chance(part: number): boolean {
    return this.random() < part;
  }

  /** A doubtful value between two. */
  between(low: number, high: number): number {
    return between(this.random, low, high);
  }
}

/** How a test of a family is made on a machine. */
export type TestMap = Readonly<Record<string, (look: Look) => Answer | string>>;

/** Volts at a place, and whether they wander: the word for that, where the family has one. */
export const volts =
  (quantity: string, wanders: string | null = null, part = 0.03) =>
  (look: Look): Answer | string => {
    if (wanders !== null && look.meter(quantity) > 0.5 && look.wanders(quantity, part)) return wanders;
    return { value: look.meter(quantity), unit: 'V' };
  };

/** A speed error in percent. */
export const speedError =
  (quantity: string) =>
  (look: Look): Answer => ({ value: Math.max(-100, Math.min(999, look.see(quantity).mean)), unit: '%' });

/** Still, slow, right or fast by the same limits as a speed that is looked at without a measure. */
export const speedWord =
  (quantity: string, right: number) =>
  (look: Look): string => {
    const { mean } = look.see(quantity);
    if (mean < -95) return 'still';
    if (Math.abs(mean) <= right) return 'right';
    return mean < 0 ? 'slow' : 'fast';
  };

/** The first word whose condition holds, else the last. */
export const firstOf =
  (otherwise: string, ...cases: readonly (readonly [string, (look: Look) => boolean])[]) =>
  (look: Look): string =>
    cases.find(([, holds]) => holds(look))?.[0] ?? otherwise;
