/** What a mend that is done calls for: what it leaves to do, the trims, the proof. One key leads there. */
import { isOwed, type StageId } from '@amber-gauge/core/bench';
import { mendOf } from '@amber-gauge/core/families';
import Button from '@mui/material/Button';
import { useJobFind } from '../find/findContext.js';
import type { JobView } from '../useJobView.js';
import classes from './Mend.module.css';
import { say } from '@amber-gauge/core/words';

interface Props {
  readonly view: JobView;
  readonly onStage: (stage: StageId) => void;
}

export function AfterMend({ view, onStage }: Props) {
  const path = useJobFind()?.path;
  const { lastMended, decision, proving } = view.state;
  if (!lastMended || decision) return null;
  const repair = mendOf(path, lastMended.repairId);
  const trims = repair !== null && (repair.retrim || repair.power === 'running');
  const owed = proving.checks.filter(isOwed).length;
  return (
    <section className={classes.chosen} aria-label={say`After the mend`}>
      <p className={classes.step}>{say`Done:
        ${lastMended.name}.${repair?.leaves ? say` Then: ${repair.leaves}.` : ''}${lastMended.loses === undefined ? '' : say` Gone with it: ${lastMended.loses}; it will stand on the sheet.`}`}</p>
      <div className="row">
        {trims && (
          <Button
            variant="contained"
            className={classes.done ?? ''}
            onClick={() => onStage('set-speed')}
          >{say`Set the speeds`}</Button>
        )}
        {owed > 0 && (
          <Button
            variant={trims ? 'outlined' : 'contained'}
            className={classes.done ?? ''}
            onClick={() => onStage('prove')}
          >{say`Prove it, ${owed} to show`}</Button>
        )}
        <Button
          variant="outlined"
          className={classes.done ?? ''}
          onClick={() => onStage('find')}
        >{say`It is still wrong: find on`}</Button>
      </div>
    </section>
  );
}
