/** Stands in the place of what listens: readings are told by hand, what was wished for and captured is kept. */
import { act } from '@testing-library/react';
import { useState } from 'react';
import { vi } from 'vitest';
import * as live from '../features/measuring/live/useLive.js';
import type { ListeningAt } from '../features/measuring/live/useLive.js';

/** What was asked of it, and what it is told. */
export const heard = {
  tell: (_reading: unknown): void => undefined,
  capture: (_capture: unknown): void => undefined,
  wish: null as unknown,
  captures: 0,
  answered: [] as unknown[],
  question: null as unknown,
  problem: null as string | null,
};

/** Stands there until mocks are restored, at an input of this rate. */
export function standForListening(sampleRate = 44100): void {
  Object.assign(heard, { captures: 0, answered: [], question: null, problem: null, wish: null });
  vi.spyOn(live, 'useLive').mockImplementation(function useHeard(onReading, onCapture) {
    const [state, setState] = useState<'off' | 'on'>('off');
    heard.tell = onReading as typeof heard.tell;
    heard.capture = onCapture as typeof heard.capture;
    return {
      devices: [],
      deviceId: null,
      setDeviceId: () => undefined,
      state,
      problem: heard.problem,
      question: heard.question,
      answer: (given: unknown) => heard.answered.push(given),
      start: (listening: ListeningAt) => {
        heard.wish = listening(sampleRate);
        setState('on');
      },
      stop: () => setState('off'),
      capture: () => heard.captures++,
      sample: () => undefined,
    } as never;
  });
}

/** A second screen that follows: `ask` asks for a capture, `told` is what the frame sent with this reading says came of it. */
export function standForFollowing() {
  const before = globalThis.fetch;
  let [kept, captures, at] = [null as unknown, 0, 10_000];
  vi.stubGlobal('fetch', (url: string, init: RequestInit) => {
    if (!url.endsWith('/live/frames')) return before(url, init);
    ({ kept } = JSON.parse(String(init.body)) as { kept: unknown });
    return Promise.resolve(Response.json({ followed: true, capture: captures }));
  });
  const clock = vi.spyOn(performance, 'now');
  const told = async (reading: () => void): Promise<unknown> => {
    clock.mockReturnValue((at += 1500));
    await act(async () => reading());
    return kept;
  };
  return { told, ask: async (reading: () => void) => (captures++, told(reading)), end: () => clock.mockRestore() };
}
