/** The soak: started here, counted by the server's clock, with its last reading. */
import {
  countdown,
  isDue,
  isRunning,
  minutesWords,
  TIMER_MINUTES,
  TIMER_WORDS,
  type EventBody,
  type StageId,
} from '@amber-gauge/core/bench';
import Button from '@mui/material/Button';
import { makeLine, submitLines } from '../../../shared/outbox/outbox.js';
import { useNow } from '../../../shared/ui/useNow.js';
import type { JobView } from '../useJobView.js';
import stages from '../stages/Stages.module.css';
import { LOOK_IN, lookedIn } from './lookIn.js';
import classes from './Prove.module.css';
import { say } from '@amber-gauge/core/words';

interface Props {
  readonly view: JobView;
  readonly stage: StageId;
  readonly minutes: number;
}

export function SoakCheck({ view, stage, minutes }: Props) {
  const now = useNow(1000);
  const tell = (...bodies: EventBody[]) =>
    void submitLines(view.job.id, ...bodies.map((body) => makeLine(stage, body)));
  const running = view.state.timers.find((timer) => timer.timer === 'soak' && isRunning(timer, now));
  if (!running)
    return (
      <div className={classes.answers}>
        <Button
          variant="contained"
          className={stages.big ?? ''}
          onClick={() =>
            tell(
              { kind: 'timer', timer: 'soak', label: TIMER_WORDS.soak, minutes },
              ...(minutes > TIMER_MINUTES['look-in'] ? [LOOK_IN] : []),
            )
          }
        >{say`Start the soak, ${minutesWords(minutes)}`}</Button>
      </div>
    );
  const look = view.state.timers.find((timer) => timer.timer === 'look-in' && timer.end === null) ?? null;
  return (
    <>
      <p className={`mono ${classes.wait}`} role="timer">
        {countdown(running.dueAt, now)}
      </p>
      <p className="quiet">{say`A break in the power ends it. Its last reading is made at its end.`}</p>
      <div className={classes.answers}>
        <Button
          variant={look && isDue(look, now) ? 'contained' : 'outlined'}
          className={stages.big ?? ''}
          onClick={() => tell(...lookedIn(look, running, now))}
        >{say`Looked in: all well`}</Button>
        <span className="quiet">
          {look && isRunning(look, now) ? say`Look again in ${countdown(look.dueAt, now)}` : say`Look in now and then.`}
        </span>
      </div>
    </>
  );
}
