/**
 * Tones added to the test tone (hum, a second generator) told from true flutter. Flutter moves the
 * phase alone: its two side lines are equal and opposite. An added tone is one side line: it shows in
 * the amplitude as much as in the phase. Its part is taken out of the baseband, and named.
 */
import { parabolaTop, rotation } from '../../numeric/index.js';
import type { Baseband } from './baseband.js';
import type { ToneStretch } from './presence.js';
import type { PhaseTrack } from './phase.js';
import type { PhaseLine, TrendFit } from './trend.js';
import { curveAt } from './trend.js';
import { say } from '../../words/index.js';
import {
  ADDED_STEP,
  FAINTEST_SIDE_LINE,
  MAINS_HZ,
  MAINS_REACH,
  MOST_ADDED,
  MOST_MULTIPLE,
  NAMED_DB,
  ONE_SIDED,
  OWN_HZ,
  PEAK_SEARCH,
  WAVE_ANEW_EVERY,
} from './defaults.js';

/** Another tone beside the test tone. */
export interface AddedTone {
  /** Its own frequency, Hz. */
  readonly hz: number;
  /** Level against the test tone, decibels. */
  readonly levelDb: number;
  /** The mains it is a multiple of, Hz; null when it is none. */
  readonly mainsHz: 50 | 60 | null;
}

/** Side lines of the fit that are added tones, as offsets from the tone, Hz. */
function oneSided(band: Baseband, stretch: ToneStretch, track: PhaseTrack, lines: readonly PhaseLine[]): number[] {
  const out: number[] = [];
  let mean = 0;
  let used = 0;
  for (let i = stretch.start; i < stretch.end; i++) {
    if (!stretch.usable[i - stretch.start]) continue;
    mean += band.amplitude[i] as number;
    used++;
  }
  mean /= Math.max(1, used);
  let weighted: ReturnType<typeof windowed> | null = null;
  for (const line of lines) {
    if (Math.hypot(line.cos, line.sin) < FAINTEST_SIDE_LINE) continue;
    weighted ??= windowed(band, stretch, mean);
    const m = amplitudeLine(band, stretch, track.startS, line.hz, weighted);
    const [pr, pi] = [line.cos, -line.sin];
    // u = (M + jP) / 2 above the tone, l = (M - jP)* / 2 below it.
    const upper = Math.hypot(m.re - pi, m.im + pr) / 2;
    const lower = Math.hypot(m.re + pi, m.im - pr) / 2;
    if (Math.min(upper, lower) > ONE_SIDED * Math.max(upper, lower)) continue;
    out.push(upper > lower ? line.hz : -line.hz);
  }
  return out.slice(0, MOST_ADDED);
}

/** Relative amplitude under a Hann window, in steps of four samples, and the window's sum. */
function windowed(band: Baseband, { start, end, usable }: ToneStretch, mean: number) {
  const values = new Float64Array(Math.floor((end - start) / ADDED_STEP));
  let weight = 0;
  const turn = rotation((2 * Math.PI) / values.length, 0.5);
  for (let k = 0; k < values.length; k++) {
    const w = 0.5 - 0.5 * turn.cos();
    let sum = 0;
    for (let n = ADDED_STEP * k; n < ADDED_STEP * (k + 1); n++) {
      if (!usable[n]) continue;
      sum += (band.amplitude[start + n] as number) / mean - 1;
      weight += w;
    }
    values[k] = w * sum;
  }
  return { values, weight };
}

/** Relative amplitude at `hz` as a complex number, time from `startS`. */
function amplitudeLine(
  band: Baseband,
  { start }: ToneStretch,
  startS: number,
  hz: number,
  { values, weight }: ReturnType<typeof windowed>,
) {
  const step = (2 * Math.PI * hz * ADDED_STEP) / band.rate;
  const first = 2 * Math.PI * hz * ((start + (ADDED_STEP - 1) / 2) / band.rate - startS);
  let re = 0;
  let im = 0;
  let c = Math.cos(first);
  let s = Math.sin(first);
  const dc = Math.cos(step);
  const ds = Math.sin(step);
  for (let k = 0; k < values.length; k++) {
    if (k % WAVE_ANEW_EVERY === 0) {
      c = Math.cos(first + step * k);
      s = Math.sin(first + step * k);
    }
    const value = values[k] as number;
    re += value * c;
    im -= value * s;
    const next = c * dc - s * ds;
    s = c * ds + s * dc;
    c = next;
  }
  return { re: (2 * re) / Math.max(1e-12, weight), im: (2 * im) / Math.max(1e-12, weight) };
}

/**
 * The baseband without its added tones, and what they were; null when there are none. `meanHz` is the
 * tone's mean frequency as fitted.
 */
