/**
 * RIFF/WAVE headers, read the forgiving way: a data length that is nought, absurd or longer than the
 * file is replaced by what is there, and said so.
 *
 * Source: Multimedia Programming Interface and Data Specifications 1.0 (1991), WAVE form;
 * WAVEFORMATEXTENSIBLE; EBU Tech 3306 for RF64 (from memory).
 */
import type { ByteSource } from '../bytes.js';

/** How one sample is written. */
export type SampleCoding = 'u8' | 's16' | 's24' | 's32' | 'f32' | 'f64';

/** A recording that can be read: `frames` samples per channel starting at byte `dataOffset`. */
export interface WavLayout {
  readonly kind: 'wav';
  readonly sampleRate: number;
  readonly channels: number;
  readonly coding: SampleCoding;
  readonly bytesPerFrame: number;
  readonly dataOffset: number;
  readonly frames: number;
  /** The header promised more than the file holds. */
  readonly truncated: boolean;
}

/** Why a file cannot be read as a recording. */
export type WavRefusal = {
  readonly kind: 'unusable';
  readonly reason: 'EMPTY_FILE' | 'NOT_WAV' | 'BAD_HEADER' | 'UNSUPPORTED_ENCODING' | 'NO_AUDIO';
};

/** Sampling rates that are read, hertz. */
export const SAMPLE_RATE_LIMITS = { lowest: 8000, highest: 192000 } as const;
/** Channels that are read. */
export const MAX_CHANNELS = 8;

const CODINGS: Readonly<Record<string, SampleCoding>> = {
  '1/8': 'u8',
  '1/16': 's16',
  '1/24': 's24',
  '1/32': 's32',
  '3/32': 'f32',
  '3/64': 'f64',
};

const unusable = (reason: WavRefusal['reason']): WavRefusal => ({ kind: 'unusable', reason });

/** Reads the header of `source`. Never throws for what the file holds. */
export async function readWavHeader(source: ByteSource): Promise<WavLayout | WavRefusal> {
  if (source.size === 0) return unusable('EMPTY_FILE');
  const head = view(await source.read(0, 12));
  if (head.byteLength < 12) return unusable('NOT_WAV');
  const form = tag(head, 0);
  if ((form !== 'RIFF' && form !== 'RF64') || tag(head, 8) !== 'WAVE') return unusable('NOT_WAV');
  return walkChunks(source);
}

interface Format {
  readonly sampleRate: number;
  readonly channels: number;
  readonly coding: SampleCoding;
  readonly bytesPerFrame: number;
}

async function walkChunks(source: ByteSource): Promise<WavLayout | WavRefusal> {
  let offset = 12;
  let format: Format | null = null;
  for (let seen = 0; seen < 1000 && offset + 8 <= source.size; seen++) {
    const head = view(await source.read(offset, 8));
    const id = tag(head, 0);
    const length = head.getUint32(4, true);
    if (id === 'fmt ') {
      const parsed = parseFormat(view(await source.read(offset + 8, Math.min(length, 40))));
      if ('kind' in parsed) return parsed;
      format = parsed;
    } else if (id === 'data') {
      return format ? dataLayout(format, source.size, offset + 8, length) : unusable('BAD_HEADER');
    }
    offset += 8 + length + (length & 1);
  }
  return unusable(format ? 'NO_AUDIO' : 'BAD_HEADER');
}

function parseFormat(chunk: DataView): Format | WavRefusal {
  if (chunk.byteLength < 16) return unusable('BAD_HEADER');
  const written = chunk.getUint16(0, true);
  const extensible = written === 0xfffe && chunk.byteLength >= 26;
  const kind = extensible ? chunk.getUint16(24, true) : written;
  const channels = chunk.getUint16(2, true);
  const sampleRate = chunk.getUint32(4, true);
  const bits = chunk.getUint16(14, true);
  if (channels < 1 || channels > MAX_CHANNELS) return unusable('BAD_HEADER');
  if (sampleRate < SAMPLE_RATE_LIMITS.lowest || sampleRate > SAMPLE_RATE_LIMITS.highest) {
    return unusable('BAD_HEADER');
  }
  const coding = CODINGS[`${kind}/${bits}`];
  if (!coding) return unusable('UNSUPPORTED_ENCODING');
  return { sampleRate, channels, coding, bytesPerFrame: (channels * bits) / 8 };
}

function dataLayout(format: Format, size: number, dataOffset: number, promised: number): WavLayout | WavRefusal {
  const there = Math.max(0, size - dataOffset);
  const open = promised === 0 || promised === 0xffffffff;
  const bytes = open ? there : Math.min(promised, there);
  const frames = Math.floor(bytes / format.bytesPerFrame);
  if (frames === 0) return unusable('NO_AUDIO');
  return { kind: 'wav', ...format, dataOffset, frames, truncated: !open && promised > there };
}

const view = (bytes: Uint8Array) => new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
const tag = (data: DataView, at: number) =>
  String.fromCharCode(data.getUint8(at), data.getUint8(at + 1), data.getUint8(at + 2), data.getUint8(at + 3));
