/**
 * Where the tone is: blocks of 20 ms whose amplitude and pitch are steady join into stretches; short
 * gaps inside a stretch are dropouts and are left out of every fit.
 */
import { quantile, workspace, type Workspace } from '../../numeric/index.js';
import type { Baseband } from './baseband.js';
import { TONE_DEFAULTS as D } from './defaults.js';
import {
  BLOCKS_AT_A_TIME,
  DROPOUT,
  EDGE_S,
  FAINTEST_PART,
  LEVEL_BLOCKS,
  LEVEL_BLOCK_S,
  LEVEL_QUANTILE,
  LOUDEST_PART,
  PRESENCE_BLOCK_S,
  PRESENT,
} from './defaults.js';

/** The longest stretch of tone, in baseband samples, end exclusive, with a mask of usable samples. */
export interface ToneStretch {
  readonly start: number;
  readonly end: number;
  readonly usable: Uint8Array;
  readonly dropouts: number;
}

const TAU = 2 * Math.PI;

/** Wraps an angle to -pi..pi. */
export function wrap(angle: number): number {
  return angle - TAU * Math.round(angle / TAU);
}

/** Every stretch of tone of about `amplitude`, the longest first; gaps of up to half a second inside one are dropouts. */
export function findStretches(band: Baseband, amplitude: number): ToneStretch[] {
  const size = Math.max(4, Math.round(PRESENCE_BLOCK_S * band.rate));
  const blocks = Math.floor(band.phase.length / size);
  const present = new Uint8Array(blocks);
  const sums = compiledSums(band, size, blocks) ?? plainSums(band, size, blocks);
  for (let b = 0; b < blocks; b++)
    present[b] = holdsTone(sums.subarray(4 * b, 4 * b + 4), band, size, amplitude) ? 1 : 0;
  const edge = Math.round(EDGE_S * band.rate);
  return runsOf(present, Math.round(D.longestDropoutS / PRESENCE_BLOCK_S)).map((run) => {
    const start = run.start === 0 ? edge : run.start * size;
    const end = run.end === blocks ? Math.max(start, band.phase.length - edge) : run.end * size;
    return { start, end, ...maskDropouts(band, start, end) };
  });
}

/** Four a block: sums of the amplitude and of its square, of the step of the phase and of its square. */
function compiledSums({ amplitude, phase }: Baseband, size: number, blocks: number): Float64Array | null {
  if (!workspace()) return null;
  const out = new Float64Array(4 * blocks);
  for (let b = 0; b < blocks; b += BLOCKS_AT_A_TIME) {
    const count = Math.min(BLOCKS_AT_A_TIME, blocks - b);
    const compiled = workspace() as Workspace;
    // One sample before the first: its step counts too, but for the very first of all.
    const from = Math.max(0, b * size - 1);
    const end = (b + count) * size;
    const before = b * size - from;
    const amplitudeAt = compiled.put(amplitude.subarray(from, end)) + 4 * before;
    const phaseAt = compiled.put(phase.subarray(from, end)) + 8 * before;
    const outAt = compiled.space(32 * count);
    compiled.calls.blockSums(amplitudeAt, phaseAt, size, count, outAt, before);
    out.set(compiled.values(outAt, 4 * count), 4 * b);
  }
  return out;
}

function plainSums({ amplitude, phase }: Baseband, size: number, blocks: number): Float64Array {
  const out = new Float64Array(4 * blocks);
  for (let i = 0; i < blocks * size; i++) {
    const at = 4 * Math.floor(i / size);
    const a = amplitude[i] as number;
    const step = i > 0 ? wrap((phase[i] as number) - (phase[i - 1] as number)) : 0;
    out[at] = (out[at] as number) + a;
    out[at + 1] = (out[at + 1] as number) + a * a;
    out[at + 2] = (out[at + 2] as number) + step;
    out[at + 3] = (out[at + 3] as number) + step * step;
  }
  return out;
}

