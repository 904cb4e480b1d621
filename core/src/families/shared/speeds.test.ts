/** Nominal speeds: tapes in inches a second (IEC 60094-1, from memory), discs by their definition. */
import { expect, it } from 'vitest';
import { CASSETTE_SPEEDS, RECORD_SPEEDS, REEL_SPEEDS } from './speeds.js';

it('are the ones that tapes and discs are made for', () => {
  const inches = [1.875, 3.75, 7.5, 15].map((one) => one * 2.54);
  expect(REEL_SPEEDS.map((one) => one.nominalCmPerS)).toEqual(inches.map((one) => expect.closeTo(one, 9) as number));
  expect(CASSETTE_SPEEDS.map((one) => one.nominalCmPerS)).toEqual([4.7625, 9.525]);
  // 78: a 46 : 1 gear on a motor of 3600.
  const turns = [50 / 3, 100 / 3, 45, 3600 / 46].map((one) => expect.closeTo(one, 2) as number);
  expect(RECORD_SPEEDS.map((one) => one.nominalRpm)).toEqual(turns);
});
