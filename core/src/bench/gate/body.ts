/** The log line of a passed gate: what was asked before power, and what was accepted open. */
import type { LimitKind } from '../../circuit/index.js';

/** Where a gate leads: a live state, or out of the door. */
export const GATES = ['live-isolated', 'live-direct', 'pack-in', 'hand-back'] as const;
/** Where a gate leads. */
export type GateTo = (typeof GATES)[number];

/** Id of the answer that work reached no circuit, where its line does not say. */
export const NO_CIRCUIT = 'no-circuit';

/** A gate that was passed, with its answers; ohms and watts as named. */
export interface GateBody {
  readonly kind: 'gate';
  readonly to: GateTo;
  /** Ends left open on purpose, with why. */
  readonly accepted: readonly { readonly key: string; readonly why: string }[];
  /** Usual ends of the family that were looked at and are in place. */
  readonly inPlace: readonly string[];
  /** Ohms across the supply, measured dead; null when it was not asked for. */
  readonly shortOhm: number | null;
  /** Fuse or current limit in amperes, lamp in watts, beside the unit's own watts. */
  readonly limit: { readonly kind: LimitKind; readonly value: number; readonly unitWatts: number } | null;
  readonly confirmed: readonly string[];
}
