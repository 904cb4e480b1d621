/**
 * Wow and flutter figures from a fitted phase track. Each figure is named; they are not
 * interchangeable:
 * - unweighted peak: 2-sigma peak, the size not exceeded 95 % of the time, 0.2 to 200 Hz;
 * - unweighted rms: 0.5 to 200 Hz (NAB, from memory);
 * - weighted 2-sigma peak (AES6-2008), weighted rms (JIS, NAB), weighted quasi-peak (DIN/IEC, the
 *   largest indication); all from memory of the standards.
 *
 * The fitted lines are weighted exactly; the rest is filtered in the frequency domain, both with
 * zero phase; percentiles are taken on a grid of at least 2 kHz unweighted and 4 kHz weighted.
 */
import { nextPowerOfTwo, realSpectrum, realValues, type Spectrum } from '../../numeric/index.js';
import { differences } from './differences.js';
import type { PhaseTrack } from './phase.js';
import type { FlutterFigures } from './result.js';
import type { PhaseLine, TrendFit } from './trend.js';
import { sizes } from './sizes.js';
import { weight } from './weighting.js';
import { GRID_HZ, PADDED_S, PLAIN_GRID_HZ, WEIGHED_FROM_HZ } from './defaults.js';

/** Band edges in Hz. */
export const FLUTTER_BANDS = { peakLow: 0.2, rmsLow: 0.5, high: 200 } as const;

/** Deviation of the residual in percent at the track's rate: unweighted 0.2-200 Hz and weighted. */
export interface ResidualDeviation {
  readonly unweighted: Float64Array;
  readonly weighted: Float64Array;
  /** Mean square of the part from 0.5 to 200 Hz, percent^2. */
  readonly rmsBandMeanSquare: number;
}

/** The five figures. `meanHz` is the tone's mean frequency. */
export function flutterFigures(
  track: PhaseTrack,
  fit: TrendFit,
  rest: ResidualDeviation,
  meanHz: number,
): FlutterFigures {
  const lines = fit.lines.map((line) => deviationLine(line, meanHz));
  const factor = Math.max(1, Math.ceil(GRID_HZ / track.rate));
  const plain = lines.filter((line) => line.hz >= FLUTTER_BANDS.peakLow && line.hz <= FLUTTER_BANDS.high);
  const heavy = lines.map((line) => ({ ...line, cos: line.cos * weight(line.hz), sin: line.sin * weight(line.hz) }));
  const plainFactor = Math.max(1, Math.ceil(PLAIN_GRID_HZ / track.rate));
  const unweighted = sizes(rest.unweighted, plain, track.rate, plainFactor);
  const weighted = sizes(rest.weighted, heavy, track.rate, factor);
  const rmsLines = lines
    .filter((line) => line.hz >= FLUTTER_BANDS.rmsLow && line.hz <= FLUTTER_BANDS.high)
    .reduce((sum, line) => sum + (line.cos ** 2 + line.sin ** 2) / 2, 0);
  return {
    unweightedPeakPercent: unweighted.notExceeded95,
    unweightedRmsPercent: Math.sqrt(rmsLines + rest.rmsBandMeanSquare),
    weighted2SigmaPercent: weighted.notExceeded95,
    weightedQuasiPeakPercent: weighted.quasiPeak,
    weightedRmsPercent: weighted.rms,
  };
}

/** A phase line (radians) as speed deviation in percent: the derivative, over the mean frequency. */
export function deviationLine(line: PhaseLine, meanHz: number): PhaseLine {
  const scale = (100 * line.hz) / meanHz;
  return { hz: line.hz, cos: line.sin * scale, sin: -line.cos * scale };
}

/** Differentiates and filters the fit's residual. */
export function residualDeviation(track: PhaseTrack, residual: Float64Array, meanHz: number): ResidualDeviation {
  const length = residual.length;
  const size = nextPowerOfTwo(Math.max(4, length + Math.ceil(PADDED_S * track.rate)));
  const scale = (100 * track.rate) / (2 * Math.PI * meanHz);
  const { steps } = differences(residual, scale);
  const { unweighted, weighted, square } = bands(realSpectrum(steps, size), track.rate, size);
  return {
    unweighted: realValues(unweighted, length),
    weighted: realValues(weighted, length),
    rmsBandMeanSquare: square / size / Math.max(1, length),
  };
}

/**
 * The unweighted and the weighted band of the spectrum of the difference, which lags half a sample and
 * droops; both are undone. `square` is the sum of |X|^2 over 0.5-200 Hz, both sides.
 */
function bands({ re, im }: Spectrum, rate: number, size: number) {
  const [plainRe, plainIm, heavyRe, heavyIm] = [re.slice(), im.slice(), re, im];
  let square = 0;
  for (let k = 0; k < re.length; k++) {
    const hz = (k * rate) / size;
    const inBand = hz >= FLUTTER_BANDS.peakLow && hz <= FLUTTER_BANDS.high;
    const heavy = hz > WEIGHED_FROM_HZ && hz <= FLUTTER_BANDS.high ? weight(hz) : 0;
    if (!inBand && heavy === 0) {
      plainRe[k] = plainIm[k] = heavyRe[k] = heavyIm[k] = 0;
      continue;
    }
    const w = (Math.PI * hz) / rate;
    const undo = w > 0 ? w / Math.sin(w) : 1;
    const c = Math.cos(w) * undo;
    const s = -Math.sin(w) * undo;
    const xr = (re[k] as number) * c - (im[k] as number) * s;
    const xi = (re[k] as number) * s + (im[k] as number) * c;
    if (inBand && hz >= FLUTTER_BANDS.rmsLow) square += 2 * (xr * xr + xi * xi);
    plainRe[k] = inBand ? xr : 0;
    plainIm[k] = inBand ? xi : 0;
    heavyRe[k] = heavy * xr;
    heavyIm[k] = heavy * xi;
  }
  return { unweighted: { re: plainRe, im: plainIm }, weighted: { re: heavyRe, im: heavyIm }, square };
}
