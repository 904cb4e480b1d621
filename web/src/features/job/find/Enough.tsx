/** Always there: stop testing and mend, with what it costs to be wrong, and why it is advised where it is. */
import type { StageId } from '@amber-gauge/core/bench';
import type { Advice, MendReason } from '@amber-gauge/core/diagnosis';
import { THIN } from '@amber-gauge/core/quantity';
import Button from '@mui/material/Button';
import { useMoney } from '../../../shared/ui/money.js';
import { percent } from './useFind.js';
import classes from './Find.module.css';
import { say } from '@amber-gauge/core/words';

const BECAUSE: Readonly<Record<MendReason, string>> = {
  found: say`It was seen at the part itself.`,
  sure: say`Hardly anything else is left.`,
  cheaper: say`Trying it costs less than knowing more.`,
  only: say`Nothing is left to ask.`,
};

export function Enough({ advice, onStage }: { readonly advice: Advice; readonly onStage: (stage: StageId) => void }) {
  const money = useMoney();
  const first = advice.mends.find((one) => one.forbidden === null);
  const held = advice.mends.find((one) => one.found && one.forbidden !== null);
  const advised = advice.next === 'mend';
  const wrong = first ? Math.round(100 * (1 - first.chance)) : null;
  return (
    <div className={advised ? `${classes.enough} ${classes.advised}` : classes.enough}>
      <p>
        {first ? (
          <>
            <strong className={advised ? classes.mendName : undefined}>{first.repair.name}</strong>
            {say`: cures it with ${percent(first.chance)}${THIN}%. Wrong, `}
            {wrong}
            {say`${THIN}%, costs about ${Math.max(1, Math.round(first.minutes - first.repair.money))}
              min${first.repair.money > 0 ? say` and ${money(first.repair.money)}` : ''}.${advised && advice.reason ? ` ${BECAUSE[advice.reason]}` : ''}${advised && first.repair.leaves ? say` Then: ${first.repair.leaves}.` : ''}`}
          </>
        ) : (
          say`Nothing likely to cure it is known yet: being wrong costs the whole of what is tried.`
        )}
        {held && (
          <>
            {' '}
            <strong>{held.repair.name}</strong>
            {say`: not yet. `}
            {held.forbidden}
          </>
        )}
      </p>
      <Button variant={advised ? 'contained' : 'outlined'} onClick={() => onStage('mend')}>
        {advised ? say`Go to mend` : say`Enough, go to mend`}
      </Button>
    </div>
  );
}
