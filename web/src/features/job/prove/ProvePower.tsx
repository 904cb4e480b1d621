/** What a check asks of the power, and the way there. */
import { isLive, type CheckBound } from '@amber-gauge/core/bench';
import { familyOf } from '@amber-gauge/core/families';
import Button from '@mui/material/Button';
import { POWER_KEY } from '../parts/useJobKeys.js';
import { useGoLive } from '../parts/goLive.js';
import type { JobView } from '../useJobView.js';
import find from '../find/Find.module.css';
import { say } from '@amber-gauge/core/words';

const RUNNING: readonly CheckBound['kind'][] = ['speed', 'test', 'trial', 'soak'];

export function ProvePower({ view, bound }: { readonly view: JobView; readonly bound: CheckBound }) {
  const ask = useGoLive((state) => state.ask);
  if (!RUNNING.includes(bound.kind) || isLive(view.state.power)) return null;
  return (
    <div className={find.tag}>
      {say`${familyOf(view.job.familyId).keepClear}. Not on yet: ${POWER_KEY}, through the gate. `}
      <Button variant="outlined" onClick={() => ask('last')}>{say`To the gate`}</Button>
    </div>
  );
}
