/** What came off, newest first: the way it goes together again. */
import { stepWords, type LedgerStep, type StageId } from '@amber-gauge/core/bench';
import { when } from '../../../shared/ui/when.js';
import { PhotoAdd } from '../photos/PhotoAdd.js';
import { PhotoStrip } from '../photos/PhotoStrip.js';
import type { JobView } from '../useJobView.js';
import { StepDetails } from './StepDetails.js';
import classes from './Ledger.module.css';
import { say } from '@amber-gauge/core/words';

export function StepList({ view, stage }: { readonly view: JobView; readonly stage: StageId }) {
  const { steps } = view.state.ledger;
  if (steps.length === 0)
    return (
      <p className="quiet">{say`One line before each part comes off: what, how many, which tray, which way round.
        Measure a gap before it is disturbed. The list then runs backwards for putting together.`}</p>
    );
  return (
    <ol className={classes.steps} aria-label={say`What came off`}>
      {[...steps].reverse().map((one) => (
        <Row key={one.key} view={view} stage={stage} one={one} />
      ))}
    </ol>
  );
}

function Row({ view, stage, one }: { readonly view: JobView; readonly stage: StageId; readonly one: LedgerStep }) {
  return (
    <li className={classes.step} data-back={one.refit !== null}>
      <span className={`mono ${classes.number}`}>{one.number}</span>
      <div>
        <p className={classes.what}>
          {stepWords(one.step)} {one.refit && <span className="quiet small">{say`back on ${when(one.refit.at)}`}</span>}
        </p>
        <StepDetails step={one.step} />
        <PhotoStrip view={view} stage={stage} about={one.key} />
      </div>
      <PhotoAdd
        view={view}
        stage={stage}
        about={one.key}
        caption={one.step.what}
        word={say`Photo`}
        label={say`Photo of step ${one.number}`}
      />
    </li>
  );
}
