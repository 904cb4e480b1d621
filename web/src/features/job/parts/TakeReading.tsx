/** One key takes what stands on the bench meter, or waits for the meter's own trigger, and hands it to the line. */
import { serialBaud, takenSchema, TRIGGER_WAIT_MS, type Instrument } from '@amber-gauge/contract';
import { functionFor, InstrumentProblem, typedReading } from '@amber-gauge/core/instruments';
import type { PromptAsked } from '@amber-gauge/core/bench';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import { useCallback, useEffect, useRef, useState } from 'react';
import { ApiError, call, Strange, Unreachable } from '../../../shared/api/client.js';
import { useSettings } from '../../../shared/api/queries.js';
import { Field } from '../../../shared/ui/Field.js';
import { useStored } from '../../../shared/ui/useStored.js';
import classes from '../Job.module.css';
import { say } from '@amber-gauge/core/words';

/** Takes the present reading. */
const TAKE_KEY = 'F4';

interface Props {
  readonly prompt: PromptAsked | null;
  readonly onTaken: (text: string, instrument: string) => void;
}

export function TakeReading(props: Props) {
  const instruments = useSettings().data?.instruments ?? [];
  return instruments.length === 0 ? null : <Take {...props} instruments={instruments} />;
}

function Take({ prompt, onTaken, instruments }: Props & { readonly instruments: readonly Instrument[] }) {
  const [chosen, setChosen] = useStored('amber-gauge-instrument', '');
  const one = instruments.find(({ id }) => id === chosen) ?? (instruments[0] as Instrument);
  const { state, problem, take, stop } = useTaking(one, prompt, onTaken);
  useTakeKey(state === null ? () => take(false) : stop);
  return (
    <div className={classes.take} role="group" aria-label={say`Instrument`}>
      {instruments.length > 1 && (
        <Field
          select
          label=""
          aria-label={say`Which instrument`}
          value={one.id}
          onChange={(event) => setChosen(event.target.value)}
        >
          {instruments.map(({ id, name }) => (
            <MenuItem key={id} value={id}>
              {name}
            </MenuItem>
          ))}
        </Field>
      )}
      {state === null ? (
        <>
          <Button
            variant="outlined"
            onClick={() => take(false)}
            title={say`Key ${TAKE_KEY}`}
          >{say`Take from ${one.name}`}</Button>
          {(one.kind === 'meter' || one.kind === 'counter') && (
            <Button onClick={() => take(true)}>{say`On its trigger`}</Button>
          )}
        </>
      ) : (
        <Button variant="outlined" onClick={stop}>
          {state === 'armed' ? say`Waiting for its trigger: stop` : say`Reading: stop`}
        </Button>
      )}
      {problem && (
        <span role="alert" className="danger">
          {problem}
        </span>
      )}
    </div>
  );
}

/** One reading at a time; what goes wrong is said, and what is typed stays. */
function useTaking(instrument: Instrument, prompt: PromptAsked | null, onTaken: Props['onTaken']) {
  const [state, setState] = useState<'reading' | 'armed' | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const running = useRef<AbortController | null>(null);
  useEffect(() => () => running.current?.abort(), []);
  const stop = useCallback(() => running.current?.abort(), []);
  const take = (trigger: boolean) => {
    const wanted = functionFor(prompt?.unit ?? null, prompt?.by ?? null);
    const mine = new AbortController();
    running.current = mine;
    setState(trigger ? 'armed' : 'reading');
    setProblem(null);
    taken(instrument, wanted, trigger, mine.signal)
      .then((text) => mine.signal.aborted || onTaken(text, instrument.name))
      .catch((error: unknown) => {
        if (!mine.signal.aborted) setProblem(wordsOf(error));
      })
      .finally(() => running.current === mine && setState(null));
  };
  return { state, problem, take, stop };
}

/** Through the server, or over this device's own serial line. */
async function taken(
  { id, kind, address }: Instrument,
  wanted: ReturnType<typeof functionFor>,
  trigger: boolean,
  signal: AbortSignal,
): Promise<string> {
  const baud = serialBaud(address);
  if (baud !== null) {
    const { takeSerial } = await import('./serial.js');
    return takeSerial({ baud, kind, wanted, triggerMs: trigger ? TRIGGER_WAIT_MS : null }, signal);
  }
  const read = await call('/instruments/reading', takenSchema, {
    method: 'POST',
    body: { id, wanted, trigger },
    signal,
  });
  return typedReading(read.function, read.value);
}

function wordsOf(error: unknown): string {
  if (error instanceof ApiError) return Object.values(error.wire.fields ?? {})[0] ?? error.message;
  if (error instanceof InstrumentProblem) return error.message;
  return error instanceof Unreachable && !(error instanceof Strange)
    ? say`The server is not answering: nothing was taken.`
    : say`What came back is no reading: nothing was taken.`;
}

function useTakeKey(run: () => void) {
  const latest = useRef(run);
  useEffect(() => {
    latest.current = run;
  });
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.key !== TAKE_KEY || event.repeat || event.altKey || event.ctrlKey) return;
      event.preventDefault();
      latest.current();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);
}
