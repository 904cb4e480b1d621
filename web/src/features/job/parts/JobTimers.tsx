/** Timers of the job in its bar: counting down, or done and waiting for an answer. */
import { countdown, isDue, isRunning, type JobTimer, type StageId } from '@amber-gauge/core/bench';
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
  // One runs in the bar, the next to end; a look-in stands with its soak.
  const [first, ...more] = view.state.timers
    .filter((timer) => isRunning(timer, now) && timer.timer !== 'look-in')
    .sort((a, b) => a.dueAt.localeCompare(b.dueAt));
  return (
    <span className={classes.timers} role="timer" aria-label="Timers">
      {due.map((timer) => (
        <Button
          key={timer.key}
          variant="contained"
          className={classes.due ?? ''}
          // A wait for a charge to go is ended by a reading, never by a tap.
          onClick={() => {
            if (timer.timer === 'discharge') onStage('make-safe');
            else if (timer.timer === 'look-in') onStage('prove');
            else end(timer.key, 'answered');
          }}
        >
          {dueWords(timer)}
        </Button>
      ))}
      {first && (
        <span className={classes.timer}>
          <span className="small">{first.label}</span>
          <span className="mono">{countdown(first.dueAt, now)}</span>
          {first.timer !== 'discharge' && (
            <button
              type="button"
              className={classes.strike}
              onClick={() => end(first.key, 'stopped')}
              aria-label={`Stop ${first.label}`}
              title="Stop it"
            >
              ×
            </button>
          )}
          {more.length > 0 && <span className="small quiet">{more.length} more</span>}
        </span>
      )}
    </span>
  );
}

function dueWords({ timer, label }: JobTimer): string {
  if (timer === 'discharge') return 'Wait over: measure';
  return timer === 'look-in' ? 'Look in now' : `${label} done: seen`;
}
