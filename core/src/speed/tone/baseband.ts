/**
 * From samples to the tone's own phase and amplitude: a band-pass around the tone folded into a
 * two-stage decimator, so that 48 kHz becomes about 2 kHz of complex baseband.
 *
 * y[m] = sum_k h[k] x[mD - k] e^{-j w (mD - k)}: the taps carry the oscillator, one rotation a
 * output. Linear phase, so output m belongs to input sample m D exactly. Both stages work on blocks
 * and four outputs at a time: each tap is fetched once for four sums that need not wait for each other.
 */
import { lowPassTaps, mixingSums, symmetricSums, workspace } from '../../numeric/index.js';
import { TONE_DEFAULTS as D } from './defaults.js';
import { ANEW_EVERY, BASEBAND_WORTH_IT, MIDDLE_TIMES, PASS } from './defaults.js';

/** Complex baseband at `rate`; output i belongs to time i / rate. */
export interface Baseband {
  readonly rate: number;
  readonly centreHz: number;
  readonly halfBandHz: number;
  readonly amplitude: Float32Array;
  /** Radians, wrapped to -pi..pi, relative to the centre frequency. */
  readonly phase: Float64Array;
}

/** Takes samples in order and ends in a {@link Baseband}. */
export interface BasebandMaker {
  push(samples: Float64Array): void;
  finish(): Baseband;
}

/** A maker for a tone near `centreHz` in `frames` samples at `sampleRate`. */
export function basebandMaker(sampleRate: number, centreHz: number, frames: number): BasebandMaker {
  const { rate, factor, halfBandHz } = basebandShape(sampleRate, centreHz);
  const sink = polarSink(Math.ceil(frames / factor) + 2);
  const stream = basebandStream(sampleRate, centreHz, sink.push);
  return {
    push: stream.push,
    finish() {
      stream.finish();
      return { rate, centreHz, halfBandHz, ...sink.take() };
    },
  };
}

/** Rates and widths chosen for a tone near `centreHz`. */
export function basebandShape(sampleRate: number, centreHz: number) {
  const stopHz = Math.min(D.stopHz, PASS.stopOfCentre * centreHz, PASS.stopOfCentre * (sampleRate - 2 * centreHz));
  const halfBandHz = Math.min(D.halfBandHz, PASS.bandOfStop * stopHz);
  const first = Math.max(1, Math.floor(sampleRate / (MIDDLE_TIMES * D.basebandHz)));
  const middleRate = sampleRate / first;
  const second = Math.max(1, Math.floor(middleRate / D.basebandHz));
  return { stopHz, halfBandHz, first, second, middleRate, rate: middleRate / second, factor: first * second };
}

/** The same filters without an end: blocks of complex baseband go to `emit` as samples come in. */
export function basebandStream(sampleRate: number, centreHz: number, emit: ComplexPush) {
  const { stopHz, halfBandHz, first, second, middleRate } = basebandShape(sampleRate, centreHz);
  const narrow = complexDecimator(
    lowPassTaps({ rate: middleRate, passHz: halfBandHz, stopHz, attenuationDb: D.stopBandDb }),
    second,
    emit,
  );
  const wide =
    first === 1
      ? Float64Array.of(1)
      : lowPassTaps({
          rate: sampleRate,
          passHz: halfBandHz,
          stopHz: middleRate - stopHz,
          attenuationDb: D.wideStopBandDb,
        });
  const mixer = mixingDecimator(wide, first, centreHz / sampleRate, narrow.push);
  return {
    push: mixer.push,
    finish() {
      mixer.finish();
      narrow.finish();
    },
  };
}

/** Takes the first `count` of a block of complex samples; the arrays are used again after the call. */
export type ComplexPush = (re: Float64Array, im: Float64Array, count: number) => void;

/** Inputs kept from piece to piece: the tail that the next outputs still need, with the new samples behind it. */
function inputTail(half: number) {
  let held = new Float64Array(half);
  let filled = half;
  return {
    /** The tail with `samples` behind it. */
    with(samples: Float64Array): { data: Float64Array; filled: number } {
      if (held.length < filled + samples.length) {
        const grown = new Float64Array(filled + samples.length);
        grown.set(held.subarray(0, filled));
        held = grown;
      }
      held.set(samples, filled);
      filled += samples.length;
      return { data: held, filled };
    },
    /** Forgets what lies before `from`. */
    drop(from: number): void {
      held.copyWithin(0, from, filled);
      filled -= from;
    },
  };
}

