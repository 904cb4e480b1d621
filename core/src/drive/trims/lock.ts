/**
 * A lock's trim: inside lock the speed reads exact wherever it stands, so its capture edges are found, approached from
 * unlocked, at every speed, cold and warm, and it is set to the middle of what they have in common (handbook; common
 * practice).
 */

/** Edges of capture in one condition, turns from the counter-clockwise stop. */
export interface CaptureEdges {
  readonly condition: string;
  readonly lowTurns: number;
  readonly highTurns: number;
}

/** Where to set it, and how far it may wander; or why there is no such place. */
export type LockMiddle =
  | { readonly kind: 'middle'; readonly turns: number; readonly eitherWayTurns: number }
  | { readonly kind: 'apart'; readonly first: string; readonly second: string }
  | { readonly kind: 'none' };

/** Middle of the common range: edges 0.2 to 0.6 cold and 0.3 to 0.7 warm give 0.45, 0.15 either way. */
export function lockMiddle(edges: readonly CaptureEdges[]): LockMiddle {
  const sorted = edges.map((one) => ({
    ...one,
    lowTurns: Math.min(one.lowTurns, one.highTurns),
    highTurns: Math.max(one.lowTurns, one.highTurns),
  }));
  if (sorted.length === 0) return { kind: 'none' };
  const low = sorted.reduce((a, b) => (b.lowTurns > a.lowTurns ? b : a));
  const high = sorted.reduce((a, b) => (b.highTurns < a.highTurns ? b : a));
  if (low.lowTurns > high.highTurns) return { kind: 'apart', first: low.condition, second: high.condition };
  return {
    kind: 'middle',
    turns: (low.lowTurns + high.highTurns) / 2,
    eitherWayTurns: (high.highTurns - low.lowTurns) / 2,
  };
}
