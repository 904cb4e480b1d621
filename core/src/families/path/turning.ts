/** Which states of what turns are turning, and which a mere stir of it. */
import type { PathSignal } from './schema.js';

/** It wants to, and does not. */
const STIRS = /hum|quiver|kick|jerk/;

/** States of a signal, by id: it turns, it hums, quivers, kicks or jerks; "still" is neither. */
export function turningStates({ states }: Pick<PathSignal, 'states'>): {
  readonly turns: string[];
  readonly stirs: string[];
} {
  const stirs = states.filter((state) => STIRS.test(state));
  return { turns: states.filter((state) => state !== 'still' && !stirs.includes(state)), stirs };
}
