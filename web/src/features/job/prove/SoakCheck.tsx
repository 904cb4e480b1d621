/** The soak: started here, counted by the server's clock, with its last reading. */
import { countdown, isRunning, minutesWords, type StageId } from '@amber-gauge/core/bench';
import Button from '@mui/material/Button';
import { makeLine, submitLines } from '../../../shared/outbox/outbox.js';
import { useNow } from '../../../shared/ui/useNow.js';
import type { JobView } from '../useJobView.js';
import stages from '../stages/Stages.module.css';
import classes from './Prove.module.css';

interface Props {
  readonly view: JobView;
  readonly stage: StageId;
  readonly minutes: number;
}

export function SoakCheck({ view, stage, minutes }: Props) {
  const now = useNow(1000);
  const running = view.state.timers.find((timer) => timer.timer === 'soak' && isRunning(timer, now));
  if (running)
    return (
      <>
        <p className={`mono ${classes.wait}`} role="timer">
          {countdown(running.dueAt, now)}
        </p>
        <p className="quiet">
          It runs by itself. Look in now and then; a break in the power ends it. Its last reading is made at its end.
        </p>
      </>
    );
  const start = () =>
    void submitLines(view.job.id, makeLine(stage, { kind: 'timer', timer: 'soak', label: 'Soak', minutes }));
  return (
    <div className={classes.answers}>
      <Button variant="contained" className={stages.big ?? ''} onClick={start}>
        Start the soak, {minutesWords(minutes)}
      </Button>
    </div>
  );
}
