/** What a test asks of the power. */
import type { PathTest } from './schema.js';

/** Does it need the unit switched on, probed or merely watched? */
export const needsPower = (test: Pick<PathTest, 'power'>): boolean =>
  test.power === 'powered' || test.power === 'running';
