import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { memorySource } from '../bytes.js';
import { wavSamples } from './decode.js';
import { readWavHeader, type SampleCoding } from './header.js';
import { writeWav } from './write.js';

const layoutOf = async (bytes: Uint8Array) => {
  const layout = await readWavHeader(memorySource(bytes));
  if (layout.kind !== 'wav') throw new Error(layout.reason);
  return layout;
};

describe('WAV', () => {
  const steps: Record<SampleCoding, number> = {
    u8: 1 / 128,
    s16: 1 / 32768,
    s24: 1 / 8388608,
    s32: 1e-9,
    f32: 1e-7,
    f64: 1e-15,
  };

  it.each(Object.entries(steps))('%s goes out and comes back', async (coding, step) => {
    const left = Float64Array.from({ length: 50 }, (_, i) => Math.sin(i) * 0.9);
    const right = Float64Array.from({ length: 50 }, (_, i) => Math.cos(i) * 0.9);
    const bytes = writeWav([left, right], 44100, coding as SampleCoding);
    const layout = await layoutOf(bytes);
    const [gotLeft, gotRight] = await wavSamples(memorySource(bytes), layout).read(0, 50, [0, 1]);
    left.forEach((value, i) => expect(Math.abs((gotLeft?.[i] as number) - value)).toBeLessThanOrEqual(step));
    right.forEach((value, i) => expect(Math.abs((gotRight?.[i] as number) - value)).toBeLessThanOrEqual(step));
  });

  it('measures what is there when the header promises more, and when it promises nothing', async () => {
    const bytes = writeWav([new Float64Array(1000)], 8000);
    expect(await layoutOf(bytes.slice(0, 1044))).toMatchObject({ frames: 500, truncated: true });
    const open = bytes.slice();
    new DataView(open.buffer).setUint32(40, 0xffffffff, true);
    expect(await layoutOf(open)).toMatchObject({ frames: 1000, truncated: false });
  });

  it.each([
    ['EMPTY_FILE', new Uint8Array(0)],
    ['NOT_WAV', Uint8Array.from('once upon a time there was a turntable', (c) => c.charCodeAt(0))],
    ['BAD_HEADER', patch(22, 0)],
    ['BAD_HEADER', patch(24, 0, 32)],
    ['UNSUPPORTED_ENCODING', patch(20, 85)],
    ['NO_AUDIO', writeWav([new Float64Array(0)], 8000)],
    ['NO_AUDIO', writeWav([new Float64Array(0)], 8000, 'u8')],
  ])('refuses with %s', async (reason, bytes) => {
    expect(await readWavHeader(memorySource(bytes))).toEqual({ kind: 'unusable', reason });
  });

  it('reads samples that are not numbers as nothing', async () => {
    const bytes = writeWav([Float64Array.of(NaN, Infinity, 0.5)], 8000, 'f32');
    const [got] = await wavSamples(memorySource(bytes), await layoutOf(bytes)).read(0, 3, [0]);
    expect(Array.from(got ?? [])).toEqual([0, 0, 0.5]);
  });

  it('never throws on any bytes', async () => {
    await fc.assert(
      fc.asyncProperty(fc.uint8Array({ maxLength: 200 }), fc.nat(60), async (noise, at) => {
        const bytes = writeWav([new Float64Array(20)], 8000);
        bytes.set(noise.subarray(0, Math.max(0, bytes.length - at)), at);
        await readWavHeader(memorySource(bytes));
      }),
    );
  });
});

function patch(at: number, value: number, bits = 16): Uint8Array {
  const bytes = writeWav([new Float64Array(10)], 8000);
  const view = new DataView(bytes.buffer);
  if (bits === 16) view.setUint16(at, value, true);
  else view.setUint32(at, value, true);
  return bytes;
}
