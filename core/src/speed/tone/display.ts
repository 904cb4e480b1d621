/** What the page draws: speed over time and the flutter spectrum, thinned to a few thousand points. */
import { nextPowerOfTwo, realSpectrum, rotation } from '../../numeric/index.js';
import { TONE_DEFAULTS as D } from './defaults.js';
import { deviationLine, type ResidualDeviation } from './flutter.js';
import type { PhaseTrack } from './phase.js';
import type { FlutterSpectrum, SpeedSeries } from './result.js';
import { durationS, spinner, type TrendFit } from './trend.js';

/** Deviation from the mean in percent at the track's rate: curve, lines and rest together. */
export function totalDeviation(
  track: PhaseTrack,
  fit: TrendFit,
  rest: ResidualDeviation,
  meanHz: number,
): Float64Array {
  const lines = fit.lines.map((line) => deviationLine(line, meanHz));
  const waves = new Float64Array(2 * lines.length);
  const spin = spinner(
    lines.map((line) => line.hz),
    track.rate,
  );
  const out = new Float64Array(track.phase.length);
  const last = track.phase.length - 1;
  for (let n = 0; n < out.length; n++) {
    spin.next(waves, 0);
    const slow = curveHz(track, fit.curve, (2 * n) / last - 1);
    let value = 100 * ((track.centreHz + slow) / meanHz - 1) + (rest.unweighted[n] as number);
    lines.forEach((line, i) => {
      value += line.cos * (waves[2 * i] as number) + line.sin * (waves[2 * i + 1] as number);
    });
    out[n] = value;
  }
  return out;
}

/** Frequency of the slow curve at x in -1..1, Hz against the centre, by the derivative of the series. */
function curveHz(track: PhaseTrack, curve: Float64Array, x: number): number {
  let p0 = 1;
  let p1 = x;
  let d0 = 0;
  let d1 = 1;
  let sum = curve.length > 1 ? (curve[1] as number) : 0;
  for (let k = 2; k < curve.length; k++) {
    const p2 = ((2 * k - 1) * x * p1 - (k - 1) * p0) / k;
    const d2 = d0 + (2 * k - 1) * p1;
    sum += (curve[k] as number) * d2;
    [p0, p1, d0, d1] = [p1, p2, d1, d2];
  }
  return (sum * 2) / durationS(track) / (2 * Math.PI);
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
  const length = Math.min(deviation.length, 131072);
  const size = nextPowerOfTwo(Math.max(8, length));
  const windowed = new Float64Array(length);
  const turn = rotation((2 * Math.PI) / length, 0.5);
  let windowSquares = 0;
  for (let n = 0; n < length; n++) {
    const window = 0.5 - 0.5 * turn.cos();
    windowSquares += window * window;
    windowed[n] = window * (deviation[n] as number);
  }
  const { re, im } = realSpectrum(windowed, size);
  const reach = Math.max(1, Math.round((2 * size) / length));
  const scale = 4 / (windowSquares * size);
  const power = Float64Array.from(
    { length: size / 2 },
    (_, k) => ((re[k] as number) ** 2 + (im[k] as number) ** 2) * scale,
  );
  return thinned(power, reach, track.rate / size);
}

function thinned(power: Float64Array, reach: number, binHz: number): FlutterSpectrum {
  const first = Math.max(reach + 1, Math.ceil(0.2 / binHz));
  const last = Math.min(power.length - reach - 1, Math.floor(200 / binHz));
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
    edge = Math.floor(target);
  }
  return { frequencyHz: Float32Array.from(frequency), peakPercent: Float32Array.from(peak) };
}
