/** Coming back after minutes or weeks: where the hands were, what is open, what runs, is it live. */
import { countdown, isDue, powerWords, STAGE_NAMES, type StageId, type WhereHandsWere } from '@amber-gauge/core/bench';
import Button from '@mui/material/Button';
import { PowerShape } from '../../../shared/shapes/PowerShape.js';
import { useNow } from '../../../shared/ui/useNow.js';
import { when } from '../../../shared/ui/when.js';
import type { JobView } from '../useJobView.js';
import classes from './Welcome.module.css';

interface Props {
  readonly view: JobView;
  readonly were: WhereHandsWere;
  readonly stage: StageId;
  readonly onStage: (stage: StageId) => void;
  readonly onSeen: () => void;
}

export function Welcome({ view, were, stage, onStage, onSeen }: Props) {
  const now = useNow(1000);
  const back = () => {
    onSeen();
    if (were.stage !== stage) onStage(were.stage);
  };
  return (
    <section className={classes.welcome} aria-label="Where the hands were">
      <div className="row">
        <h2 className={classes.title}>
          The hands were at {STAGE_NAMES[were.stage]}, {when(were.at)}
        </h2>
        <Button variant="contained" onClick={back}>
          {were.stage === stage ? 'Go on' : `Go on at ${STAGE_NAMES[were.stage]}`}
        </Button>
        {were.stage !== stage && <Button onClick={onSeen}>Stay here</Button>}
      </div>
      <div className={classes.columns}>
        <ol className={classes.last}>
          {were.last.map((one) => (
            <li key={one.key}>
              <span className="mono small quiet">{when(one.at)}</span> {one.text}
            </li>
          ))}
        </ol>
        <div>
          <p className="row">
            <PowerShape state={view.state.power} /> {powerWords(view.state.power, view.job)}
          </p>
          {were.open.length === 0 ? (
            <p className="quiet">No open ends.</p>
          ) : (
            <ul>
              {were.open.map((one) => (
                <li key={one}>
                  <strong>open:</strong> {one}
                </li>
              ))}
            </ul>
          )}
          {were.timers.map((timer) => (
            <p key={timer.key}>
              {timer.label} <span className="mono">{isDue(timer, now) ? 'done' : countdown(timer.dueAt, now)}</span>
            </p>
          ))}
        </div>
      </div>
    </section>
  );
}
