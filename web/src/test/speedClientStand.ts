/** Stands in the place of the page's side of the speed worker: what is asked is kept, what is answered is given. */
import type { Source } from '@amber-gauge/contract';
import { familyOf } from '@amber-gauge/core/families';
import { tolerance } from '@amber-gauge/core/quantity';
import type { SpeedRun } from '@amber-gauge/core/speed';
import { act, fireEvent, screen, waitFor } from '@testing-library/react';
import { expect, vi } from 'vitest';
import type { Measured, WayProps } from '../features/measuring/ways/way.js';
import * as speedClient from '../workers/speedClient.js';
import type { OtherBand, SpeedAnswer } from '../workers/speed.worker.js';

/** What the worker was asked, in order, and what it will answer. */
export const worker = {
  answers: [] as unknown[],
  asked: [] as [string, ...unknown[]][],
  /** What the browser makes of a packed file. */
  decoded: null as unknown,
};

const api = new Proxy(
  {},
  {
    get:
      (_target, name: string) =>
      (...given: unknown[]) => {
        worker.asked.push([name, ...given]);
        return Promise.resolve(worker.answers.shift());
      },
  },
);

/** Stands there until mocks are restored, with nothing asked and nothing to answer. */
export function standForSpeedWorker(): void {
  Object.assign(worker, { answers: [], asked: [], decoded: null });
  vi.spyOn(speedClient, 'warmWorker').mockImplementation(() => undefined);
  vi.spyOn(speedClient, 'reporting').mockImplementation((report) => report);
  vi.spyOn(speedClient, 'decodeElse').mockImplementation(() => Promise.resolve(worker.decoded as never));
  vi.spyOn(speedClient, 'inWorker').mockImplementation((work, stopped) => {
    let stop = () => undefined as void;
    const halted = new Promise<typeof stopped>((resolve) => {
      stop = () => resolve(stopped);
    });
    return { answer: Promise.race([work(api as never), halted]), stop };
  });
}

const family = familyOf('belt-turntable-dc');
const speed = family.speeds.find(({ id }) => id === '33') as (typeof family.speeds)[number];

/** A test record of this frequency. */
export const record = (id: string, nominalHz: number, tolerancePercent: number | null): Source => ({
  id,
  name: `Record of ${nominalHz}`,
  nominalHz,
  tolerancePercent,
  demo: false,
  version: 1,
});
/** The record of the shop: ±0.1 %. */
export const SHOP = record('a', 3150, 0.1);

/** A run with nothing but its mean. */
export const bareRun = (more: Partial<SpeedRun> = {}): SpeedRun =>
  ({
    unit: 'Hz',
    nominal: 3150,
    mean: 3152,
    errorPercent: 0.06,
    expandedPercent: 0.1,
    uncertainty: [],
    driftPercent: null,
    flutter: null,
    lines: [],
    warnings: [],
    detail: { way: 'tone', nominalHz: 3150 },
    series: null,
    spectrum: null,
    ...more,
  }) as unknown as SpeedRun;
/** The worker's answer for it. */
export const measured = (run: SpeedRun, bands: readonly OtherBand[] = []): SpeedAnswer => ({
  kind: 'measured',
  run,
  sha256: 'f'.repeat(64),
  bands,
});

/** What a way is given, and what it hands on. */
export function wayProps(more: Partial<WayProps> = {}) {
  const given: Measured[] = [];
  const chosen = vi.fn();
  const all: WayProps = {
    family,
    speed,
    limits: tolerance(-0.3, 0.3, { kind: 'practice', text: 'test' }),
    source: SHOP,
    sources: [SHOP],
    onSource: chosen,
    onMeasured: (one) => {
      given.push(one);
      return Promise.resolve();
    },
    onLive: () => undefined,
    ...more,
  };
  return { all, given, chosen };
}
/** Chooses a file at the field of this name, and waits for what comes of it. */
export async function drop(label: string, name = 'take.wav'): Promise<void> {
  const before = worker.asked.length;
  fireEvent.change(screen.getByLabelText(label), { target: { files: [new File(['RIFF'], name)] } });
  await waitFor(() => expect(worker.asked.length).toBeGreaterThan(before));
  // What the answer leads to is done after a few turns of the clock.
  for (let turn = 0; turn < 5; turn++) await act(() => new Promise((resolve) => setTimeout(resolve)));
}
