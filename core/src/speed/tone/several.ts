/**
 * Several tones in a row on one recording (3150, 1000, 300 Hz): where each stands, and each measured
 * by itself against the nominal it is nearest to.
 */
import { readWavHeader, wavSamples, type ByteSource, type SampleSource } from '../../formats/index.js';
import { median, quantile, hannWindow, nextPowerOfTwo, windowedPower } from '../../numeric/index.js';
import { ask, SAME_SPEED_PERCENT, type AskedSpeed } from '../asked.js';
import { measureTone, measureWav } from './measure.js';
import type { ToneOptions } from './options.js';
import { between, shifted } from './part.js';
import { stepIn } from './splice.js';
import type { MeasuredTone, ToneResult, UnusableTone } from './result.js';
import { say } from '../../words/index.js';
import {
  BESIDE_SPLICE_S,
  COUNTED_S,
  FRAME_CONTRAST,
  FRAME_S,
  INSIDE_S,
  LONG_S,
  LONG_SURVEY_STEP_S,
  PIECE_STEPS,
  ROW_RATIO,
  SAME_PITCH,
  SHORTEST_STRETCH_S,
  SURVEY_STEP_S,
  WHOLE_PART,
} from './defaults.js';

/** Test tones that a tape or record may carry, Hz (IEC, NAB and JIS practice, from memory). */
export const TEST_TONES_HZ = [3150, 3000, 1000, 300] as const;

/** A stretch that holds one pitch. */
export interface ToneBand {
  readonly startS: number;
  readonly endS: number;
  readonly hz: number;
}

/** Stretches of at least 1.5 s, in order. The recording is read through once, in pieces. */
export async function findBands(source: SampleSource, channel: number): Promise<ToneBand[]> {
  const size = nextPowerOfTwo(source.sampleRate * FRAME_S);
  const stepS = source.frames > LONG_S * source.sampleRate ? LONG_SURVEY_STEP_S : SURVEY_STEP_S;
  const step = Math.round(stepS * source.sampleRate);
  const pitches: number[] = [];
  for (let start = 0; start + size <= source.frames; start += PIECE_STEPS * step) {
    const [samples] = await source.read(start, (PIECE_STEPS - 1) * step + size, [channel]);
    if (!samples) break;
    for (let at = 0; at + size <= samples.length; at += step) {
      pitches.push(pitchOf(samples.subarray(at, at + size), source.sampleRate));
    }
  }
  return bandsOf(pitches, step / source.sampleRate).flatMap((band) =>
    atSplice(band, pitches, step / source.sampleRate),
  );
}

/** Frequency of a frame's one strong line, Hz; 0 when there is none. */
function pitchOf(samples: Float64Array, rate: number): number {
  const size = samples.length;
  const power = windowedPower(samples, hannWindow(size), size);
  const first = Math.max(2, Math.ceil((100 * size) / rate));
  let top = first;
  for (let k = first; k < power.length - 2; k++) if ((power[k] as number) > (power[top] as number)) top = k;
  // The flank of hum below the range is no line.
  if (top === first && (power[top - 1] as number) >= (power[top] as number)) return 0;
  if ((power[top] as number) < FRAME_CONTRAST * (quantile(power, 0.4) + 1e-12)) return 0;
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
    if (hz > 0 && (to - from) * stepS >= SHORTEST_STRETCH_S) {
      out.push({ startS: from * stepS, endS: to * stepS, hz: median(pitches.slice(from, to)) });
    }
    from = to;
  }
  return joined(out);
}

function atSplice(band: ToneBand, pitches: readonly number[], stepS: number): ToneBand[] {
  const [from, to] = [Math.round(band.startS / stepS), Math.round(band.endS / stepS)];
  const own = pitches.slice(from, to);
  const at = stepIn(own, stepS);
  if (at === null) return [band];
  return [
    { startS: band.startS, endS: (from + at) * stepS - BESIDE_SPLICE_S, hz: median(own.slice(0, at)) },
    { startS: (from + at) * stepS + BESIDE_SPLICE_S, endS: band.endS, hz: median(own.slice(at)) },
  ];
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
    const result = await measureTone(between(source, band.startS + INSIDE_S, band.endS - INSIDE_S), {
      ...options,
      nominalHz,
      channel,
    });
    if (result.kind === 'asked') continue;
    out.push({ band, nominalHz, result: result.kind === 'measured' ? shifted(result, band.startS) : result });
  }
  return out;
}

