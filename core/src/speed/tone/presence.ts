/**
 * Where the tone is: blocks of 20 ms whose amplitude and pitch are steady join into stretches; short
 * gaps inside a stretch are dropouts and are left out of every fit.
 */
import { median } from '../../numeric/index.js';
import type { Baseband } from './baseband.js';
import { TONE_DEFAULTS as D } from './defaults.js';

/** The longest stretch of tone, in baseband samples, end exclusive, with a mask of usable samples. */
export interface ToneStretch {
  readonly start: number;
  readonly end: number;
  readonly usable: Uint8Array;
  readonly dropouts: number;
}

const BLOCK_S = 0.02;
const TAU = 2 * Math.PI;

/** Wraps an angle to -pi..pi. */
export function wrap(angle: number): number {
  return angle - TAU * Math.round(angle / TAU);
}

/** The longest stretch of tone of about `amplitude`, or null when no block looks like one. */
export function findStretch(band: Baseband, amplitude: number): ToneStretch | null {
  const size = Math.max(4, Math.round(BLOCK_S * band.rate));
  const blocks = Math.floor(band.phase.length / size);
  const present = new Uint8Array(blocks);
  for (let b = 0; b < blocks; b++) present[b] = blockHoldsTone(band, b * size, size, amplitude) ? 1 : 0;
  const run = longestRun(present, Math.round(D.longestDropoutS / BLOCK_S));
  if (!run) return null;
  const edge = Math.round(0.006 * band.rate);
  const start = run.start === 0 ? edge : run.start * size;
  const end = run.end === blocks ? Math.max(start, band.phase.length - edge) : run.end * size;
  return { start, end, ...maskDropouts(band, start, end) };
}

function blockHoldsTone(band: Baseband, from: number, size: number, amplitude: number): boolean {
  let sum = 0;
  let square = 0;
  let turn = 0;
  let turnSquare = 0;
  for (let i = from; i < from + size; i++) {
    const a = band.amplitude[i] as number;
    sum += a;
    square += a * a;
    const step = i > 0 ? wrap((band.phase[i] as number) - (band.phase[i - 1] as number)) : 0;
    turn += step;
    turnSquare += step * step;
  }
  const level = sum / size;
  const spread = Math.sqrt(Math.max(0, square / size - level * level));
  const pitchSpread = Math.sqrt(Math.max(0, turnSquare / size - (turn / size) ** 2)) * (band.rate / TAU);
  return (
    level > 0.35 * amplitude &&
    level < 2.5 * amplitude &&
    spread < 0.45 * level &&
    pitchSpread < 0.35 * band.halfBandHz &&
    Math.abs((turn / size) * (band.rate / TAU)) < 0.08 * band.centreHz
  );
}

function longestRun(present: Uint8Array, bridge: number): { start: number; end: number } | null {
  let best: { start: number; end: number; held: number } | null = null;
  let start = -1;
  let lastSeen = -1;
  let held = 0;
  const close = () => {
    if (start >= 0 && (!best || held > best.held)) best = { start, end: lastSeen + 1, held };
  };
  for (let b = 0; b < present.length; b++) {
    if (!present[b]) continue;
    if (start < 0 || b - lastSeen > bridge) {
      close();
      start = b;
      held = 0;
    }
    lastSeen = b;
    held++;
  }
  close();
  return best;
}

/** Samples under half or over twice the median amplitude are unusable, with 4 ms either side. */
function maskDropouts(band: Baseband, start: number, end: number): { usable: Uint8Array; dropouts: number } {
  const usable = new Uint8Array(end - start).fill(1);
  const stride = Math.max(1, Math.floor((end - start) / 20000));
  const sampled: number[] = [];
  for (let i = start; i < end; i += stride) sampled.push(band.amplitude[i] as number);
  const middle = median(sampled);
  const guard = Math.round(0.004 * band.rate);
  let dropouts = 0;
  let clearFrom = 0;
  for (let i = 0; i < usable.length; i++) {
    const level = band.amplitude[start + i] as number;
    if (level >= 0.5 * middle && level <= 2 * middle) continue;
    if (i > clearFrom + guard || dropouts === 0) dropouts++;
    const from = Math.max(0, i - guard);
    const to = Math.min(usable.length, i + guard + 1);
    usable.fill(0, from, to);
    clearFrom = to;
  }
  return { usable, dropouts };
}
