/** Bytes of a recording to samples in -1..1, one channel at a time. NaN and infinities become 0. */
import { workspace } from '../../numeric/index.js';
import type { ByteSource } from '../bytes.js';
import type { SampleCoding, WavLayout } from './header.js';

/** Samples of one recording, read in pieces. */
export interface SampleSource {
  readonly sampleRate: number;
  readonly channels: number;
  readonly frames: number;
  /**
   * Samples `start`..`start + count` of the given channels, fewer only at the end. The arrays may be used
   * again by the next read: copy what is to be kept.
   */
  read(start: number, count: number, channels: readonly number[]): Promise<readonly Float64Array[]>;
}

type Reader = (data: DataView, at: number) => number;

const READERS: Readonly<Record<SampleCoding, { readonly bytes: number; readonly read: Reader }>> = {
  u8: { bytes: 1, read: (data, at) => (data.getUint8(at) - 128) / 128 },
  s16: { bytes: 2, read: (data, at) => data.getInt16(at, true) / 32768 },
  s24: {
    bytes: 3,
    read: (data, at) => (data.getUint16(at, true) | (data.getInt8(at + 2) << 16)) / 8388608,
  },
  s32: { bytes: 4, read: (data, at) => data.getInt32(at, true) / 2147483648 },
  f32: { bytes: 4, read: (data, at) => finiteOrZero(data.getFloat32(at, true)) },
  f64: { bytes: 8, read: (data, at) => finiteOrZero(data.getFloat64(at, true)) },
};

/** A {@link SampleSource} over the data of `layout`. */
export function wavSamples(source: ByteSource, layout: WavLayout): SampleSource {
  const { bytes: width, read } = READERS[layout.coding];
  const kept = new Map<number, Float64Array>();
  const room = (channel: number, frames: number) => {
    const known = kept.get(channel);
    if (known && known.length >= frames) return known.subarray(0, frames);
    const made = new Float64Array(frames);
    kept.set(channel, made);
    return made;
  };
  return {
    sampleRate: layout.sampleRate,
    channels: layout.channels,
    frames: layout.frames,
    async read(start, count, channels) {
      const frames = Math.max(0, Math.min(count, layout.frames - start));
      const raw = await source.read(layout.dataOffset + start * layout.bytesPerFrame, frames * layout.bytesPerFrame);
      return channels.map((channel) => {
        const got = Math.floor(raw.length / layout.bytesPerFrame);
        return layout.coding === 's16'
          ? decode16(raw, channel, layout.channels, room(channel, got))
          : decodeAny(raw, channel * width, layout.bytesPerFrame, room(channel, got), read);
      });
    },
  };
}

function decodeAny(raw: Uint8Array, first: number, stride: number, out: Float64Array, read: Reader): Float64Array {
  const data = new DataView(raw.buffer, raw.byteOffset, raw.byteLength);
  for (let i = 0, at = first; i < out.length; i++, at += stride) out[i] = read(data, at);
  return out;
}

/** Whether this machine writes its words as WAV files do. */
const LITTLE_ENDIAN = new Uint8Array(new Uint16Array([1]).buffer)[0] === 1;

/** Fewer samples than this are not worth copying into the compiled loop. */
const WORTH_IT = 1024;

/** The usual case, without a call a sample; straight from memory where words lie as the file has them. */
function decode16(raw: Uint8Array, channel: number, channels: number, out: Float64Array): Float64Array {
  const frames = out.length;
  const compiled = frames > WORTH_IT ? workspace() : null;
  if (compiled) {
    const wordsAt = compiled.put(raw.subarray(2 * channel));
    const outAt = compiled.space(8 * frames);
    compiled.calls.decodeWords(wordsAt, channels, frames, outAt);
    out.set(compiled.values(outAt, frames));
    return out;
  }
  if (LITTLE_ENDIAN && raw.byteOffset % 2 === 0) {
    const words = new Int16Array(raw.buffer, raw.byteOffset, frames * channels);
    for (let i = 0, at = channel; i < frames; i++, at += channels) out[i] = (words[at] as number) / 32768;
    return out;
  }
  const stride = 2 * channels;
  for (let i = 0, at = 2 * channel; i < frames; i++, at += stride) {
    out[i] = ((((raw[at] as number) | ((raw[at + 1] as number) << 8)) << 16) >> 16) / 32768;
  }
  return out;
}

/** Absurd floats (not a number, beyond any converter) count as nothing. */
const finiteOrZero = (value: number): number => (Math.abs(value) <= 1e6 ? value : 0);
