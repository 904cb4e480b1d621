/** Pulses out of a recording: of a tacho's pulses, or of the sine of a speed generator. */
import { readWavHeader, wavSamples, type ByteSource, type SampleSource } from '../../formats/index.js';
import type { AskedSpeed } from '../asked.js';
import type { PulseSignal } from './channels.js';
import { edgesOf, swingOf } from './edges.js';
import { pulsesOf, requirePerTurn } from './pulses.js';
import type { MeasuredPulses, PulseWish } from './pulseResult.js';
import type { UnusableRotation } from './result.js';
import { say } from '../../words/index.js';
import { LEAST_SWING, MOST_CHANNELS } from './defaults.js';

const refuse = (reason: UnusableRotation['reason']): UnusableRotation => ({ kind: 'unusable', reason, line: 0 });

/** As {@link PulseWish} for a recording; `onProgress` may stop it by false. */
export type SignalWish = Omit<PulseWish, 'columns'> & { readonly onProgress?: (done: number) => boolean | void };

/** Measures the pulses or the generator's sine in a WAV file. */
export async function measurePulseWav(
  bytes: ByteSource,
  wish: SignalWish,
): Promise<MeasuredPulses | UnusableRotation | AskedSpeed> {
  requirePerTurn(wish.perTurn);
  const layout = await readWavHeader(bytes);
  if (layout.kind === 'unusable') return refuse(layout.reason);
  const source = wavSamples(bytes, layout);
  const signal = await signalIn(source, wish.onProgress);
  const first = signal.kind === 'unusable' ? signal : pulsesOf(signal, wish);
  if (first.kind === 'measured' || source.channels < 2) return first;
  // The channel that swings most makes no sense: another may hold the pulses.
  for (let channel = 0; channel < Math.min(MOST_CHANNELS, source.channels); channel++) {
    const other = await signalIn(source, wish.onProgress, channel);
    const result = other.kind === 'unusable' ? other : pulsesOf(other, wish);
    if (result.kind === 'measured') return { ...result, warnings: [...result.warnings, 'CHANNEL_CHOSEN'] };
  }
  return first;
}

/** Pulses in the channel of `source` that swings most. */
export async function signalIn(
  source: SampleSource,
  onProgress: (done: number) => boolean | void = () => true,
  only: number | null = null,
): Promise<PulseSignal | UnusableRotation> {
  const swing = await swingOf(source, only);
  if (!swing || swing.high - swing.low < LEAST_SWING) return refuse('SILENT');
  const edges = await edgesOf(source, swing, onProgress);
  if (!edges) return refuse('STOPPED');
  return {
    kind: 'signal',
    name: source.channels > 1 ? say`channel ${swing.channel + 1}` : '',
    timeS: edges.at.map((place) => place / source.sampleRate),
    levels: edges.levels,
    senses: null,
    from: 'recording',
    sampleHz: source.sampleRate,
    tickS: 0,
    edge: 'rising',
    dutyPercent: 100 * edges.duty,
    notes: edges.coarse ? ['COARSE_EDGES'] : [],
  };
}
