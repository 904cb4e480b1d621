/** Figures of a clip beside the page. */
import { noiseFigures, type NoiseFigures } from '@amber-gauge/core/speed';
import { expose } from 'comlink';

const noiseWorker = {
  figures: (samples: Float64Array, sampleRate: number): NoiseFigures | null => noiseFigures(samples, sampleRate),
};
export type NoiseWorker = typeof noiseWorker;
expose(noiseWorker);
