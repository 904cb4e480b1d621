/** A part of a recording by itself, and its figures put back in the recording's own time. */
import type { SampleSource } from '../../formats/index.js';
import type { MeasuredTone } from './result.js';

/** The samples from `startS` to `endS` alone. */
export function between(source: SampleSource, startS: number, endS: number): SampleSource {
  const from = Math.max(0, Math.min(source.frames, Math.round(startS * source.sampleRate)));
  const to = Number.isFinite(endS) ? Math.round(endS * source.sampleRate) : source.frames;
  const frames = Math.max(0, Math.min(source.frames, to) - from);
  return {
    ...source,
    frames,
    read: (start, count, channels) => source.read(from + start, Math.max(0, Math.min(count, frames - start)), channels),
  };
}

/** Times moved by `byS`. */
export const shifted = (result: MeasuredTone, byS: number): MeasuredTone => ({
  ...result,
  tone: { ...result.tone, startS: result.tone.startS + byS, endS: result.tone.endS + byS },
  series: { ...result.series, startS: result.series.startS + byS },
});