/** The ratio to nominal that most bands agree on decides each band's nominal. */
export function matchNominals(pitches: readonly number[], wantedHz: number): number[] {
  const tones = [wantedHz, ...TEST_TONES_HZ.filter((hz) => hz !== wantedHz)];
  const ratios = pitches
    .flatMap((hz) => tones.map((tone) => hz / tone))
    .filter((r) => r > ROW_RATIO.low && r < ROW_RATIO.high);
  const misfit = (ratio: number) =>
    pitches.reduce(
      (sum, hz) => sum + Math.min(ROW_RATIO.most, Math.abs(nearest(hz / ratio, tones) * ratio - hz) / hz),
      0,
    ) +
    ROW_RATIO.perLog * Math.abs(Math.log(ratio));
  const best = ratios.sort((a, b) => misfit(a) - misfit(b))[0] ?? 1;
  return pitches.map((hz) => nearest(hz / best, tones));
}

function nearest(hz: number, tones: readonly number[]): number {
  return tones.reduce((a, b) => (Math.abs(Math.log(hz / b)) < Math.abs(Math.log(hz / a)) ? b : a));
}

/** A recording measured whole: the tone, and every other steady stretch where it holds several. */
export interface MeasuredRecording {
  readonly kind: 'recording';
  readonly tone: MeasuredTone;
  readonly bands: readonly MeasuredBand[];
}

/**
 * Measures a WAV file with all its steady stretches. Two stretches of one tone at different speeds are
 * asked about; tones of one speed in a row (3150, 1000, 300 Hz) are not.
 */
export async function measureRecording(
  bytes: ByteSource,
  options: ToneOptions,
): Promise<MeasuredRecording | Exclude<ToneResult, MeasuredTone>> {
  const tone = await measureWav(bytes, options);
  if (tone.kind !== 'measured') return tone;
  const layout = await readWavHeader(bytes);
  const durationS =
    layout.kind === 'unusable' ? 0 : wavSamples(bytes, layout).frames / wavSamples(bytes, layout).sampleRate;
  // One that drifts over its whole length may be two, spliced.
  const whole = tone.tone.endS - tone.tone.startS > WHOLE_PART * durationS;
  if ((whole && !tone.warnings.includes('DRIFTING')) || options.fromS !== undefined || options.toS !== undefined)
    return { kind: 'recording', tone, bands: [] };
  const bands = await measureBands(bytes, options, tone.tone.channel);
  const question = options.asIs ? null : severalSpeeds(bands, options.nominalHz);
  if (question) return question;
  if (bands.length < 2) return { kind: 'recording', tone, bands: [] };
  return { kind: 'recording', tone: (whole && longestOf(bands)) || tone, bands };
}

/** What the longest of the stretches that could be measured gave. */
function longestOf(bands: readonly MeasuredBand[]): MeasuredTone | null {
  const measured = bands.flatMap(({ band, result }) =>
    result.kind === 'measured' ? [{ lengthS: band.endS - band.startS, result }] : [],
  );
  return measured.sort((a, b) => b.lengthS - a.lengthS)[0]?.result ?? null;
}

/** Bands whose pitch over the wanted nominal differs as speeds do, not as test tones do. */
function severalSpeeds(bands: readonly MeasuredBand[], nominalHz: number): AskedSpeed | null {
  const counted = bands.filter(({ band }) => band.endS - band.startS >= COUNTED_S);
  const ratios = counted.map(({ band, nominalHz: own }) => band.hz / own);
  const tones = new Set(counted.map((one) => one.nominalHz));
  const spread = Math.max(...ratios) / Math.min(...ratios) - 1;
  if (counted.length < 2 || spread < SAME_SPEED_PERCENT / 100) return null;
  const played = counted.filter((one) => tones.size === 1 || one.nominalHz === nominalHz);
  const choices = [...played]
    .sort((a, b) => Math.abs(Math.log(a.band.hz / nominalHz)) - Math.abs(Math.log(b.band.hz / nominalHz)))
    .map(({ band }) => ({
      words: say`${band.hz.toFixed(0)} Hz from ${band.startS.toFixed(0)} to ${band.endS.toFixed(0)} s`,
      answer: { fromS: band.startS, toS: band.endS },
      meanRpm: null,
    }));
  return ask(
    'SEVERAL_SPEEDS',
    say`The recording holds several steady speeds:
      ${counted.map(({ band }) => say`${band.hz.toFixed(0)} Hz from ${band.startS.toFixed(0)} s`).join(', ')}. Which is
      meant?`,
    choices,
  );
}
