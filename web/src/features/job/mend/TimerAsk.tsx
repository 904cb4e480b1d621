/** The waiting that a mend brings, started with one key. */
import { minutesWords, type StageId } from '@amber-gauge/core/bench';
import Button from '@mui/material/Button';
import { makeLine, submitLines } from '../../../shared/outbox/outbox.js';
import type { JobView } from '../useJobView.js';

interface Props {
  readonly view: JobView;
  readonly stage: StageId;
  readonly name: string;
  readonly minutes: number;
}

export function TimerAsk({ view, stage, name, minutes }: Props) {
  const running = view.state.timers.some((timer) => timer.label === name && timer.end === null);
  const start = () =>
    void submitLines(view.job.id, makeLine(stage, { kind: 'timer', timer: 'cure', label: name, minutes }));
  return (
    <Button variant="outlined" disabled={running} onClick={start}>
      {running ? 'The wait is running' : `Start the wait, ${minutesWords(minutes)}`}
    </Button>
  );
}
