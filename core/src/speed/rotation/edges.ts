/**
 * Rising edges of a sampled signal: pulses, or the sine of a speed generator. Crossings of the middle
 * are placed between samples; noise about them is first smoothed over an eighth of the usual period,
 * and a signal of few samples a cycle is first interpolated.
 */
import type { SampleSource } from '../../formats/index.js';
import { median, quantile } from '../../numeric/index.js';
import {
  EDGE_PIECE,
  EDGE_REACH,
  EDGE_UP,
  EVEN_STEPS,
  FEW_SAMPLES,
  JUMPS_SHARE,
  LEAST_SWING,
  LOOK,
  LOOKED_FOR_GAPS,
  MOST_FINE,
  RAGGED,
  SMOOTHED_OVER,
  SWING_TAILS,
  TABLE_TAILS,
  USUAL_GAP,
} from './defaults.js';

/** Hysteresis about the middle, as a part of the swing: low for a generator with a weak place, high in noise. */
const HYSTERESIS = { low: 0.05, high: 0.15 } as const;

/** Low and high level of a channel. */
export interface Swing {
  readonly channel: number;
  readonly low: number;
  readonly high: number;
}

/** Rising edges of a signal. */
export interface Edges {
  /** Places of the rising edges, in samples. */
  readonly at: Float64Array;
  /** Swing of the cycle that each edge opens, as a part of the whole swing. */
  readonly levels: Float64Array;
  readonly swing: Swing;
  /** Share of the time above the middle. */
  readonly duty: number;
  /** The signal jumps from level to level between two samples, and a pulse has few of them: see {@link COARSE}. */
  readonly coarse: boolean;
}

/**
 * A jump of more than `jump` of the swing between two samples says nothing of where between them it
 * lies. With under `samples` to a pulse that shows in the wow: half a sample either way is 0.7 / samples.
 */
const COARSE = { jump: 0.7, samples: 2000 } as const;

/** Low and high level of the channel that swings most, from looks spread over the whole; null when none swings. */
export async function swingOf(source: SampleSource, only: number | null = null): Promise<Swing | null> {
  const all = only === null ? Array.from({ length: source.channels }, (_, i) => i) : [only];
  const lows: number[][] = all.map(() => []);
  const highs: number[][] = all.map(() => []);
  const length = Math.min(source.frames, Math.max(LOOK.samples, Math.round(source.sampleRate)));
  const looks = source.frames > length ? LOOK.looks : 1;
  for (let look = 0; look < looks; look++) {
    const start = looks === 1 ? 0 : Math.floor(((source.frames - length) * look) / (looks - 1));
    const pieces = await source.read(start, length, all);
    pieces.forEach((piece, i) => {
      if (piece.length === 0) return;
      (lows[i] as number[]).push(quantile(piece, SWING_TAILS.within));
      (highs[i] as number[]).push(quantile(piece, 1 - SWING_TAILS.within));
    });
  }
  // The upper looks decide: a drive that stands still in half of them still swings.
  const swings = all.map((channel, i) => ({
    channel,
    low: quantile(lows[i] as number[], SWING_TAILS.over),
    high: quantile(highs[i] as number[], 1 - SWING_TAILS.over),
  }));
  const best = swings.reduce((a, b) => (b.high - b.low > a.high - a.low ? b : a));
  return best.high - best.low > LEAST_SWING * Math.max(1e-9, Math.abs(best.high), Math.abs(best.low)) ? best : null;
}

/** All rising edges of the channel; null when stopped by `onProgress`. */
export async function edgesOf(
  source: SampleSource,
  swing: Swing,
  onProgress: (done: number) => boolean | void = () => true,
): Promise<Edges | null> {
  const rough = edgeFinder(swing, 1);
  if (!(await run(source, swing.channel, rough.push, (done) => onProgress(done / 2)))) return null;
  const period = usualPeriod(rough.edges);
  // Short pulses, or short gaps between them, must not be smoothed away.
  const shorter = Math.min(rough.duty(), 1 - rough.duty()) * period;
  const width = Math.max(1, Math.floor(Math.min(period / SMOOTHED_OVER.period, shorter / SMOOTHED_OVER.pulse)));
  const few = period > 0 && period < FEW_SAMPLES && source.frames * EDGE_UP < MOST_FINE;
  const pass = async (hysteresis: number) => {
    const finder = edgeFinder(swing, width, hysteresis);
    const finer = few ? interpolator(finder.push) : { push: finder.push, end: () => {} };
    const going = await run(source, swing.channel, finer.push, (done) => onProgress(0.5 + done / 2));
    finer.end();
    return going ? finder : null;
  };
  let found = await pass(HYSTERESIS.low);
  if (found && isRagged(found.edges)) found = await pass(HYSTERESIS.high);
  if (!found) return null;
  const scale = few ? 1 / EDGE_UP : 1;
  return {
    at: Float64Array.from(found.edges, (place) => place * scale),
    levels: Float64Array.from(found.levels),
    swing,
    duty: found.duty(),
    coarse: period < COARSE.samples && rough.jumps() > JUMPS_SHARE,
  };
}

/** Many gaps far under the usual one: noise fires the low hysteresis. */
function isRagged(edges: readonly number[]): boolean {
  const gaps = edges.slice(1).map((edge, i) => edge - (edges[i] as number));
  const usual = quantile(gaps, USUAL_GAP);
  return gaps.filter((gap) => gap < RAGGED.gap * usual).length > RAGGED.share * gaps.length;
}

/** The usual distance of edges, samples: of the larger half, so that jitter about a slow edge does no harm. */
function usualPeriod(edges: readonly number[]): number {
  const gaps = edges.slice(1, LOOKED_FOR_GAPS + 1).map((edge, i) => edge - (edges[i] as number));
  return gaps.length === 0 ? 0 : quantile(gaps, USUAL_GAP);
}

