/** Counting turns by tapping: the capture key or the large button; a line through all taps. */
import { fixed } from '@amber-gauge/core/quantity';
import { runOfStopwatch, stopwatch, tapsStillNeeded } from '@amber-gauge/core/speed';
import Button from '@mui/material/Button';
import { Field } from '../../../shared/ui/Field.js';
import { useCallback, useState } from 'react';
import { useCaptureKey } from '../live/useCaptureKey.js';
import { Unsaved } from './Unsaved.js';
import { useHanding } from './useHanding.js';
import { withoutFile, type WayProps } from './way.js';
import classes from '../parts/Speed.module.css';
import { say } from '@amber-gauge/core/words';

export function StopwatchWay({ speed, limits, onMeasured }: Pick<WayProps, 'speed' | 'limits' | 'onMeasured'>) {
  const [taps, setTaps] = useState<readonly number[]>([]);
  const [every, setEvery] = useState('1');
  const handing = useHanding(onMeasured);
  const turnsPerTap = Math.max(1, Math.round(Number(every)) || 1);
  const tap = useCallback((timeStampMs: number) => setTaps((old) => [...old, timeStampMs / 1000]), []);
  const captureKey = useCaptureKey(true, tap);
  const state = stopwatch(taps, turnsPerTap);
  const half = (limits.upperPercent - limits.lowerPercent) / 4;
  const more = tapsStillNeeded(state, half);
  const keep = () => {
    const run = runOfStopwatch(state, speed.nominalRpm);
    if (run) void handing.hand(withoutFile(run, say`${(taps.length - 1) * turnsPerTap} turns`));
    setTaps([]);
  };
  return (
    <div className={classes.way}>
      <div className="row">
        <Button
          variant="contained"
          className={classes.tap ?? ''}
          onClick={(event) => tap(event.timeStamp)}
          title={say`Key ${captureKey}`}
        >
          {taps.length === 0 ? say`Tap as the mark passes: nought` : say`Tap: ${taps.length * turnsPerTap}`}
        </Button>
        <Field
          label={say`Turns a tap`}
          value={every}
          onChange={(event) => setEvery(event.target.value)}
          slotProps={{ htmlInput: { inputMode: 'numeric' } }}
        />
        <Button variant="outlined" disabled={taps.length === 0} onClick={() => setTaps([])}>{say`Start again`}</Button>
        <Button variant="outlined" disabled={state.kind !== 'measured'} onClick={keep}>{say`Keep it`}</Button>
      </div>
      <p className="reading" role="status">
        {state.kind === 'measured' ? `${fixed(state.rpm, 2)} rpm ± ${fixed(state.expandedPercent, 2)} %` : '–'}
      </p>
      <p className="quiet">
        {state.kind === 'measured' && more !== null
          ? more === 0
            ? say`Enough turns for this tolerance.`
            : say`${more * turnsPerTap} more turns until half the tolerance is reached.`
          : say`Say “nought” at the first tap: one turn miscounted in a hundred is 1 %.`}
      </p>
      <Unsaved handing={handing} />
    </div>
  );
}
