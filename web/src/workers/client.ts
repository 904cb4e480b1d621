/** The page's side of its workers. Most stay once they were asked for: what they hold ready serves the next question as well. */
import { wrap, type Remote } from 'comlink';
import type { NoiseFigures } from '@amber-gauge/core/speed';
import type { DayWorker } from './day.worker.js';
import type { FindWorker } from './find.worker.js';
import type { NoiseWorker } from './noise.worker.js';
import type { PracticeWorker } from './practice.worker.js';

let day: Remote<DayWorker> | null = null;
let find: Remote<FindWorker> | null = null;
let practice: Remote<PracticeWorker> | null = null;

/** Plans the day. */
export const planner = (): Remote<DayWorker> =>
  (day ??= wrap(new Worker(new URL('./day.worker.ts', import.meta.url), { type: 'module' })));

/** Reasons along the drive path. */
export const reasoner = (): Remote<FindWorker> =>
  (find ??= wrap(new Worker(new URL('./find.worker.ts', import.meta.url), { type: 'module' })));

/** Marks practice units. */
export const marker = (): Remote<PracticeWorker> =>
  (practice ??= wrap(new Worker(new URL('./practice.worker.ts', import.meta.url), { type: 'module' })));

/** Figures of a clip, by a worker of its own; null when it is too short. */
export function clipFigures(samples: Float64Array, sampleRate: number): Promise<NoiseFigures | null> {
  const worker = new Worker(new URL('./noise.worker.ts', import.meta.url), { type: 'module' });
  return wrap<NoiseWorker>(worker)
    .figures(samples, sampleRate)
    .finally(() => worker.terminate());
}
