/**
 * The tone's phase as a continuous curve: unwrapped, carried over gaps by the speed on either side,
 * then filtered and decimated to the flutter rate.
 */
import { lowPassTaps, symmetricSums, workspace, type Workspace } from '../../numeric/index.js';
import type { Baseband } from './baseband.js';
import { TONE_DEFAULTS as D } from './defaults.js';
import { wrap, type ToneStretch } from './presence.js';
import { AT_A_TIME, BRIDGE_LOOK_S, KEPT_AT_A_TIME, PHASE_WORTH_IT, TOP_PART } from './defaults.js';

/** Phase against the centre frequency, radians, at `rate`; sample i is at startS + i / rate. */
export interface PhaseTrack {
  readonly rate: number;
  readonly startS: number;
  readonly centreHz: number;
  readonly phase: Float64Array;
  /** 1 where the sample rests on tone, 0 inside a gap. */
  readonly usable: Uint8Array;
}

/** The track of one stretch. */
export function phaseTrack(band: Baseband, stretch: ToneStretch): PhaseTrack {
  const phase = band.phase.subarray(stretch.start, stretch.end);
  const factor = Math.max(1, Math.floor(band.rate / D.flutterHz));
  const rate = band.rate / factor;
  const taps = lowPassTaps({
    rate: band.rate,
    passHz: TOP_PART * rate,
    stopHz: (1 - TOP_PART) * rate,
    attenuationDb: 80,
  });
  const half = (taps.length - 1) / 2;
  const startS = (stretch.start + half) / band.rate;
  const thinned = stretch.usable.includes(0)
    ? thinnedOverGaps(phase, stretch.usable, taps, factor, band.rate)
    : thinnedInPieces(phase, taps, factor);
  return { rate, startS, centreHz: band.centreHz, ...thinned };
}

/** Unwraps and thins piece by piece, so that a long recording is never held twice. */
function thinnedInPieces(phase: Float64Array, taps: Float64Array, factor: number) {
  const half = (taps.length - 1) / 2;
  const out = new Float64Array(keptCount(phase.length, half, factor));
  let first = phase[0] ?? 0;
  for (let from = 0; from < out.length; from += KEPT_AT_A_TIME) {
    const to = Math.min(out.length, from + KEPT_AT_A_TIME);
    const piece = joined(phase.subarray(from * factor, (to - 1) * factor + 2 * half + 1));
    const shift = first - (piece[0] as number);
    if (shift !== 0) for (let i = 0; i < piece.length; i++) piece[i] = (piece[i] as number) + shift;
    symmetricSums(piece, taps.subarray(half), half, factor, out.subarray(from, to));
    first = piece[(to - from) * factor] ?? 0;
  }
  return { phase: out, usable: new Uint8Array(out.length).fill(1) };
}

const keptCount = (length: number, half: number, factor: number): number =>
  Math.max(0, Math.floor((length - 2 * half - 1) / factor) + 1);

/** The same where the tone was away in between: gaps are bridged first, which looks at both sides of each. */
function thinnedOverGaps(phase: Float64Array, usable: Uint8Array, taps: Float64Array, factor: number, rate: number) {
  const half = (taps.length - 1) / 2;
  const raw = joined(phase);
  bridgeGaps(raw, usable, Math.round(BRIDGE_LOOK_S * rate));
  const out = new Float64Array(keptCount(phase.length, half, factor));
  symmetricSums(raw, taps.subarray(half), half, factor, out);
  const mask = new Uint8Array(out.length);
  for (let m = 0; m < out.length; m++) mask[m] = usable[half + m * factor] as number;
  return { phase: out, usable: mask };
}

/** The phase without its jumps. */
function joined(phase: Float64Array): Float64Array {
  const out = new Float64Array(phase.length);
  if (phase.length < PHASE_WORTH_IT || !workspace()) return plainJoined(phase, out);
  out[0] = phase[0] as number;
  for (let from = 0; from < phase.length - 1; from += AT_A_TIME) {
    const to = Math.min(phase.length, from + AT_A_TIME + 1);
    const compiled = workspace() as Workspace;
    const [phaseAt, outAt] = [compiled.put(phase.subarray(from, to)), compiled.space(8 * (to - from))];
    compiled.calls.unwrap(phaseAt, to - from, outAt);
    const piece = compiled.values(outAt, to - from);
    // A piece begins at the sample the last one ended with: whole turns may lie between.
    const shift = (out[from] as number) - (piece[0] as number);
    for (let i = 1; i < piece.length; i++) out[from + i] = (piece[i] as number) + shift;
  }
  return out;
}

function plainJoined(phase: Float64Array, out: Float64Array): Float64Array {
  let turns = phase[0] ?? 0;
  out[0] = turns;
  for (let i = 1; i < phase.length; i++) {
    turns += wrap((phase[i] as number) - (phase[i - 1] as number));
    out[i] = turns;
  }
  return out;
}

/** Across each gap the whole cycles are those that the speed on either side asks for. */
function bridgeGaps(phase: Float64Array, usable: Uint8Array, look: number): void {
  let i = 0;
  let shift = 0;
  while (i < usable.length) {
    if (usable[i]) {
      phase[i] = (phase[i] as number) + shift;
      i++;
      continue;
    }
    let end = i;
    while (end < usable.length && !usable[end]) end++;
    const before = Math.max(0, i - 1);
    if (end < usable.length && i > 0) {
      const slope = meanSlope(phase, usable, before, end, look);
      const expected = slope * (end - before);
      const got = (phase[end] as number) + shift - (phase[before] as number);
      shift += 2 * Math.PI * Math.round((expected - got) / (2 * Math.PI));
      const span = (phase[end] as number) + shift - (phase[before] as number);
      for (let k = i; k < end; k++) phase[k] = (phase[before] as number) + (span * (k - before)) / (end - before);
    } else {
      const level = i > 0 ? (phase[before] as number) : ((phase[end] ?? 0) as number);
      phase.fill(level, i, end);
    }
    i = end;
  }
}

/** Mean phase step a sample over `look` usable samples on each side of a gap. */
function meanSlope(phase: Float64Array, usable: Uint8Array, before: number, after: number, look: number): number {
  let left = before;
  while (left > 0 && before - left < look && usable[left - 1]) left--;
  let right = after;
  while (right < usable.length - 1 && right - after < look && usable[right + 1]) right++;
  const steps = before - left + (right - after);
  if (steps === 0) return 0;
  return (
    ((phase[before] as number) - (phase[left] as number) + (phase[right] as number) - (phase[after] as number)) / steps
  );
}
