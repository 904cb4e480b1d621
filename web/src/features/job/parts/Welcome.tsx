/** Coming back after a while: one line that says where the hands were; the first key or tap takes it away. */
import { countdown, isDue, STAGE_NAMES, type StageId, type WhereHandsWere } from '@amber-gauge/core/bench';
import Button from '@mui/material/Button';
import { useWindowEvent } from '../../../shared/ui/useWindowEvent.js';
import { useNow } from '../../../shared/ui/useNow.js';
import { when } from '../../../shared/ui/when.js';
import type { JobView } from '../useJobView.js';
import classes from './Welcome.module.css';
import { say } from '@amber-gauge/core/words';

interface Props {
  readonly view: JobView;
  readonly were: WhereHandsWere;
  readonly stage: StageId;
  readonly onStage: (stage: StageId) => void;
  readonly onSeen: () => void;
}

export function Welcome({ were, stage, onStage, onSeen }: Props) {
  const now = useNow(1000);
  // Another press than the one on this line itself; that one is seen to by its button.
  const seen = (event: Event) => {
    if (!(event.target instanceof Element && event.target.closest('[data-welcome]'))) onSeen();
  };
  useWindowEvent('keydown', seen);
  // After the tap has landed: what goes away under a finger would move what it was meant for.
  useWindowEvent('click', seen);
  const timer = were.timers[0];
  const rest = [
    were.last[0]?.text,
    were.open.length > 0 &&
      (were.open.length === 1 ? say`open: ${were.open[0] ?? ''}` : say`${were.open.length} open ends`),
    timer && `${timer.label} ${isDue(timer, now) ? say`done` : countdown(timer.dueAt, now)}`,
  ].filter(Boolean);
  return (
    <section className={classes.welcome} aria-label={say`Where the hands were`} data-welcome>
      <p className={classes.line} title={rest.join(' · ')}>
        <strong>{say`The hands were at ${STAGE_NAMES[were.stage]}, ${when(were.at)}`}</strong>{' '}
        <span className="quiet">{rest.join(' · ')}</span>
      </p>
      {were.stage !== stage && (
        <Button
          variant="outlined"
          onClick={() => {
            onSeen();
            onStage(were.stage);
          }}
        >{say`Go on there`}</Button>
      )}
    </section>
  );
}
