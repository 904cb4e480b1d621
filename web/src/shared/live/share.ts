/** Sends what is heard here to whoever follows on a second screen: ten times a second, once a second while nobody does. */
import { liveAnswerSchema, type LiveFrame } from '@amber-gauge/contract';
import { useCallback, useRef } from 'react';
import { z } from 'zod';
import { call } from '../api/client.js';

const FOLLOWED_EVERY_MS = 95;
const ALONE_EVERY_MS = 1000;

/** This page among those that send. */
const SENDER = crypto.randomUUID();

interface Share {
  readonly share: (frame: Omit<LiveFrame, 'sender'>) => void;
  /** Sets what is done; called in an effect. */
  readonly onCapture: (done: () => void) => void;
}

/** Takes every frame; `capture` is what is done when the second screen asks for a capture. */
export function useShare(): Share {
  const state = useRef({ busy: false, at: 0, followed: false, capture: -1 });
  const capture = useRef<() => void>(() => undefined);
  const onCapture = useCallback((done: () => void) => {
    capture.current = done;
  }, []);
  const share = useCallback((frame: Omit<LiveFrame, 'sender'>) => {
    const now = performance.now();
    const known = state.current;
    if (known.busy || now - known.at < (known.followed ? FOLLOWED_EVERY_MS : ALONE_EVERY_MS)) return;
    known.busy = true;
    known.at = now;
    call('/live/frames', liveAnswerSchema, { method: 'POST', body: { sender: SENDER, ...frame } })
      .then((answer) => {
        known.followed = answer.followed;
        // What was asked for before this page listened is not for it.
        if (known.capture >= 0 && answer.capture > known.capture) capture.current();
        known.capture = answer.capture;
      })
      .catch(() => undefined)
      .finally(() => (known.busy = false));
  }, []);
  return { share, onCapture };
}

/** Asks the device that listens to keep what it hears. */
export const askCapture = (sender: string): Promise<unknown> =>
  call('/live/captures', z.unknown(), { method: 'POST', body: { sender } });
