/** Branded numbers: a percent cannot be handed to a function that wants a fraction. */
import { CoreError } from '../errors.js';

declare const unit: unique symbol;
type Quantity<U extends string> = number & { readonly [unit]: U };

export type Hertz = Quantity<'Hz'>;
export type RevPerMin = Quantity<'rpm'>;
export type Seconds = Quantity<'s'>;
export type Percent = Quantity<'%'>;
export type Fraction = Quantity<'1'>;

function finite(value: number, name: string): number {
  if (!Number.isFinite(value)) throw new CoreError('OUT_OF_RANGE', `${name} must be finite`, { value });
  return value;
}

/** Frequency in hertz. @throws CoreError OUT_OF_RANGE unless finite. */
export const hertz = (value: number): Hertz => finite(value, 'frequency') as Hertz;
/** Turns a minute. @throws CoreError OUT_OF_RANGE unless finite. */
export const revPerMin = (value: number): RevPerMin => finite(value, 'speed') as RevPerMin;
/** Time in seconds. @throws CoreError OUT_OF_RANGE unless finite. */
export const seconds = (value: number): Seconds => finite(value, 'time') as Seconds;
/** Parts in a hundred. @throws CoreError OUT_OF_RANGE unless finite. */
export const percent = (value: number): Percent => finite(value, 'percent') as Percent;
/** Parts in one. @throws CoreError OUT_OF_RANGE unless finite. */
export const fraction = (value: number): Fraction => finite(value, 'fraction') as Fraction;

/** 0.003 is 0.3 %. */
export const toPercent = (value: Fraction): Percent => (100 * value) as Percent;
/** 0.3 % is 0.003. */
export const toFraction = (value: Percent): Fraction => (value / 100) as Fraction;
