/** The waiting that a mend brings, started with one key. */
import { minutesWords, type StageId, type TimerKind } from '@amber-gauge/core/bench';
import Button from '@mui/material/Button';
import { makeLine, submitLines } from '../../../shared/outbox/outbox.js';
import type { JobView } from '../useJobView.js';
import { say } from '@amber-gauge/core/words';

interface Props {
  readonly view: JobView;
  readonly stage: StageId;
  readonly timer: TimerKind;
  readonly name: string;
  /** What its key says before the minutes. */
  readonly label: string;
  readonly minutes: number;
}

export function TimerAsk({ view, stage, timer, name, label, minutes }: Props) {
  const running = view.state.timers.some((one) => one.timer === timer && one.label === name && one.end === null);
  const start = () => void submitLines(view.job.id, makeLine(stage, { kind: 'timer', timer, label: name, minutes }));
  return (
    <Button variant="outlined" disabled={running} onClick={start}>
      {running ? say`The wait is running` : `${label}, ${minutesWords(minutes)}`}
    </Button>
  );
}
