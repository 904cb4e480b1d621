/** The live worker and the tap as they are: sines and pulses in, readings and runs out. */
import { afterEach, beforeAll, beforeEach, describe, expect, it, vi } from 'vitest';
import type { FromLive, ToLive } from './live.worker.js';

const told: FromLive[] = [];
const port = () => ({ onmessage: null as ((event: { data: Float32Array }) => void) | null });
const tell = (message: ToLive) => self.onmessage?.({ data: message } as MessageEvent);
const RATE = 8000;

beforeAll(() => import('./live.worker.js'));
beforeEach(() => {
  told.length = 0;
  vi.stubGlobal('postMessage', (message: FromLive) => void told.push(structuredClone(message)));
});
afterEach(() => vi.unstubAllGlobals());

const readings = () => told.flatMap((one) => (one.kind === 'reading' ? [one.reading] : []));
const captured = () => told.flatMap((one) => (one.kind === 'captured' ? [one.capture] : []));
/** So many seconds of a wave, in blocks as an input hands them on. */
function hear(samples: ReturnType<typeof port>, seconds: number, wave: (atS: number) => number) {
  for (let start = 0; start < seconds * RATE; start += 1024)
    samples.onmessage?.({ data: Float32Array.from({ length: 1024 }, (_, i) => wave((start + i) / RATE)) });
}

describe('the live worker', () => {
  it('before anything was heard there is nothing to capture', () => {
    tell({ kind: 'capture' });
    expect(captured()).toEqual([{ kind: 'refused', message: 'Nothing was heard yet.' }]);
  });

  it('a tone 0.5 % fast is read so, and captured as a run that was heard live', () => {
    const samples = port();
    const wish = {
      sampleRate: RATE,
      nominalHz: 1000,
      turnS: 1.8,
      referenceUncertaintyPercent: 0.1,
      clockLimitPercent: 0.01,
      clockCorrectionPpm: 0,
    };
    tell({ kind: 'start', listening: { of: 'tone', wish }, samples: samples as never });
    hear(samples, 12, (at) => 0.4 * Math.sin(2 * Math.PI * 1005 * at));
    const last = readings().at(-1);
    expect(last && 'mean' in last && last.mean?.errorPercent).toBeCloseTo(0.5, 3);
    tell({ kind: 'capture' });
    const [capture] = captured();
    expect(capture).toMatchObject({
      kind: 'run',
      run: { unit: 'Hz', nominal: 1000, detail: { way: 'tone', live: true } },
    });
    expect(capture?.kind === 'run' && capture.run.errorPercent).toBeCloseTo(0.5, 3);
  });

  it('pulses are counted by the turn: ten a second are 600 a minute', () => {
    const samples = port();
    const wish = { sampleRate: RATE, perTurn: 1, nominalRpm: 597 };
    tell({ kind: 'start', listening: { of: 'pulses', wish: wish as never }, samples: samples as never });
    hear(samples, 8, (at) => (at % 0.1 < 0.01 ? 0.8 : 0));
    const last = readings().at(-1);
    expect(last && 'rpm' in last && last.rpm).toBeCloseTo(600, 0);
    tell({ kind: 'capture' });
    const [capture] = captured();
    expect(capture?.kind === 'run' && capture.run.mean).toBeCloseTo(600, 0);
  });

  it('pulses four times as fast as can be are asked about, and the answer measures them again', () => {
    const samples = port();
    const wish = { sampleRate: RATE, perTurn: 1, nominalRpm: 150 };
    tell({ kind: 'start', listening: { of: 'pulses', wish: wish as never }, samples: samples as never });
    hear(samples, 8, (at) => (at % 0.1 < 0.01 ? 0.8 : 0));
    tell({ kind: 'capture' });
    const [first] = captured();
    if (first?.kind !== 'asked') throw new Error(JSON.stringify(first));
    const choice = first.question.choices.find(({ answer }) => answer.perTurn === 4);
    tell({ kind: 'capture', answer: choice?.answer ?? {} });
    const again = captured()[1];
    expect(again?.kind === 'run' && again.run.mean).toBeCloseTo(150, 0);
  });

  it('silence is no tone: its capture says why', () => {
    const samples = port();
    const wish = {
      sampleRate: RATE,
      nominalHz: 1000,
      turnS: 1.8,
      referenceUncertaintyPercent: null,
      clockLimitPercent: 0.01,
      clockCorrectionPpm: 0,
    };
    tell({ kind: 'start', listening: { of: 'tone', wish }, samples: samples as never });
    hear(samples, 3, () => 0);
    tell({ kind: 'capture' });
    const [capture] = captured();
    expect(capture?.kind).toBe('refused');
  });
});

describe('the tap', () => {
  it('hands on blocks of 1024, the mean of its channels, each block once', async () => {
    const made: { process(inputs: Float32Array[][]): boolean; port: { onmessage: (event: object) => void } }[] = [];
    vi.stubGlobal(
      'AudioWorkletProcessor',
      class {
        port = { onmessage: () => undefined };
      },
    );
    vi.stubGlobal('registerProcessor', (name: string, Kind: new () => never) => {
      expect(name).toBe('tap');
      made.push(new Kind());
    });
    // It stands in no project's list of modules: an audio worklet has globals of its own.
    const file = './tap.worklet.ts';
    await import(/* @vite-ignore */ file);
    const tap = made[0] as (typeof made)[number];
    const blocks: Float32Array[] = [];
    tap.port.onmessage({ data: { postMessage: (block: Float32Array) => blocks.push(Float32Array.from(block)) } });
    // Nothing plugged in yet, and an input without samples.
    expect(tap.process([])).toBe(true);
    expect(tap.process([[]])).toBe(true);
    let n = 0;
    for (let k = 0; k < 20; k++) {
      const left = Float32Array.from({ length: 128 }, () => n++);
      const right = left.map((one) => -one / 2);
      expect(tap.process([[left, right]])).toBe(true);
    }
    // 2560 samples are two blocks and a half; the mean of n and −n/2 is n/4.
    expect(blocks.map((one) => one.length)).toEqual([1024, 1024]);
    expect([blocks[0]?.[0], blocks[0]?.[1023], blocks[1]?.[0], blocks[1]?.[1023]]).toEqual([0, 255.75, 256, 511.75]);
  });
});
