/** A file on disk as a source of bytes, read in pieces. */
import { open, type FileHandle } from 'node:fs/promises';
import type { ByteSource } from '@amber-gauge/core/formats';
import { CliRefusal } from './refusal.js';

/** Opens `path`, hands it to `use`, closes it again. A path that cannot be read is refused. */
export async function withFile<T>(path: string, use: (source: ByteSource) => Promise<T>): Promise<T> {
  const handle = await open(path, 'r').catch((error: NodeJS.ErrnoException) => {
    throw new CliRefusal(
      'NO_FILE',
      error.code === 'ENOENT' ? `There is no file ${path}.` : `${path} cannot be read (${error.code}).`,
    );
  });
  try {
    const stat = await handle.stat();
    if (!stat.isFile()) throw new CliRefusal('NO_FILE', `${path} is not a file.`);
    let kept = new Uint8Array(0);
    const read = (offset: number, length: number) => {
      if (kept.length < length) kept = new Uint8Array(length);
      return readAt(handle, kept.subarray(0, length), offset);
    };
    return await use({ size: stat.size, read });
  } finally {
    await handle.close();
  }
}

async function readAt(handle: FileHandle, buffer: Uint8Array, offset: number): Promise<Uint8Array> {
  const { length } = buffer;
  let got = 0;
  while (got < length) {
    const { bytesRead } = await handle.read(buffer, got, length - got, offset + got);
    if (bytesRead === 0) break;
    got += bytesRead;
  }
  return buffer.subarray(0, got);
}

/** Does the file start as a WAV recording does? */
export async function isRecording(source: ByteSource): Promise<boolean> {
  const start = new TextDecoder('latin1').decode(await source.read(0, 4));
  return start === 'RIFF' || start === 'RF64' || start === 'RIFX';
}
