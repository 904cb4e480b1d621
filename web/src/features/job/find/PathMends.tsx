/** Repairs by chance over cost, as the drive path sees them now; done, each opens a new epoch. */
import { isDead, workOfRepair, type StageId } from '@amber-gauge/core/bench';
import Button from '@mui/material/Button';
import { makeLine, submitLines } from '../../../shared/outbox/outbox.js';
import type { JobView } from '../useJobView.js';
import { useMoney } from '../../../shared/ui/money.js';
import { useJobFind } from './findContext.js';
import { percent } from './useFind.js';
import classes from './Find.module.css';

/** So many are shown; the rest is under a percent or dear. */
const SHOWN = 5;

export function PathMends({ view, stage }: { readonly view: JobView; readonly stage: StageId }) {
  const find = useJobFind();
  const money = useMoney();
  const mends = find?.answer?.advice.mends ?? [];
  if (mends.length === 0) return null;
  const dead = isDead(view.state);
  const done = (repairId: string, name: string) =>
    void submitLines(
      view.job.id,
      makeLine(stage, { kind: 'work', ...workOfRepair(name) }),
      makeLine(stage, { kind: 'mended', repairId, name }),
    );
  return (
    <section aria-label="What may cure it">
      <h2>What may cure it</h2>
      <ul className={classes.suspects}>
        {mends.slice(0, SHOWN).map(({ repair, chance, minutes, forbidden }) => (
          <li key={repair.id} className={classes.mendRow}>
            <span>
              {repair.name}{' '}
              <span className="quiet small">
                {percent(chance)} %, {Math.round(minutes)} min
                {repair.money > 0 ? `, parts about ${money(repair.money)}` : ''}
                {repair.waitMin > 0 ? `, then ${Math.round(repair.waitMin / 60)} h of waiting` : ''}
                {repair.leaves ? `; then: ${repair.leaves}` : ''}
              </span>
              {forbidden && <span className={`${classes.notYet} danger`}>Not yet. {forbidden}</span>}
            </span>
            <Button
              variant="outlined"
              disabled={!dead}
              onClick={() => done(repair.id, repair.name)}
              aria-label={`Done: ${repair.name}`}
            >
              {dead ? 'It is done' : 'Make it dead first'}
            </Button>
          </li>
        ))}
      </ul>
    </section>
  );
}
