/** Samples as a source: reads past the end give what there is. */
import type { SampleSource } from './index.js';

/** One array a channel, as many samples each. */
export const sourceOf = (sampleRate: number, ...channels: readonly Float64Array[]): SampleSource => ({
  sampleRate,
  channels: channels.length,
  frames: channels[0]?.length ?? 0,
  read: (start, count, wanted) =>
    Promise.resolve(wanted.map((i) => (channels[i] as Float64Array).slice(start, start + count))),
});
