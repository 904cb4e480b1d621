/**
 * Circuit sums against published series and worked examples. Preferred numbers R10 of ISO 3:1973 (from memory),
 * which IEC 60127 takes for the rated currents of cartridge fuses. Exponential discharge: exact mathematics.
 */
import { describe, expect, it } from 'vitest';
import { proposedLimit } from '../src/circuit/index.js';

const R10 = [1, 1.25, 1.6, 2, 2.5, 3.15, 4, 5, 6.3, 8];

describe('a fuse that is proposed', () => {
  it('is one of the preferred series, the first above one and a half times the current of the unit', () => {
    for (const volts of [24, 120, 230])
      for (const watts of [4, 15, 60, 180, 400, 900]) {
        const wanted = (1.5 * watts) / volts;
        const scale = 10 ** Math.floor(Math.log10(wanted));
        const next = [...R10, 10].find((one) => one * scale >= wanted * (1 - 1e-12)) ?? 0;
        if (next * scale <= 25 && next * scale >= 0.05)
          expect(proposedLimit('fuse', volts, watts), `${volts} V, ${watts} W`).toBeCloseTo(next * scale, 9);
      }
  });
});
