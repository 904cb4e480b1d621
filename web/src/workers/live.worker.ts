/** Listens to the input off the page's own thread: readings as they fall due, a run when one is captured. */
import {
  liveMeter,
  livePulses,
  ROTATION_REFUSALS,
  runOfPulses,
  runOfTone,
  TONE_REFUSALS,
  type Answer,
  type AskedSpeed,
  type LivePulsesReading,
  type LivePulsesWish,
  type LiveReading,
  type LiveWish,
  type SpeedRun,
} from '@amber-gauge/core/speed';
import { say } from '@amber-gauge/core/words';

/** What is listened to, and how. */
export type LiveListening =
  { readonly of: 'tone'; readonly wish: LiveWish } | { readonly of: 'pulses'; readonly wish: LivePulsesWish };

/** What the page tells the live worker. */
export type ToLive =
  | { readonly kind: 'start'; readonly listening: LiveListening; readonly samples: MessagePort }
  | { readonly kind: 'capture'; readonly answer?: Answer; readonly overS?: number };

/** What came of a capture. */
export type LiveCapture =
  | { readonly kind: 'run'; readonly run: SpeedRun }
  | { readonly kind: 'asked'; readonly question: AskedSpeed }
  | { readonly kind: 'refused'; readonly message: string };

/** What the live worker tells the page. */
export type FromLive =
  | { readonly kind: 'reading'; readonly reading: LiveReading | LivePulsesReading }
  | { readonly kind: 'captured'; readonly capture: LiveCapture };

interface Ear {
  push(samples: Float64Array): readonly (LiveReading | LivePulsesReading)[];
  /** With an answer: what was captured last, measured again. */
  capture(answer?: Answer, overS?: number): LiveCapture;
}

const refusal = (message: string): LiveCapture => ({ kind: 'refused', message });

let ear: Ear | null = null;

function earFor(listening: LiveListening): Ear {
  if (listening.of === 'tone') {
    const meter = liveMeter(listening.wish);
    return {
      push: meter.push,
      capture(_answer, overS) {
        const result = meter.capture(overS);
        if (result.kind === 'measured') return { kind: 'run', run: runOfTone(result, true) };
        // A tone heard live is one stretch at the sound card's own rate: nothing of it is asked about.
        return refusal(result.kind === 'asked' ? result.message : TONE_REFUSALS[result.reason]);
      },
    };
  }
  const pulses = livePulses(listening.wish);
  return {
    push: pulses.push,
    capture(answer) {
      const result = pulses.capture(answer);
      if (result.kind === 'measured') return { kind: 'run', run: runOfPulses(result) };
      return result.kind === 'asked' ? { kind: 'asked', question: result } : refusal(ROTATION_REFUSALS[result.reason]);
    },
  };
}

const tell = (message: FromLive) => postMessage(message);

self.onmessage = (event: MessageEvent<ToLive>) => {
  const message = event.data;
  if (message.kind === 'capture') {
    const capture = ear?.capture(message.answer, message.overS) ?? {
      kind: 'refused' as const,
      message: say`Nothing was heard yet.`,
    };
    return tell({ kind: 'captured', capture });
  }
  ear = earFor(message.listening);
  message.samples.onmessage = (heard: MessageEvent<Float32Array>) => {
    for (const reading of ear?.push(Float64Array.from(heard.data)) ?? []) tell({ kind: 'reading', reading });
  };
};
