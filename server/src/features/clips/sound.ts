/** The sound of a clip as it is kept: 16-bit mono WAV, written anew so that nothing hangs behind it. */
import { memorySource, readWavHeader, wavSamples, writeWav } from '@amber-gauge/core/formats';
import { HttpError } from '../../http/errors.js';
import { say } from '@amber-gauge/core/words';

/** Longest sound kept, seconds, and a little: what is longer is cut by the page. */
const MOST_S = 30.5;

/** @throws HttpError BAD_REQUEST or TOO_LARGE, by what is wrong with `bytes`. */
export async function keptSound(bytes: Buffer): Promise<Buffer> {
  const source = memorySource(bytes);
  const layout = await readWavHeader(source);
  if (layout.kind !== 'wav' || layout.coding !== 's16' || layout.channels !== 1 || layout.truncated)
    throw new HttpError('BAD_REQUEST', { fields: { body: say`send the whole sound as WAV, 16 bit, one channel` } });
  if (layout.frames > MOST_S * layout.sampleRate)
    throw new HttpError('TOO_LARGE', { fields: { body: say`a clip is at most half a minute` } });
  return Buffer.from(writeWav(await wavSamples(source, layout).read(0, layout.frames, [0]), layout.sampleRate));
}
