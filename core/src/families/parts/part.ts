/** A piece of a drive path that families share: its signals, blocks, tests and repairs. */
import type { DrivePath, PathTest } from '../path/schema.js';

export type PathPart = Pick<DrivePath, 'signals' | 'blocks' | 'tests' | 'repairs'> & {
  readonly causes?: DrivePath['causes'];
};

/** Where a part lies in its machine: the level it is reached at and the cautions of a live reading there. */
export interface Reach {
  readonly level: string;
  /** Extra minutes that a live reading's danger is worth. */
  readonly riskMin: number;
  readonly cautions: readonly string[];
}

/** A live reading at that place. */
export const liveAt = ({ level, riskMin, cautions }: Reach) => ({
  level,
  power: 'powered' as const,
  probe: true,
  riskMin,
  cautions: [...cautions],
});

/** What can be seen with the lid on. */
export const OUTSIDE: Pick<PathTest, 'outside' | 'power'> = { outside: true, power: 'running' };