function holdsTone(sums: Float64Array, band: Baseband, size: number, amplitude: number): boolean {
  const [sum, square, turn, turnSquare] = sums as unknown as [number, number, number, number];
  const level = sum / size;
  const spread = Math.sqrt(Math.max(0, square / size - level * level));
  const pitchSpread = Math.sqrt(Math.max(0, turnSquare / size - (turn / size) ** 2)) * (band.rate / TAU);
  return (
    level > FAINTEST_PART * amplitude &&
    level < LOUDEST_PART * amplitude &&
    spread < PRESENT.level * level &&
    pitchSpread < PRESENT.pitch * band.halfBandHz &&
    Math.abs((turn / size) * (band.rate / TAU)) < PRESENT.off * band.centreHz
  );
}

interface Run {
  readonly start: number;
  readonly end: number;
  readonly held: number;
}

/** Runs of blocks present, gaps up to `bridge` blocks bridged, those that hold most first. */
function runsOf(present: Uint8Array, bridge: number): Run[] {
  const runs: Run[] = [];
  let start = -1;
  let lastSeen = -1;
  let held = 0;
  const close = () => {
    if (start >= 0) runs.push({ start, end: lastSeen + 1, held });
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
  return runs.sort((a, b) => b.held - a.held);
}

/** Samples under half or over twice the usual amplitude about them are unusable, with 4 ms either side. */
function maskDropouts(band: Baseband, start: number, end: number): { usable: Uint8Array; dropouts: number } {
  const usable = new Uint8Array(end - start).fill(1);
  const usual = localLevels(band, start, end);
  if (noneIsOdd(band.amplitude.subarray(start, end), usual)) return { usable, dropouts: 0 };
  const guard = Math.round(DROPOUT.guardS * band.rate);
  let dropouts = 0;
  let clearFrom = 0;
  for (let i = 0; i < usable.length; i++) {
    const level = band.amplitude[start + i] as number;
    const middle = usual.levels[Math.min(usual.levels.length - 1, Math.floor(i / usual.size))] as number;
    if (level >= DROPOUT.low * middle && level <= DROPOUT.high * middle) continue;
    if (i > clearFrom + guard || dropouts === 0) dropouts++;
    const from = Math.max(0, i - guard);
    const to = Math.min(usable.length, i + guard + 1);
    usable.fill(0, from, to);
    clearFrom = to;
  }
  return { usable, dropouts };
}

/** The usual amplitude about each block of `size` samples: it may fade or pump slowly. */
interface LocalLevels {
  readonly size: number;
  readonly levels: Float64Array;
}

function localLevels(band: Baseband, start: number, end: number): LocalLevels {
  const size = Math.max(4, Math.round(LEVEL_BLOCK_S * band.rate));
  const blocks = Math.max(1, Math.ceil((end - start) / size));
  const levels = Float64Array.from({ length: blocks }, (_, b) => {
    let sum = 0;
    const from = start + b * size;
    const to = Math.min(end, from + size);
    for (let i = from; i < to; i++) sum += band.amplitude[i] as number;
    return sum / Math.max(1, to - from);
  });
  const smooth = levels.map((_, b) =>
    quantile(levels.subarray(Math.max(0, b - LEVEL_BLOCKS), b + LEVEL_BLOCKS + 1), LEVEL_QUANTILE),
  );
  return { size, levels: smooth };
}

/** Is every sample within half and twice its usual level? Then nothing need be masked. False where it was not looked. */
function noneIsOdd(amplitude: Float32Array, { size, levels }: LocalLevels): boolean {
  const compiled = workspace();
  if (!compiled) return false;
  const [amplitudeAt, levelsAt] = [compiled.put(amplitude), compiled.put(levels)];
  return compiled.calls.countOdd(amplitudeAt, amplitude.length, levelsAt, size, levels.length) === 0;
}
