/** Coast-down: switched off, timed while it runs down, held against the run before the work. */
import { coastChange, coastTime, coastWords, jobSpeeds, type StageId } from '@amber-gauge/core/bench';
import { fixed, numberIn, THIN } from '@amber-gauge/core/quantity';
import Button from '@mui/material/Button';
import { useRef, useState } from 'react';
import { makeLine, submitLines } from '../../../shared/outbox/outbox.js';
import { Field } from '../../../shared/ui/Field.js';
import { notice } from '../../../shared/ui/Notice.js';
import { useStored } from '../../../shared/ui/useStored.js';
import type { JobView } from '../useJobView.js';
import classes from './Prove.module.css';

interface Props {
  readonly view: JobView;
  readonly stage: StageId;
  readonly speedId: string;
}

/** Taps are timed from this part of the speed on. */
const FROM_PART = 0.98;

export function CoastDown({ view, stage, speedId }: Props) {
  const [seconds, setSeconds] = useState('');
  const [held, setHeld] = useStored(`amber-gauge-coast-${view.job.id}`, '');
  const [taps, setTaps] = useState(0);
  const times = useRef<number[]>([]);
  const rpm = jobSpeeds(view.job).find((one) => one.id === speedId)?.nominalRpm ?? null;
  if (rpm === null) return null;
  const value = numberIn(seconds);
  const good = value !== null && value > 0 && value < 1e4;
  const keep = (time: number, how: 'taps' | 'stopwatch', fromRpm = rpm) => {
    const body = {
      kind: 'coast',
      speedId,
      fromRpm,
      toRpm: rpm / 2,
      seconds: time,
      how,
      conditions: held.trim(),
    } as const;
    void submitLines(view.job.id, makeLine(stage, body));
    setSeconds('');
  };
  const tap = (at: number) => {
    times.current.push(at / 1000);
    setTaps(times.current.length);
  };
  const finish = () => {
    try {
      // The first turn after switching off is slower than the full speed already.
      keep(coastTime(times.current, FROM_PART * rpm, rpm / 2), 'taps', FROM_PART * rpm);
    } catch (error) {
      notice(error instanceof Error ? error.message : 'It was not seen: tap every turn.');
    }
    times.current = [];
    setTaps(0);
  };
  const change = coastChange(view.state.coasts);
  return (
    <section className="stack" aria-label="Coast-down">
      <h2>Coast-down</h2>
      <p className="quiet">
        Running, then switched off: seconds from {fixed(rpm, 1)} to {fixed(rpm / 2, 1)} rpm. A dot on the rim; tap at
        every turn, or time it.
      </p>
      <div className={classes.readings}>
        <Button
          variant="outlined"
          onPointerDown={(event) => tap(event.timeStamp)}
          onKeyDown={(event) => event.key === 'Enter' && !event.repeat && tap(event.timeStamp)}
        >
          {taps === 0 ? 'Tap at every turn' : `${taps} turns`}
        </Button>
        {taps > 2 && (
          <Button variant="contained" onClick={finish}>
            Slow enough
          </Button>
        )}
        <Field
          label="Or timed"
          unit="s"
          value={seconds}
          onChange={(event) => setSeconds(event.target.value)}
          sx={{ width: 160 }}
        />
        <Field
          label="Held how, with what on it"
          value={held}
          onChange={(event) => setHeld(event.target.value)}
          sx={{ width: 260 }}
        />
        <Button variant="outlined" disabled={!good} onClick={() => good && keep(value, 'stopwatch')}>
          Keep the time
        </Button>
      </div>
      {view.state.coasts.map((one) => (
        <p key={one.key}>
          <span className="quiet">{one.when} the work: </span>
          {coastWords(one.body)}
        </p>
      ))}
      {change && (
        <p className={classes.figure}>
          Drag {fixed(change.dragTimes, 2)} ± {fixed(2 * change.uncertainty, 2)}
          {THIN}times that before
        </p>
      )}
    </section>
  );
}
