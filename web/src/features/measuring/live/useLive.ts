/** An input listened to: started and stopped by hand, readings as state, a capture as a run. */
import type { Answer, AskedSpeed, LivePulsesReading, LiveReading } from '@amber-gauge/core/speed';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { FromLive, LiveCapture, LiveListening, ToLive } from '../../../workers/live.worker.js';
import { inputDevices, openInput, type InputDevice, type OpenInput } from './input.js';

export type AnyReading = LiveReading | LivePulsesReading;

/** What to listen for, once the rate of the input is known. */
export type ListeningAt = (sampleRate: number) => LiveListening;

interface Live {
  readonly input: OpenInput;
  readonly worker: Worker;
  /** Captures asked for and not answered yet. */
  captures: number;
}

/** Closes the input at once; the worker ends when its last capture is answered. */
function end(live: Live): void {
  live.input.close();
  if (live.captures === 0) live.worker.terminate();
}

export function useLive(onReading: (reading: AnyReading) => void, onCapture: (capture: LiveCapture) => void) {
  const [devices, setDevices] = useState<readonly InputDevice[]>([]);
  const [deviceId, setDeviceId] = useState<string | null>(null);
  const [state, setState] = useState<'off' | 'starting' | 'on'>('off');
  const [problem, setProblem] = useState<string | null>(null);
  const [asked, setAsked] = useState<{ readonly question: AskedSpeed; readonly of: Live } | null>(null);
  const live = useRef<Live | null>(null);
  const heard = useRef({ onReading, onCapture });
  useEffect(() => {
    heard.current = { onReading, onCapture };
  });
  const stop = useCallback(() => {
    if (live.current) end(live.current);
    live.current = null;
    setState('off');
  }, []);
  useEffect(() => stop, [stop]);
  useEffect(() => void inputDevices().then(setDevices), []);
  const start = useCallback(
    async (listening: ListeningAt, device: string | null = deviceId) => {
      stop();
      setState('starting');
      setProblem(null);
      try {
        const input = await openInput(device);
        const worker = new Worker(new URL('../../../workers/live.worker.ts', import.meta.url), { type: 'module' });
        const mine: Live = { input, worker, captures: 0 };
        live.current = mine;
        worker.onmessage = (event: MessageEvent<FromLive>) => {
          if (event.data.kind === 'reading') {
            if (live.current === mine) heard.current.onReading(event.data.reading);
            return;
          }
          const { capture } = event.data;
          heard.current.onCapture(capture);
          // A question keeps what was heard until it is answered, whether or not the input still runs.
          if (capture.kind === 'asked') return setAsked({ question: capture.question, of: mine });
          done(mine);
        };
        const message: ToLive = { kind: 'start', listening: listening(input.sampleRate), samples: input.samples };
        worker.postMessage(message, [input.samples]);
        setDeviceId(input.deviceId);
        setDevices(await inputDevices());
        setState('on');
      } catch (error) {
        stop();
        setProblem(error instanceof Error ? error.message : 'The input could not be opened.');
      }
    },
    [deviceId, stop],
  );
  const capture = useCallback(() => {
    if (!live.current) return;
    const message: ToLive = { kind: 'capture' };
    live.current.captures++;
    live.current.worker.postMessage(message);
  }, []);
  /** Answers the open question; null leaves it. */
  const answer = (given: Answer | null) => {
    if (!asked) return;
    setAsked(null);
    if (given === null) return done(asked.of);
    const message: ToLive = { kind: 'capture', answer: given };
    asked.of.worker.postMessage(message);
  };
  return {
    devices,
    deviceId,
    setDeviceId,
    state,
    problem,
    question: asked?.question ?? null,
    answer,
    start,
    stop,
    capture,
  };

  function done(of: Live): void {
    of.captures--;
    if (live.current !== of) end(of);
  }
}
