/** Coast-down: switched off, timed while it runs down, held against the run before the work. */
import { coastChange, coastTime, coastWords, jobSpeeds, type CoastBody, type StageId } from '@amber-gauge/core/bench';
import { MOST_PER_TURN, timeBetween, type RunDown } from '@amber-gauge/core/speed';
import { fixed, numberIn, THIN } from '@amber-gauge/core/quantity';
import Button from '@mui/material/Button';
import { useRef, useState } from 'react';
import { inWorker } from '../../../workers/speedClient.js';
import { makeLine, submitLines } from '../../../shared/outbox/outbox.js';
import { Field } from '../../../shared/ui/Field.js';
import { PickFile } from '../../../shared/ui/PickFile.js';
import { notice } from '../../../shared/ui/Notice.js';
import { useStored } from '../../../shared/ui/useStored.js';
import type { JobView } from '../useJobView.js';
import classes from './Prove.module.css';
import { say } from '@amber-gauge/core/words';

interface Props {
  readonly view: JobView;
  readonly stage: StageId;
  readonly speedId: string;
}

const STOPPED = { kind: 'refused' as const, message: say`Reading the log was stopped.` };

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
  const keep = (time: number, how: CoastBody['how'], fromRpm = rpm) => {
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
      notice(error instanceof Error ? error.message : say`It was not seen: tap every turn.`);
    }
    times.current = [];
    setTaps(0);
  };
  const change = coastChange(view.state.coasts);
  return (
    <section className="stack" aria-label={say`Coast-down`}>
      <h2>{say`Coast-down`}</h2>
      <p className="quiet">{say`Running, then switched off: seconds from ${fixed(rpm, 1)} to ${fixed(rpm / 2, 1)} rpm.
        A dot on the rim; tap at every turn, or time it.`}</p>
      <div className={classes.readings}>
        <Button
          variant="outlined"
          onPointerDown={(event) => tap(event.timeStamp)}
          onKeyDown={(event) => event.key === 'Enter' && !event.repeat && tap(event.timeStamp)}
        >
          {taps === 0 ? say`Tap at every turn` : say`Tapped ${taps}`}
        </Button>
        {taps > 2 && <Button variant="contained" onClick={finish}>{say`Slow enough`}</Button>}
        <Field
          label={say`Or timed`}
          unit="s"
          value={seconds}
          onChange={(event) => setSeconds(event.target.value)}
          sx={{ width: 160 }}
        />
        <Field
          label={say`Held how, with what on it`}
          value={held}
          onChange={(event) => setHeld(event.target.value)}
          sx={{ width: 190 }}
        />
        <Button
          variant="outlined"
          disabled={!good}
          onClick={() => good && keep(value, 'stopwatch')}
        >{say`Keep the time`}</Button>
      </div>
      <CoastLog rpm={rpm} onTime={(time, how) => keep(time, how, FROM_PART * rpm)} />
      {view.state.coasts.map((one) => (
        <p key={one.key}>
          <span className="quiet">{say`${one.when} the work: `}</span>
          {coastWords(one.body)}
        </p>
      ))}
      {change && (
        <p
          className={classes.figure}
        >{say`Drag ${fixed(change.dragTimes, 2)} ± ${fixed(2 * change.uncertainty, 2)}${THIN}times that before`}</p>
      )}
    </section>
  );
}

interface LogProps {
  readonly rpm: number;
  readonly onTime: (seconds: number, how: CoastBody['how']) => void;
}

/** The run down read out of a log: a gyroscope on the platter, or pulses of a shaft. */
function CoastLog({ rpm, onTime }: LogProps) {
  const [perTurn, setPerTurn] = useState('1');
  const turns = numberIn(perTurn);
  const good = turns !== null && Number.isInteger(turns) && turns > 0 && turns <= MOST_PER_TURN;
  const readLog = async (file: File) => {
    const wish = { nominalRpm: rpm, perTurn: turns ?? 1 };
    try {
      const found = await inWorker<RunDown | typeof STOPPED>((api) => api.runDown(file, wish), STOPPED).answer;
      if (found.kind === 'refused') return notice(found.message);
      onTime(timeBetween(found.speeds, FROM_PART * rpm, rpm / 2), found.how);
    } catch (error) {
      notice(error instanceof Error ? error.message : say`The log could not be read.`);
    }
  };
  return (
    <div className={classes.readings}>
      <span>
        <PickFile
          words={say`From a log`}
          label={say`Log of the run down`}
          accept=".csv,.txt,text/csv"
          disabled={!good}
          onFile={(file) => void readLog(file)}
        />
      </span>
      <Field
        label={say`Pulses a turn in it`}
        value={perTurn}
        onChange={(event) => setPerTurn(event.target.value)}
        error={!good}
        sx={{ width: 190 }}
      />
      <span className="quiet">{say`A phone’s gyroscope on the platter, or pulses of a shaft, as CSV.`}</span>
    </div>
  );
}