export function withoutAdded(
  band: Baseband,
  stretch: ToneStretch,
  track: PhaseTrack,
  fit: TrendFit,
  meanHz: number,
): { readonly band: Baseband; readonly added: readonly AddedTone[] } | null {
  const offsets = oneSided(band, stretch, track, fit.lines);
  if (offsets.length === 0) return null;
  const { start, end } = stretch;
  const count = end - start;
  const re = new Float64Array(count);
  const im = new Float64Array(count);
  for (let n = 0; n < count; n++) {
    const a = band.amplitude[start + n] as number;
    const p = band.phase[start + n] as number;
    re[n] = a * Math.cos(p);
    im[n] = a * Math.sin(p);
  }
  const keep = fit.lines.filter((line) => !offsets.some((offset) => Math.abs(Math.abs(offset) - line.hz) < 1e-9));
  const carrier = carrierOf(band, stretch, track, fit, keep, re, im);
  const [restRe, restIm] = [
    re.map((x, n) => x - (carrier.re[n] as number)),
    im.map((y, n) => y - (carrier.im[n] as number)),
  ];
  const added: AddedTone[] = [];
  for (const offset of offsets) {
    const hz = tuned(restRe, restIm, band.rate, meanHz - band.centreHz + offset);
    const line = lineAt(restRe, restIm, band.rate, hz);
    subtract(restRe, restIm, band.rate, hz, line);
    subtract(re, im, band.rate, hz, line);
    const own = band.centreHz + hz;
    added.push({
      hz: own,
      levelDb: 20 * Math.log10(Math.hypot(line.re, line.im) / carrier.amplitude),
      mainsHz: mainsOf(own),
    });
  }
  added.sort((a, b) => b.levelDb - a.levelDb);
  const named = added.filter(
    (one, i) => one.levelDb > NAMED_DB && added.slice(0, i).every((louder) => Math.abs(louder.hz - one.hz) > OWN_HZ),
  );
  if (named.length === 0) return null;
  const amplitude = band.amplitude.slice();
  const phase = band.phase.slice();
  for (let n = 0; n < count; n++) {
    amplitude[start + n] = Math.hypot(re[n] as number, im[n] as number);
    phase[start + n] = Math.atan2(im[n] as number, re[n] as number);
  }
  return { band: { ...band, amplitude, phase }, added: named };
}

/** The test tone alone: fitted phase with the lines kept, at its mean level. */
function carrierOf(
  band: Baseband,
  { start, end }: ToneStretch,
  track: PhaseTrack,
  fit: TrendFit,
  lines: readonly PhaseLine[],
  re: Float64Array,
  im: Float64Array,
) {
  const count = end - start;
  const outRe = new Float64Array(count);
  const outIm = new Float64Array(count);
  let sumRe = 0;
  let sumIm = 0;
  const last = track.phase.length - 1;
  for (let n = 0; n < count; n++) {
    const since = (start + n) / band.rate - track.startS;
    let phase = curveAt(fit.curve, (2 * since * track.rate) / last - 1);
    for (const line of lines) {
      const turn = 2 * Math.PI * line.hz * since;
      phase += line.cos * Math.cos(turn) + line.sin * Math.sin(turn);
    }
    const [c, s] = [Math.cos(phase), Math.sin(phase)];
    [outRe[n], outIm[n]] = [c, s];
    sumRe += (re[n] as number) * c + (im[n] as number) * s;
    sumIm += (im[n] as number) * c - (re[n] as number) * s;
  }
  const [ar, ai] = [sumRe / count, sumIm / count];
  for (let n = 0; n < count; n++) {
    const [c, s] = [outRe[n] as number, outIm[n] as number];
    outRe[n] = ar * c - ai * s;
    outIm[n] = ar * s + ai * c;
  }
  return { re: outRe, im: outIm, amplitude: Math.hypot(ar, ai) };
}

/** Complex amplitude at `hz` over the whole, Hann window. */
function lineAt(re: Float64Array, im: Float64Array, rate: number, hz: number): { re: number; im: number } {
  let x = 0;
  let y = 0;
  let weight = 0;
  for (let n = 0; n < re.length; n++) {
    const w = 0.5 - 0.5 * Math.cos((2 * Math.PI * (n + 0.5)) / re.length);
    const turn = (2 * Math.PI * hz * n) / rate;
    const [c, s] = [Math.cos(turn), Math.sin(turn)];
    x += w * ((re[n] as number) * c + (im[n] as number) * s);
    y += w * ((im[n] as number) * c - (re[n] as number) * s);
    weight += w;
  }
  return { re: x / weight, im: y / weight };
}

/** The frequency near `hz` at which the line is largest, by three parabolic steps over a bin. */
function tuned(re: Float64Array, im: Float64Array, rate: number, hz: number): number {
  let at = hz;
  let width = (PEAK_SEARCH.bins * rate) / re.length;
  const size = (f: number) => {
    const line = lineAt(re, im, rate, f);
    return Math.hypot(line.re, line.im);
  };
  for (let round = 0; round < 3; round++) {
    const [a, b, c] = [size(at - width), size(at), size(at + width)];
    at += width * Math.max(-1, Math.min(1, parabolaTop(a, b, c)));
    width /= PEAK_SEARCH.narrower;
  }
  return at;
}

function subtract(
  re: Float64Array,
  im: Float64Array,
  rate: number,
  hz: number,
  line: { re: number; im: number },
): void {
  for (let n = 0; n < re.length; n++) {
    const turn = (2 * Math.PI * hz * n) / rate;
    const [c, s] = [Math.cos(turn), Math.sin(turn)];
    re[n] = (re[n] as number) - (line.re * c - line.im * s);
    im[n] = (im[n] as number) - (line.re * s + line.im * c);
  }
}

function mainsOf(hz: number): 50 | 60 | null {
  for (const mains of MAINS_HZ) {
    const multiple = Math.round(hz / mains);
    if (
      multiple >= 1 &&
      multiple <= MOST_MULTIPLE &&
      Math.abs(hz - multiple * mains) < MAINS_REACH * Math.sqrt(multiple)
    )
      return mains;
  }
  return null;
}

/** "hum 60 Hz, −20 dB". */
export function addedWords({ hz, levelDb, mainsHz }: AddedTone): string {
  const name = mainsHz === null ? say`a second tone` : say`hum`;
  return `${name} ${Number(hz.toPrecision(4))} Hz, ${levelDb < 0 ? '−' : ''}${Math.abs(levelDb).toFixed(0)} dB`;
}