async function run(
  source: SampleSource,
  channel: number,
  push: (samples: Float64Array) => void,
  report: (done: number) => boolean | void,
): Promise<boolean> {
  for (let start = 0; start < source.frames; start += EDGE_PIECE) {
    const [samples] = await source.read(start, EDGE_PIECE, [channel]);
    if (!samples || samples.length === 0) break;
    push(samples);
    if (report(start / source.frames) === false) return false;
  }
  return true;
}

/** Hands on `EDGE_UP` times as many samples, by a windowed sinc; edges shift by nothing. */
function interpolator(push: (samples: Float64Array) => void) {
  const kernels = Array.from({ length: EDGE_UP }, (_, p) =>
    Float64Array.from({ length: 2 * EDGE_REACH }, (_x, i) => {
      const x = i - (EDGE_REACH - 1) - p / EDGE_UP;
      if (Math.abs(x) < 1e-12) return 1;
      const window = 0.5 + 0.5 * Math.cos((Math.PI * x) / EDGE_REACH);
      return Math.abs(x) >= EDGE_REACH ? 0 : (Math.sin(Math.PI * x) / (Math.PI * x)) * window;
    }),
  );
  let held = new Float64Array(0);
  let first = true;
  const work = (samples: Float64Array) => {
    const joined = new Float64Array(held.length + samples.length);
    joined.set(held);
    joined.set(samples, held.length);
    const count = joined.length - 2 * EDGE_REACH + 1;
    if (count <= 0) {
      held = joined;
      return;
    }
    const out = new Float64Array(count * EDGE_UP);
    for (let n = 0; n < count; n++) {
      for (let p = 0; p < EDGE_UP; p++) {
        const kernel = kernels[p] as Float64Array;
        let sum = 0;
        for (let i = 0; i < 2 * EDGE_REACH; i++) sum += (kernel[i] as number) * (joined[n + i] as number);
        out[n * EDGE_UP + p] = sum;
      }
    }
    push(out);
    held = joined.slice(count);
  };
  return {
    push(samples: Float64Array) {
      // As if it had always stood at the first sample, so that sample n of the input is n * EDGE_UP of the output.
      if (first && samples.length > 0) {
        held = new Float64Array(EDGE_REACH - 1).fill(samples[0] as number);
        first = false;
      }
      work(samples);
    },
    end: () => work(new Float64Array(EDGE_REACH).fill(held[held.length - 1] ?? 0)),
  };
}

/** Takes samples in order and places rising crossings of the middle, in samples from the first; smoothed over `width`. */
export function edgeFinder({ low, high }: Omit<Swing, 'channel'>, width: number, hysteresis: number = HYSTERESIS.high) {
  const middle = (low + high) / 2;
  const arm = middle - hysteresis * (high - low);
  const fire = middle + hysteresis * (high - low);
  const ring = new Float64Array(width);
  const edges: number[] = [];
  const levels: number[] = [];
  let sum = 0;
  let n = 0;
  let before = 0;
  let armed = false;
  let crossing: number | null = null;
  let top = -Infinity;
  let bottom = Infinity;
  let above = 0;
  let jumped = 0;
  const push = (samples: Float64Array) => {
    for (let k = 0; k < samples.length; k++) {
      const sample = samples[k] as number;
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
      if (value > middle) above++;
      if (value < arm) [armed, crossing] = [true, null];
      // The mean of `width` samples belongs to their middle.
      if (armed && before < middle && value >= middle) {
        crossing = n - 1 + (middle - before) / (value - before) - (width - 1) / 2;
      }
      if (armed && value >= fire && crossing !== null) {
        if (edges.length > 0) levels.push((top - bottom) / (high - low));
        [top, bottom] = [value, value];
        edges.push(crossing);
        if (value - before > COARSE.jump * (high - low)) jumped++;
        armed = false;
        crossing = null;
      }
      if (value > top) top = value;
      if (value < bottom) bottom = value;
      before = value;
      n++;
    }
  };
  return {
    edges,
    levels,
    push,
    duty: () => (n === 0 ? 0 : above / n),
    /** Share of the edges that came in one jump. */
    jumps: () => (edges.length === 0 ? 0 : jumped / edges.length),
  };
}

/** Rising crossings of the middle with hysteresis, at times that need not be even. */
export function risingEdges(time: Float64Array, volts: Float64Array): Float64Array {
  const sample =
    volts.length > LOOKED_FOR_GAPS
      ? volts.filter((_, i) => i % Math.ceil(volts.length / LOOKED_FOR_GAPS) === 0)
      : volts;
  const low = quantile(sample, TABLE_TAILS);
  const high = quantile(sample, 1 - TABLE_TAILS);
  if (!(high > low)) return new Float64Array(0);
  const finder = edgeFinder({ low, high }, 1);
  finder.push(volts);
  return Float64Array.from(finder.edges, (place) => {
    const i = Math.min(time.length - 2, Math.max(0, Math.floor(place)));
    return (time[i] as number) + (place - i) * ((time[i + 1] as number) - (time[i] as number));
  });
}

/** The usual step of a column when nearly all are even; null when they are not. */
export function evenStep(time: Float64Array): number | null {
  if (time.length < EVEN_STEPS.least) return null;
  const steps = time.subarray(1, EVEN_STEPS.looked + 1).map((value, i) => value - (time[i] as number));
  const usual = median(steps);
  if (!(usual > 0)) return null;
  const even =
    steps.filter((step) => Math.abs(step - usual) < EVEN_STEPS.part * usual).length > EVEN_STEPS.share * steps.length;
  return even ? ((time[time.length - 1] as number) - (time[0] as number)) / (time.length - 1) : null;
}
