/** Timers of the job in its bar: counting down, or done and waiting for an answer. */
import { countdown, isDue, isRunning, type EventBody, type JobTimer, type StageId } from '@amber-gauge/core/bench';
import Button from '@mui/material/Button';
import { makeLine, submitLines } from '../../../shared/outbox/outbox.js';
import { useNow } from '../../../shared/ui/useNow.js';
import { lookedIn } from '../prove/lookIn.js';
import type { JobView } from '../useJobView.js';
import classes from '../Job.module.css';
import { say } from '@amber-gauge/core/words';

interface Props {
  readonly view: JobView;
  readonly stage: StageId;
  readonly onStage: (stage: StageId) => void;
}

export function JobTimers({ view, stage, onStage }: Props) {
  const now = useNow(1000);
  const tell = (...bodies: EventBody[]) =>
    void submitLines(view.job.id, ...bodies.map((body) => makeLine(stage, body)));
  const open = (timer: JobTimer['timer']) => view.state.timers.filter((one) => one.timer === timer && one.end === null);
  /** With the soak its look-ins end. */
  const end = ({ key, timer }: JobTimer, how: 'stopped' | 'answered') =>
    tell(
      ...[key, ...(timer === 'soak' ? open('look-in').map((one) => one.key) : [])].map(
        (target) => ({ kind: 'timer-end', target, how }) as const,
      ),
    );
  // The bar has room for one: what is due comes before what runs.
  const due = view.state.timers.filter((timer) => isDue(timer, now));
  // One runs in the bar, the next to end; a look-in stands with its soak.
  const [first, ...more] = view.state.timers
    .filter((timer) => isRunning(timer, now) && timer.timer !== 'look-in')
    .sort((a, b) => a.dueAt.localeCompare(b.dueAt));
  return (
    <span className={classes.timers} role="timer" aria-label={say`Timers`}>
      {due.slice(0, 1).map((timer) => (
        <Button
          key={timer.key}
          variant="contained"
          className={classes.due ?? ''}
          // A wait for a charge to go is ended by a reading, never by a tap.
          onClick={() => {
            if (timer.timer === 'discharge') onStage('make-safe');
            else if (timer.timer === 'look-in')
              tell(...lookedIn(timer, open('soak').find((one) => isRunning(one, now)) ?? null, now));
            else end(timer, 'answered');
          }}
        >
          {dueWords(timer)}
        </Button>
      ))}
      {due.length > 1 && <span className="small quiet">{say`${due.length - 1} more`}</span>}
      {first && due.length === 0 && (
        <span className={classes.timer}>
          <span className="small">{first.label}</span>
          <span className="mono">{countdown(first.dueAt, now)}</span>
          {first.timer !== 'discharge' && (
            <button
              type="button"
              className={classes.strike}
              onClick={() => end(first, 'stopped')}
              aria-label={say`Stop ${first.label}`}
              title={say`Stop it`}
            >
              ×
            </button>
          )}
          {more.length > 0 && <span className="small quiet">{say`${more.length} more`}</span>}
        </span>
      )}
    </span>
  );
}

function dueWords({ timer, label }: JobTimer): string {
  if (timer === 'discharge') return say`Wait over: measure`;
  if (timer === 'parts') return say`They are here: ${label}`;
  return timer === 'look-in' ? say`Looked in: all well` : say`${label} done: seen`;
}
