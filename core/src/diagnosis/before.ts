/** The order of blocks along a drive path. */
import { restsOn, type DrivePath } from '../families/index.js';

/** Everything that a block hangs on, by its signals, but not the block itself. */
export function before(path: DrivePath, block: DrivePath['blocks'][number]): string[] {
  const found = new Set<string>();
  const walk = (inputs: readonly string[]) => {
    for (const one of path.blocks)
      if (one.id !== block.id && !found.has(one.id) && one.outputs.some((out) => inputs.includes(out))) {
        found.add(one.id);
        walk(restsOn(path, one));
      }
  };
  walk(restsOn(path, block));
  return [...found];
}
