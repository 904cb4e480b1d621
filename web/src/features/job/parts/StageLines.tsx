/** The lines of one stage, newest first: also the order in which things go back together. */
import { eventWords, type StageId } from '@amber-gauge/core/bench';
import { when } from '../../../shared/ui/when.js';
import type { JobView } from '../useJobView.js';
import classes from '../stages/Stages.module.css';

interface Props {
  readonly view: JobView;
  readonly stage: StageId;
  readonly empty: string;
  readonly kinds?: readonly string[];
}

export function StageLines({ view, stage, empty, kinds }: Props) {
  const lines = view.lines.filter(
    ({ event, status }) =>
      event.stage === stage &&
      status !== 'refused' &&
      !view.state.struck.has(event.key) &&
      (!kinds || kinds.includes(event.body.kind)) &&
      event.body.kind !== 'strike' &&
      event.body.kind !== 'place',
  );
  if (lines.length === 0) return empty ? <p className="quiet">{empty}</p> : null;
  return (
    <ol className={classes.rows}>
      {[...lines].reverse().map(({ event }, i) => (
        <li key={event.key} className={classes.rowLine}>
          <span className="mono small quiet">{when(event.enteredAt)}</span>
          <span>{eventWords(event.body)}</span>
          <span className="mono small quiet">{lines.length - i}</span>
        </li>
      ))}
    </ol>
  );
}
