/**
 * Several tones in a row on one recording (3150, 1000, 300 Hz): where each stands, and each measured
 * by itself against the nominal it is nearest to.
 */
import { readWavHeader, wavSamples, type ByteSource, type SampleSource } from '../../formats/index.js';
import { median, quantile, realSpectrum, nextPowerOfTwo } from '../../numeric/index.js';
import { measureTone, type ToneOptions } from './measure.js';
import type { MeasuredTone, UnusableTone } from './result.js';

/** Test tones that a tape or record may carry, Hz (IEC, NAB and JIS practice, from memory). */
export const TEST_TONES_HZ = [3150, 3000, 1000, 300] as const;

/** A stretch that holds one pitch. */
export interface ToneBand {
  readonly startS: number;
  readonly endS: number;
  readonly hz: number;
}

const STEP_S = 0.1;
/** Recordings longer than this are stepped through more widely. */
const LONG_S = 600;
const LONG_STEP_S = 0.5;
/** Steps read at a time. */
const PIECE_STEPS = 100;
const SHORTEST_S = 1.5;
/** The frame's strongest line over the 40 % point of its spectrum, power. */
const CONTRAST = 300;
const SAME_PITCH = 0.03;

/** Stretches of at least 1.5 s, in order. The recording is read through once, in pieces. */
export async function findBands(source: SampleSource, channel: number): Promise<ToneBand[]> {
  const size = nextPowerOfTwo(source.sampleRate * 0.05);
  const stepS = source.frames > LONG_S * source.sampleRate ? LONG_STEP_S : STEP_S;
  const step = Math.round(stepS * source.sampleRate);
  const pitches: number[] = [];
  for (let start = 0; start + size <= source.frames; start += PIECE_STEPS * step) {
    const [samples] = await source.read(start, (PIECE_STEPS - 1) * step + size, [channel]);
    if (!samples) break;
    for (let at = 0; at + size <= samples.length; at += step) {
      pitches.push(pitchOf(samples.subarray(at, at + size), source.sampleRate));
    }
  }
  return bandsOf(pitches, step / source.sampleRate);
}

/** As {@link findBands}, from the bytes of a WAV file; none where it cannot be read. */
export async function findBandsOf(bytes: ByteSource, channel: number): Promise<ToneBand[]> {
  const layout = await readWavHeader(bytes);
  return layout.kind === 'unusable' ? [] : findBands(wavSamples(bytes, layout), channel);
}

/** Frequency of a frame's one strong line, Hz; 0 when there is none. */
function pitchOf(samples: Float64Array, rate: number): number {
  const size = samples.length;
  const windowed = samples.map((value, n) => value * (0.5 - 0.5 * Math.cos((2 * Math.PI * n) / size)));
  const { re, im } = realSpectrum(windowed, size);
  const power = Float64Array.from(re, (x, k) => x * x + (im[k] as number) ** 2);
  const first = Math.max(2, Math.ceil((100 * size) / rate));
  let top = first;
  for (let k = first; k < power.length - 2; k++) if ((power[k] as number) > (power[top] as number)) top = k;
  if ((power[top] as number) < CONTRAST * (quantile(power, 0.4) + 1e-12)) return 0;
  let sum = 0;
  let moment = 0;
  for (let k = top - 2; k <= top + 2; k++) {
    sum += power[k] as number;
    moment += k * (power[k] as number);
  }
  return ((moment / sum) * rate) / size;
}

function bandsOf(pitches: readonly number[], stepS: number): ToneBand[] {
  const out: ToneBand[] = [];
  let from = 0;
  while (from < pitches.length) {
    const hz = pitches[from] as number;
    let to = from + 1;
    while (to < pitches.length && hz > 0 && Math.abs((pitches[to] as number) / hz - 1) < SAME_PITCH) to++;
    if (hz > 0 && (to - from) * stepS >= SHORTEST_S) {
      out.push({ startS: from * stepS, endS: to * stepS, hz: median(pitches.slice(from, to)) });
    }
    from = to;
  }
  return joined(out);
}

/** Neighbours of one pitch with at most half a second between them are one band with a dropout. */
function joined(bands: readonly ToneBand[]): ToneBand[] {
  const out: ToneBand[] = [];
  for (const band of bands) {
    const last = out[out.length - 1];
    const same = last && Math.abs(band.hz / last.hz - 1) < SAME_PITCH && band.startS - last.endS < 0.5;
    if (same) out[out.length - 1] = { ...last, endS: band.endS };
    else out.push(band);
  }
  return out;
}

/** A band with the nominal it was measured against. */
export interface MeasuredBand {
  readonly band: ToneBand;
  readonly nominalHz: number;
  readonly result: MeasuredTone | UnusableTone;
}

/**
 * Measures every band of a WAV file. The nominal of each is that of the usual test tones to which the
 * bands together give one speed: a tape 5 % slow plays 2992, 950 and 285 Hz.
 */
export async function measureBands(
  bytes: ByteSource,
  options: ToneOptions,
  channel: number,
): Promise<readonly MeasuredBand[]> {
  const layout = await readWavHeader(bytes);
  if (layout.kind === 'unusable') return [];
  const source = wavSamples(bytes, layout);
  const bands = await findBands(source, channel);
  const nominals = matchNominals(
    bands.map((band) => band.hz),
    options.nominalHz,
  );
  const out: MeasuredBand[] = [];
  for (const [i, band] of bands.entries()) {
    const nominalHz = nominals[i] as number;
    const result = await measureTone(part(source, band), { ...options, nominalHz, channel });
    out.push({ band, nominalHz, result: shifted(result, band.startS) });
  }
  return out;
}

/** The ratio to nominal that most bands agree on decides each band's nominal. */
export function matchNominals(pitches: readonly number[], wantedHz: number): number[] {
  const tones = [wantedHz, ...TEST_TONES_HZ.filter((hz) => hz !== wantedHz)];
  const ratios = pitches.flatMap((hz) => tones.map((tone) => hz / tone)).filter((r) => r > 0.4 && r < 2.5);
  const misfit = (ratio: number) =>
    pitches.reduce((sum, hz) => sum + Math.min(0.1, Math.abs(nearest(hz / ratio, tones) * ratio - hz) / hz), 0) +
    0.02 * Math.abs(Math.log(ratio));
  const best = ratios.sort((a, b) => misfit(a) - misfit(b))[0] ?? 1;
  return pitches.map((hz) => nearest(hz / best, tones));
}

function nearest(hz: number, tones: readonly number[]): number {
  return tones.reduce((a, b) => (Math.abs(Math.log(hz / b)) < Math.abs(Math.log(hz / a)) ? b : a));
}

/** The samples of one band alone, a little inside its edges. */
function part(source: SampleSource, band: ToneBand): SampleSource {
  const from = Math.round((band.startS + 0.05) * source.sampleRate);
  const frames = Math.max(0, Math.min(source.frames, Math.round((band.endS - 0.05) * source.sampleRate)) - from);
  return {
    ...source,
    frames,
    read: (start, count, channels) => source.read(from + start, Math.max(0, Math.min(count, frames - start)), channels),
  };
}

function shifted(result: MeasuredTone | UnusableTone, byS: number): MeasuredTone | UnusableTone {
  if (result.kind === 'unusable') return result;
  return {
    ...result,
    tone: { ...result.tone, startS: result.tone.startS + byS, endS: result.tone.endS + byS },
    series: { ...result.series, startS: result.series.startS + byS },
  };
}
