/** The path as one list: the order in which power and motion flow, from the plug to the turning part. */
import { restsOn } from './flow.js';
import type { DrivePath, PathBlock } from './schema.js';

/** Lanes in the order the list has them. */
export const LANE_ORDER = ['supply', 'control', 'mechanical', 'feedback'] as const;

/**
 * Blocks lane by lane, in each by how far along the path they stand: after everything in the lane that
 * feeds them. What feeds back does not count, so that a circle has a beginning.
 */
export function pathOrder(path: Pick<DrivePath, 'blocks' | 'signals'>): PathBlock[] {
  const depth = new Map<string, number>();
  const feeding = (block: PathBlock): PathBlock[] =>
    restsOn(path, block).flatMap((signal) =>
      path.blocks.filter((one) => one !== block && one.outputs.includes(signal)),
    );
  const depthOf = (block: PathBlock, above: ReadonlySet<string>): number => {
    const known = depth.get(block.id);
    if (known !== undefined) return known;
    const from = feeding(block).filter((one) => one.lane !== 'feedback' && !above.has(one.id));
    const next = new Set([...above, block.id]);
    const own = 1 + Math.max(-1, ...from.map((one) => depthOf(one, next)));
    if (above.size === 0) depth.set(block.id, own);
    return own;
  };
  for (const block of path.blocks) depthOf(block, new Set());
  return [...path.blocks].sort(
    (a, b) =>
      LANE_ORDER.indexOf(a.lane) - LANE_ORDER.indexOf(b.lane) ||
      (depth.get(a.id) ?? 0) - (depth.get(b.id) ?? 0) ||
      path.blocks.indexOf(a) - path.blocks.indexOf(b),
  );
}
