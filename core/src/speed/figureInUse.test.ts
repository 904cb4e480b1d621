import { describe, expect, it } from 'vitest';
import { figureInUse, standardWords } from './figureInUse.js';

const flutter = {
  unweightedPeakPercent: 0.31,
  unweightedRmsPercent: 0.14,
  weighted2SigmaPercent: 0.12,
  weightedQuasiPeakPercent: 0.11,
  weightedRmsPercent: 0.06,
} as never;
const tone = { flutter, warnings: [], detail: { way: 'tone' } };

describe('the figure in use', () => {
  it('is the one of the standard that was chosen, by its name', () => {
    expect(figureInUse(tone, 'unweighted-peak')).toEqual({ percent: 0.31, words: 'unweighted 2-sigma peak' });
    expect(figureInUse(tone, 'unweighted-rms')).toEqual({ percent: 0.14, words: 'unweighted rms (NAB)' });
    expect(figureInUse(tone, 'weighted-2-sigma')).toEqual({ percent: 0.12, words: 'weighted 2-sigma peak (AES6)' });
    expect(figureInUse(tone, 'weighted-quasi-peak')).toEqual({
      percent: 0.11,
      words: 'weighted quasi-peak (DIN, IEC 60386)',
    });
    expect(figureInUse(tone, 'weighted-rms')).toEqual({ percent: 0.06, words: 'weighted rms (JIS)' });
    expect(standardWords('weighted-rms')).toBe('weighted rms (JIS)');
  });

  it('of a shaft is its unweighted peak, whatever was chosen, with how far it sees', () => {
    const shaft = {
      flutter: null,
      warnings: [],
      detail: { way: 'pulses', shaft: { wowPeakPercent: 0.25, wowUpToHz: 4.4567 } },
    };
    expect(figureInUse(shaft, 'weighted-rms')).toEqual({
      percent: 0.25,
      words: 'unweighted 2-sigma peak, up to 4.5 Hz',
    });
  });

  it('is none where it was too short or no wow is seen', () => {
    const warnings = ['WOW_TOO_SHORT'];
    expect(figureInUse({ ...tone, warnings }, 'weighted-rms')).toEqual({ percent: null, words: 'weighted rms (JIS)' });
    const shaft = { flutter: null, warnings, detail: { way: 'gyro', shaft: { wowPeakPercent: 0.25, wowUpToHz: 10 } } };
    expect(figureInUse(shaft, 'weighted-rms')?.percent).toBeNull();
    expect(figureInUse({ flutter: null, warnings: [], detail: { way: 'stopwatch' } }, 'weighted-rms')).toBeNull();
  });
});
