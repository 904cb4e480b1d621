/** What the page draws: speed over time and the flutter spectrum, thinned to a few thousand points. */
import { hannWindow, nextPowerOfTwo, windowedPower } from '../../numeric/index.js';
import { takeOff } from './basis.js';
import { TONE_DEFAULTS as D } from './defaults.js';
import { deviationLine, FLUTTER_BANDS, type ResidualDeviation } from './flutter.js';
import type { PhaseTrack } from './phase.js';
import type { FlutterSpectrum, SpeedSeries } from './result.js';
import { durationS, type TrendFit } from './trend.js';
import { LONGEST_SPECTRUM } from './defaults.js';

/** Deviation from the mean in percent at the track's rate: curve, lines and rest together. */
export function totalDeviation(
  track: PhaseTrack,
  fit: TrendFit,
  rest: ResidualDeviation,
  meanHz: number,
): Float64Array {
  const lines = fit.lines.map((line) => deviationLine(line, meanHz));
  const slow = derivative(fit.curve).map((c) => (100 * c * 2) / durationS(track) / (2 * Math.PI) / meanHz);
  slow[0] = (slow[0] as number) + 100 * (track.centreHz / meanHz - 1);
  const out = rest.unweighted.slice(0, track.phase.length);
  const parts = [...slow, ...lines.flatMap((line) => [line.cos, line.sin])];
  takeOff(
    out,
    Float64Array.from(parts, (part) => -part),
    {
      track: { ...track, usable: new Uint8Array(out.length).fill(1) },
      order: slow.length - 1,
      lineHz: lines.map((line) => line.hz),
    },
  );
  return out;
}

/** Legendre coefficients of the derivative of a Legendre series, one fewer (at least one). */
export function derivative(curve: Float64Array): Float64Array {
  const out = new Float64Array(Math.max(1, curve.length - 1));
  for (let j = 0; j < curve.length - 1; j++) {
    for (let k = j + 1; k < curve.length; k += 2) out[j] = (out[j] as number) + (2 * j + 1) * (curve[k] as number);
  }
  return out;
}

/** Error against nominal in steps of at least 40 ms: mean of each step and half its spread. */
export function speedSeries(track: PhaseTrack, deviation: Float64Array, meanErrorPercent: number): SpeedSeries {
  const size = Math.max(1, Math.round(track.rate * D.seriesStepS), Math.ceil(deviation.length / D.seriesPoints));
  const count = Math.floor(deviation.length / size);
  const errorPercent = new Float32Array(count);
  const halfWidthPercent = new Float32Array(count);
  const scale = 1 + meanErrorPercent / 100;
  for (let i = 0; i < count; i++) {
    let sum = 0;
    let low = Infinity;
    let high = -Infinity;
    for (let n = i * size; n < (i + 1) * size; n++) {
      const value = deviation[n] as number;
      sum += value;
      if (value < low) low = value;
      if (value > high) high = value;
    }
    errorPercent[i] = meanErrorPercent + (scale * sum) / size;
    halfWidthPercent[i] = ((high - low) / 2) * scale;
  }
  return { startS: track.startS, stepS: size / track.rate, errorPercent, halfWidthPercent };
}

/** Spectrum of the deviation: peak percent of a sine in each bin (flat-top by 3-bin power sum), thinned on a log axis. */
export function flutterSpectrum(track: PhaseTrack, deviation: Float64Array): FlutterSpectrum {
  const length = Math.min(deviation.length, LONGEST_SPECTRUM);
  const size = nextPowerOfTwo(Math.max(8, length));
  const window = hannWindow(length);
  const windowSquares = window.reduce((sum, value) => sum + value * value, 0);
  const reach = Math.max(1, Math.round((2 * size) / length));
  const power = windowedPower(deviation.subarray(0, length), window, size, { scale: 4 / (windowSquares * size) });
  return thinned(power.subarray(0, size / 2), reach, track.rate / size);
}

function thinned(power: Float64Array, reach: number, binHz: number): FlutterSpectrum {
  const first = Math.max(reach + 1, Math.ceil(FLUTTER_BANDS.peakLow / binHz));
  const last = Math.min(power.length - reach - 1, Math.floor(FLUTTER_BANDS.high / binHz));
  const frequency: number[] = [];
  const peak: number[] = [];
  let edge = first;
  const growth = Math.max(1.0000001, (last / first) ** (1 / D.spectrumPoints));
  for (let target = first * growth; edge < last; target *= growth) {
    if (target < edge + 1) continue;
    let top = edge;
    for (let k = edge; k < target && k < last; k++) if ((power[k] as number) > (power[top] as number)) top = k;
    let sum = 0;
    for (let j = -reach; j <= reach; j++) sum += power[top + j] as number;
    frequency.push(top * binHz);
    peak.push(Math.sqrt(sum));
    // The bin that the target stands in was looked at already.
    edge = Math.ceil(target);
  }
  return { frequencyHz: Float32Array.from(frequency), peakPercent: Float32Array.from(peak) };
}
