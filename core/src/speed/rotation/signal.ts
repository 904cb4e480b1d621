/**
 * Pulses out of a recording: of a tacho's pulses, or of the sine of a speed generator. Rising edges
 * are placed between samples; noise about them is first smoothed over an eighth of the usual period.
 */
import { readWavHeader, wavSamples, type ByteSource, type SampleSource } from '../../formats/index.js';
import { median, quantile } from '../../numeric/index.js';
import { finish, type PulseTimes } from './pulseTimes.js';
import { pulsesOf, type MeasuredPulses, type PulseWish } from './pulses.js';
import type { UnusableRotation } from './result.js';

const PIECE = 1 << 18;
const HYSTERESIS = 0.15;

const refuse = (reason: UnusableRotation['reason']): UnusableRotation => ({ kind: 'unusable', reason, line: 0 });

export type SignalWish = Omit<PulseWish, 'columns'> & { readonly onProgress?: (done: number) => boolean | void };

/** Measures the pulses or the generator's sine in a WAV file. */
export async function measurePulseWav(bytes: ByteSource, wish: SignalWish): Promise<MeasuredPulses | UnusableRotation> {
  const layout = await readWavHeader(bytes);
  if (layout.kind === 'unusable') return refuse(layout.reason);
  return pulsesOf(await signalTimes(wavSamples(bytes, layout), wish.onProgress), wish);
}

/** Pulse times in the loudest channel of `source`. */
export async function signalTimes(
  source: SampleSource,
  onProgress: (done: number) => boolean | void = () => true,
): Promise<PulseTimes | UnusableRotation> {
  const swing = await swingOf(source);
  if (!swing) return refuse('SILENT');
  const rough = edgeFinder(swing, 1);
  if (!(await run(source, swing.channel, rough.push, (done) => onProgress(done / 2)))) return refuse('STOPPED');
  const width = Math.max(1, Math.floor(usualPeriod(rough.edges) / 8));
  if (width === 1)
    return finish(
      Float64Array.from(rough.edges, (n) => n / source.sampleRate),
      'recording',
    );
  const smooth = edgeFinder(swing, width);
  if (!(await run(source, swing.channel, smooth.push, (done) => onProgress(0.5 + done / 2)))) return refuse('STOPPED');
  return finish(
    Float64Array.from(smooth.edges, (n) => n / source.sampleRate),
    'recording',
  );
}

/** The usual distance of edges, samples: of the larger half, so that jitter about a slow edge does no harm. */
function usualPeriod(edges: readonly number[]): number {
  const gaps = edges.slice(1, 20001).map((edge, i) => edge - (edges[i] as number));
  return gaps.length === 0 ? 0 : quantile(gaps, 0.6);
}

async function run(
  source: SampleSource,
  channel: number,
  push: (samples: Float64Array) => void,
  report: (done: number) => boolean | void,
): Promise<boolean> {
  for (let start = 0; start < source.frames; start += PIECE) {
    const [samples] = await source.read(start, PIECE, [channel]);
    if (!samples || samples.length === 0) break;
    push(samples);
    if (report(start / source.frames) === false) return false;
  }
  return true;
}

export interface Swing {
  readonly channel: number;
  readonly low: number;
  readonly high: number;
}

/** Low and high level of the channel that swings most, from looks spread over the whole; null when silent. */
async function swingOf(source: SampleSource): Promise<Swing | null> {
  const all = Array.from({ length: source.channels }, (_, i) => i);
  const lows: number[][] = all.map(() => []);
  const highs: number[][] = all.map(() => []);
  const length = Math.min(source.frames, Math.round(source.sampleRate));
  for (let look = 0; look < 12; look++) {
    const start = Math.floor(((source.frames - length) * look) / 11);
    const pieces = await source.read(start, length, all);
    pieces.forEach((piece, i) => {
      if (piece.length === 0) return;
      (lows[i] as number[]).push(quantile(piece, 0.001));
      (highs[i] as number[]).push(quantile(piece, 0.999));
    });
  }
  const swings = all.map((channel) => ({
    channel,
    low: median(lows[channel] as number[]),
    high: median(highs[channel] as number[]),
  }));
  const best = swings.reduce((a, b) => (b.high - b.low > a.high - a.low ? b : a));
  return best.high - best.low > 1e-4 ? best : null;
}

/** Takes samples in order and places rising crossings of the middle, in samples from the first; smoothed over `width`. */
export function edgeFinder({ low, high }: Omit<Swing, 'channel'>, width: number) {
  const middle = (low + high) / 2;
  const arm = middle - HYSTERESIS * (high - low);
  const fire = middle + HYSTERESIS * (high - low);
  const ring = new Float64Array(width);
  const edges: number[] = [];
  let sum = 0;
  let n = 0;
  let before = 0;
  let armed = false;
  let crossing: number | null = null;
  const push = (samples: Float64Array) => {
    for (const sample of samples) {
      if (n === 0) {
        // As if it had always stood at the first sample: a recording that starts high has no edge there.
        ring.fill(sample);
        sum = sample * width;
        before = sample;
      }
      const slot = n % width;
      sum += sample - (ring[slot] as number);
      ring[slot] = sample;
      const value = sum / width;
      if (value < arm) [armed, crossing] = [true, null];
      // The mean of `width` samples belongs to their middle.
      if (armed && before < middle && value >= middle) {
        crossing = n - 1 + (middle - before) / (value - before) - (width - 1) / 2;
      }
      if (armed && value >= fire && crossing !== null) {
        edges.push(crossing);
        armed = false;
        crossing = null;
      }
      before = value;
      n++;
    }
  };
  return { edges, push };
}
