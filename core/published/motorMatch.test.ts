/** Seen from behind a motor turns the other way round (definition). */
import { expect, it } from 'vitest';
import { senseFromShaft } from '../src/workings/index.js';

it('is told from the shaft end', () => {
  expect(senseFromShaft('clockwise', 'rear')).toBe('counter-clockwise');
  expect(senseFromShaft('counter-clockwise', 'shaft end')).toBe('counter-clockwise');
});
