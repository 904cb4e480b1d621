/** Exact WAV files out: used by the tone generator, the demo and the tests. */
import { CoreError } from '../../errors.js';
import type { SampleCoding } from './header.js';

const BITS: Readonly<Record<SampleCoding, number>> = { u8: 8, s16: 16, s24: 24, s32: 32, f32: 32, f64: 64 };

/**
 * Writes equal-length channels (-1..1, clipped beyond) as a WAV file in memory.
 * @throws CoreError BAD_SHAPE for no channels or unequal lengths.
 */
export function writeWav(
  channels: readonly ArrayLike<number>[],
  sampleRate: number,
  coding: SampleCoding = 's16',
): Uint8Array<ArrayBuffer> {
  const frames = channels[0]?.length ?? 0;
  if (channels.length === 0 || channels.some((channel) => channel.length !== frames)) {
    throw new CoreError('BAD_SHAPE', 'a recording needs channels of equal length', { channels: channels.length });
  }
  const width = BITS[coding] / 8;
  const dataBytes = frames * channels.length * width;
  const out = new Uint8Array(44 + dataBytes);
  const data = new DataView(out.buffer);
  writeHeader(data, { sampleRate, channels: channels.length, bits: BITS[coding], float: coding[0] === 'f', dataBytes });
  const put = putOf(coding);
  let at = 44;
  for (let i = 0; i < frames; i++) {
    for (const channel of channels) {
      put(data, at, channel[i] as number);
      at += width;
    }
  }
  return out;
}

interface HeaderFacts {
  readonly sampleRate: number;
  readonly channels: number;
  readonly bits: number;
  readonly float: boolean;
  readonly dataBytes: number;
}

function writeHeader(data: DataView, facts: HeaderFacts): void {
  const ascii = (at: number, text: string) => {
    for (let i = 0; i < text.length; i++) data.setUint8(at + i, text.charCodeAt(i));
  };
  const frameBytes = (facts.channels * facts.bits) / 8;
  ascii(0, 'RIFF');
  data.setUint32(4, 36 + facts.dataBytes, true);
  ascii(8, 'WAVEfmt ');
  data.setUint32(16, 16, true);
  data.setUint16(20, facts.float ? 3 : 1, true);
  data.setUint16(22, facts.channels, true);
  data.setUint32(24, facts.sampleRate, true);
  data.setUint32(28, facts.sampleRate * frameBytes, true);
  data.setUint16(32, frameBytes, true);
  data.setUint16(34, facts.bits, true);
  ascii(36, 'data');
  data.setUint32(40, facts.dataBytes, true);
}

type Put = (data: DataView, at: number, sample: number) => void;

/** How one sample is written: chosen once a file, for there are millions of them. */
function putOf(coding: SampleCoding): Put {
  if (coding === 'f32') return (data, at, sample) => data.setFloat32(at, sample, true);
  if (coding === 'f64') return (data, at, sample) => data.setFloat64(at, sample, true);
  const full = 2 ** (BITS[coding] - 1);
  const whole = (sample: number) => Math.max(-full, Math.min(full - 1, Math.round(sample * full)));
  if (coding === 'u8') return (data, at, sample) => data.setUint8(at, whole(sample) + 128);
  if (coding === 's16') return (data, at, sample) => data.setInt16(at, whole(sample), true);
  if (coding === 's32') return (data, at, sample) => data.setInt32(at, whole(sample), true);
  return (data, at, sample) => {
    const value = whole(sample);
    data.setUint16(at, value & 0xffff, true);
    data.setInt8(at + 2, value >> 16);
  };
}
