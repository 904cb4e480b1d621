/** An input listened to: started and stopped by hand, readings as state, a capture as a run. */
import type { Answer, AskedSpeed, LivePulsesReading, LiveReading } from '@amber-gauge/core/speed';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { FromLive, LiveCapture, LiveListening, ToLive } from '../../../workers/live.worker.js';
import { usePracticeTone } from './practiceTone.js';
import { inputDevices, openInput, type InputDevice } from './input.js';
import type { OpenInput } from './openInput.js';
import { say } from '@amber-gauge/core/words';

/** A live reading of any way. */
export type AnyReading = LiveReading | LivePulsesReading;

/** What to listen for, once the rate of the input is known. */
export type ListeningAt = (sampleRate: number) => LiveListening;

interface Live {
  readonly input: OpenInput;
  readonly worker: Worker;
  /** Captures asked for and not answered yet. */
  captures: number;
}

/** One capture less to wait for; an input that was closed meanwhile ends with its last. */
function settle(current: Live | null, of: Live): void {
  of.captures--;
  if (current !== of) end(of);
}

/** Closes the input at once; the worker ends when its last capture is answered. */
function end(live: Live): void {
  live.input.close();
  if (live.captures === 0) live.worker.terminate();
}

/** Opens an input and sets a worker to it; what the worker says goes to `hear` with the one it came from. */
async function listen(
  device: string | null,
  listening: ListeningAt,
  hear: (from: Live, said: FromLive) => void,
): Promise<Live> {
  const input = await openInput(device);
  const worker = new Worker(new URL('../../../workers/live.worker.ts', import.meta.url), { type: 'module' });
  const mine: Live = { input, worker, captures: 0 };
  worker.onmessage = ({ data }: MessageEvent<FromLive>) => hear(mine, data);
  const message: ToLive = { kind: 'start', listening: listening(input.sampleRate), samples: input.samples };
  worker.postMessage(message, [input.samples]);
  return mine;
}

/** The inputs there are, and the one in use; their names are known once one was opened. */
function useDevices() {
  const [devices, setDevices] = useState<readonly InputDevice[]>([]);
  const [deviceId, setDeviceId] = useState<string | null>(null);
  useEffect(() => void inputDevices().then(setDevices), []);
  const opened = useCallback(async (id: string | null) => {
    setDeviceId(id);
    setDevices(await inputDevices());
  }, []);
  return { devices, deviceId, setDeviceId, opened };
}

/** A practice unit is the only input there is. */
const NO_DEVICES: readonly InputDevice[] = [];

/** Listens to an input: readings and captures come to the two callbacks; a capture that must be asked about is `question`. */
export function useLive(onReading: (reading: AnyReading) => void, onCapture: (capture: LiveCapture) => void) {
  const { devices: inputs, deviceId, setDeviceId, opened } = useDevices();
  const practising = usePracticeTone((standing) => standing.on);
  const devices = practising ? NO_DEVICES : inputs;
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
  const hear = useCallback((mine: Live, said: FromLive) => {
    if (said.kind === 'reading') {
      if (live.current === mine) heard.current.onReading(said.reading);
      return;
    }
    heard.current.onCapture(said.capture);
    // A question keeps what was heard until it is answered, whether or not the input still runs.
    if (said.capture.kind === 'asked') setAsked({ question: said.capture.question, of: mine });
    else settle(live.current, mine);
  }, []);
  const start = useCallback(
    async (listening: ListeningAt, device: string | null = deviceId) => {
      stop();
      setState('starting');
      setProblem(null);
      try {
        const mine = await listen(device, listening, hear);
        live.current = mine;
        await opened(mine.input.deviceId);
        setState('on');
      } catch (error) {
        stop();
        setProblem(error instanceof Error ? error.message : say`The input could not be opened.`);
      }
    },
    [deviceId, hear, opened, stop],
  );
  const take = useCallback((message: ToLive) => {
    if (!live.current) return;
    live.current.captures++;
    live.current.worker.postMessage(message);
  }, []);
  const capture = useCallback(() => take({ kind: 'capture' }), [take]);
  /** A reading of the last stretch alone, for readings that come by themselves. */
  const sample = useCallback((overS: number) => take({ kind: 'capture', overS }), [take]);
  /** Answers the open question; null leaves it. */
  const answer = (given: Answer | null) => {
    if (!asked) return;
    setAsked(null);
    if (given === null) return settle(live.current, asked.of);
    asked.of.worker.postMessage({ kind: 'capture', answer: given } satisfies ToLive);
  };
  const question = asked?.question ?? null;
  return { devices, deviceId, setDeviceId, state, problem, question, answer, start, stop, capture, sample };
}
