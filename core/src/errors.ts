/** Errors of the core: a broken contract throws a CoreError; expected bad input is returned as a value. */

/** Literal codes a {@link CoreError} may carry. */
export type CoreErrorCode = 'OUT_OF_RANGE' | 'BAD_SHAPE' | 'UNKNOWN_ID' | 'STOPPED';

/**
 * A caller broke the contract of a core function. Never thrown for something a user may type or
 * drop on the page: that comes back as a value of a union.
 */
export class CoreError extends Error {
  constructor(
    readonly code: CoreErrorCode,
    message: string,
    readonly detail: Readonly<Record<string, unknown>> = {},
  ) {
    super(message);
    this.name = 'CoreError';
  }
}

/** Throws OUT_OF_RANGE unless `value` is finite and greater than zero; returns it. */
export function requirePositive(value: number, name: string): number {
  if (!Number.isFinite(value) || value <= 0) {
    throw new CoreError('OUT_OF_RANGE', `${name} must be a finite number above zero`, { [name]: value });
  }
  return value;
}