/** Real samples in, complex out at 1/factor of the rate, mixed down by `cyclesPerSample`. */
function mixingDecimator(taps: Float64Array, factor: number, cyclesPerSample: number, emit: ComplexPush) {
  const half = (taps.length - 1) / 2;
  const even = new Float64Array(half + 1);
  const odd = new Float64Array(half + 1);
  for (let i = 0; i <= half; i++) {
    even[i] = (taps[half + i] as number) * Math.cos(2 * Math.PI * cyclesPerSample * i);
    odd[i] = (taps[half + i] as number) * Math.sin(2 * Math.PI * cyclesPerSample * i);
  }
  const tail = inputTail(half);
  let outputs = 0;
  let re = new Float64Array(0);
  let im = new Float64Array(0);
  let centre = half;
  const push = (samples: Float64Array) => {
    const { data, filled } = tail.with(samples);
    const count = Math.max(0, Math.ceil((filled - half - centre) / factor));
    if (re.length < count) [re, im] = [new Float64Array(count), new Float64Array(count)];
    mixingSums(data, { even, odd }, centre, factor, count, re, im);
    turnBack(re, im, count, outputs, factor * cyclesPerSample);
    outputs += count;
    emit(re, im, count);
    const from = Math.min(centre + count * factor - half, filled);
    centre = centre + count * factor - from;
    tail.drop(from);
  };
  return { push, finish: () => push(new Float64Array(half)) };
}

/** Turns output `first + m` back by its count of cycles; set right from the exact count every 256. */
function turnBack(re: Float64Array, im: Float64Array, count: number, first: number, cycles: number): void {
  const stepRe = Math.cos(2 * Math.PI * cycles);
  const stepIm = -Math.sin(2 * Math.PI * cycles);
  const compiled = count > BASEBAND_WORTH_IT ? workspace() : null;
  const [reAt, imAt] = compiled ? [compiled.put(re.subarray(0, count)), compiled.put(im.subarray(0, count))] : [0, 0];
  for (let start = 0; start < count; start += ANEW_EVERY) {
    const turned = (first + start) * cycles;
    const angle = -2 * Math.PI * (turned - Math.floor(turned));
    let c = Math.cos(angle);
    let s = Math.sin(angle);
    const end = Math.min(count, start + ANEW_EVERY);
    if (compiled) {
      compiled.calls.turn(reAt + 8 * start, imAt + 8 * start, end - start, c, s, stepRe, stepIm);
      continue;
    }
    for (let m = start; m < end; m++) {
      const x = re[m] as number;
      const y = im[m] as number;
      re[m] = x * c - y * s;
      im[m] = x * s + y * c;
      const next = c * stepRe - s * stepIm;
      s = c * stepIm + s * stepRe;
      c = next;
    }
  }
  if (!compiled) return;
  re.set(compiled.values(reAt, count));
  im.set(compiled.values(imAt, count));
}

/** Complex in, complex out at 1/factor of the rate. */
function complexDecimator(taps: Float64Array, factor: number, emit: ComplexPush) {
  const half = (taps.length - 1) / 2;
  const oneSide = taps.slice(half);
  const [tailRe, tailIm] = [inputTail(half), inputTail(half)];
  let outRe = new Float64Array(0);
  let outIm = new Float64Array(0);
  let centre = half;
  const push: ComplexPush = (re, im, size) => {
    const { data, filled } = tailRe.with(re.subarray(0, size));
    const other = tailIm.with(im.subarray(0, size)).data;
    const count = Math.max(0, Math.ceil((filled - half - centre) / factor));
    if (outRe.length < count) [outRe, outIm] = [new Float64Array(count), new Float64Array(count)];
    symmetricSums(data, oneSide, centre, factor, outRe.subarray(0, count));
    symmetricSums(other, oneSide, centre, factor, outIm.subarray(0, count));
    emit(outRe, outIm, count);
    const from = Math.min(centre + count * factor - half, filled);
    centre = centre + count * factor - from;
    tailRe.drop(from);
    tailIm.drop(from);
  };
  return { push, finish: () => push(new Float64Array(half), new Float64Array(half), half) };
}

function polarSink(capacity: number) {
  const amplitude = new Float32Array(capacity);
  const phase = new Float64Array(capacity);
  let filled = 0;
  const push: ComplexPush = (re, im, count) => {
    const end = Math.min(count, capacity - filled);
    const compiled = end > BASEBAND_WORTH_IT ? workspace() : null;
    if (compiled) {
      const [reAt, imAt] = [compiled.put(re.subarray(0, end)), compiled.put(im.subarray(0, end))];
      const [amplitudeAt, phaseAt] = [compiled.space(4 * end), compiled.space(8 * end)];
      compiled.calls.polar(reAt, imAt, end, amplitudeAt, phaseAt);
      amplitude.set(compiled.singles(amplitudeAt, end), filled);
      phase.set(compiled.values(phaseAt, end), filled);
      filled += end;
      return;
    }
    for (let m = 0; m < end; m++) {
      const x = re[m] as number;
      const y = im[m] as number;
      amplitude[filled + m] = 2 * Math.sqrt(x * x + y * y);
      phase[filled + m] = Math.atan2(y, x);
    }
    filled += Math.max(0, end);
  };
  return { push, take: () => ({ amplitude: amplitude.subarray(0, filled), phase: phase.subarray(0, filled) }) };
}
