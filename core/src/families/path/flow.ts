/** Which way a drive path runs: from its supply to what turns, and back by its feedback alone. */
import type { DrivePath, PathBlock } from './schema.js';

/**
 * Signals that a block rests on. What a part further on takes from it (a dry bearing asks more of the motor) acts on it,
 * and it does not rest on that.
 */
export function restsOn({ signals }: Pick<DrivePath, 'signals'>, { inputs }: PathBlock): readonly string[] {
  return inputs.filter((input) => !signals.some(({ id, takes }) => takes && id === input));
}
