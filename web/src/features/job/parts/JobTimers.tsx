/** Timers of the job in its bar: counting down, or done and waiting for an answer. */
import { countdown, isDue, isRunning, type StageId } from '@amber-gauge/core/bench';
import Button from '@mui/material/Button';
import { makeLine, submitLines } from '../../../shared/outbox/outbox.js';
import { useNow } from '../../../shared/ui/useNow.js';
import type { JobView } from '../useJobView.js';
import classes from '../Job.module.css';

interface Props {
  readonly view: JobView;
  readonly stage: StageId;
  readonly onStage: (stage: StageId) => void;
}

export function JobTimers({ view, stage, onStage }: Props) {
  const now = useNow(1000);
  const end = (target: string, how: 'stopped' | 'answered') =>
    void submitLines(view.job.id, makeLine(stage, { kind: 'timer-end', target, how }));
  const due = view.state.timers.filter((timer) => isDue(timer, now));
  const running = view.state.timers.filter((timer) => isRunning(timer, now));
  return (
    <span className={classes.timers} role="timer" aria-label="Timers">
      {due.map((timer) => (
        <Button
          key={timer.key}
          variant="contained"
          className={classes.due ?? ''}
          // A wait for a charge to go is ended by a reading, never by a tap.
          onClick={() => (timer.timer === 'discharge' ? onStage('make-safe') : end(timer.key, 'answered'))}
        >
          {timer.timer === 'discharge' ? 'Wait over: measure' : `${timer.label} done: seen`}
        </Button>
      ))}
      {running.map((timer) => (
        <span key={timer.key} className={classes.timer}>
          <span className="small">{timer.label}</span>
          <span className="mono">{countdown(timer.dueAt, now)}</span>
          {timer.timer !== 'discharge' && (
            <button
              type="button"
              className={classes.strike}
              onClick={() => end(timer.key, 'stopped')}
              aria-label={`Stop ${timer.label}`}
              title="Stop it"
            >
              ×
            </button>
          )}
        </span>
      ))}
    </span>
  );
}
