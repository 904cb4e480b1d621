/** Sends what is heard here to whoever follows on a second screen: ten times a second, once a second while nobody does. */
import { liveAnswerSchema, type LiveFrame } from '@amber-gauge/contract';
import { useCallback, useRef } from 'react';
import { z } from 'zod';
import { call } from '../api/client.js';

const FOLLOWED_EVERY_MS = 95;
const ALONE_EVERY_MS = 1000;

/** This page among those that send. */
const SENDER = crypto.randomUUID();

/** A frame as a screen makes it: who sends it and what came of a capture is added on the way. */
export type Heard = Omit<LiveFrame, 'sender' | 'kept'>;

interface Share {
  readonly share: (frame: Heard) => void;
  /** Sets what is done; called in an effect. */
  readonly onCapture: (done: () => void) => void;
  /** What came of a capture; told to the second screen if that had asked for it. */
  readonly tellCapture: (words: string) => void;
}

/** Takes every frame; `capture` is what is done when the second screen asks for a capture. */
export function useShare(): Share {
  const state = useRef({ busy: false, at: 0, followed: false, capture: -1, awaited: false });
  const kept = useRef<LiveFrame['kept']>(null);
  const capture = useRef<() => void>(() => undefined);
  const onCapture = useCallback((done: () => void) => {
    capture.current = done;
  }, []);
  const tellCapture = useCallback((words: string) => {
    if (!state.current.awaited) return;
    state.current.awaited = false;
    kept.current = { count: (kept.current?.count ?? 0) + 1, words: words.slice(0, 300) };
  }, []);
  const share = useCallback((frame: Heard) => {
    const now = performance.now();
    const known = state.current;
    if (known.busy || now - known.at < (known.followed ? FOLLOWED_EVERY_MS : ALONE_EVERY_MS)) return;
    known.busy = true;
    known.at = now;
    call('/live/frames', liveAnswerSchema, { method: 'POST', body: { sender: SENDER, kept: kept.current, ...frame } })
      .then((answer) => {
        known.followed = answer.followed;
        // What was asked for before this page listened is not for it.
        const asked = known.capture >= 0 && answer.capture > known.capture;
        known.capture = answer.capture;
        if (!asked) return;
        known.awaited = true;
        capture.current();
      })
      .catch(() => undefined)
      .finally(() => (known.busy = false));
  }, []);
  return { share, onCapture, tellCapture };
}

/** Asks the device that listens to keep what it hears. */
export const askCapture = (sender: string): Promise<unknown> =>
  call('/live/captures', z.unknown(), { method: 'POST', body: { sender } });
