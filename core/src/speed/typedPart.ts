/** What a part is by its name, as a hand typed it. */
import type { TurningKind, TurningPart } from './parts.js';

/** Names that say what it is; the first that fits (common usage). */
const NAMES = [
  [/platter|table|record/i, 'platter'],
  [/belt/i, 'belt'],
  // Before the wheels in general: a flywheel has no tyre.
  [/flywheel/i, 'flywheel'],
  [/idler|wheel/i, 'idler'],
  [/pinch|roller/i, 'pinch roller'],
  [/capstan/i, 'capstan'],
  [/pulley/i, 'pulley'],
  [/motor/i, 'motor'],
  [/reel|hub|spool/i, 'hub'],
  [/gear/i, 'gear'],
  [/drum/i, 'drum'],
] as const satisfies readonly (readonly [RegExp, TurningKind])[];

/** A part named by hand, with its turns a second. */
export const typedPart = (name: string, hz: number): TurningPart => ({
  name,
  hz,
  kind: NAMES.find(([pattern]) => pattern.test(name))?.[1] ?? 'other',
});
