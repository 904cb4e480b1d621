import { expect, it } from 'vitest';
import { fuzz } from './fuzz.js';

it('a few hundred mutated files each end in a result or a named refusal', async () => {
  const tally = await fuzz(250, 424242);
  expect(tally.failures).toEqual([]);
  expect(Object.keys(tally.outcomes).length).toBeGreaterThan(4);
}, 120_000);
