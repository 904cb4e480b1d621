/** Work that no list names: what was done, to what. */
import { refusalOf, WORK_ACTIONS, WORK_WORDS, workSaid, type StageId, type WorkAction } from '@amber-gauge/core/bench';
import Button from '@mui/material/Button';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import { useState } from 'react';
import { makeLine, submitLines } from '../../../shared/outbox/outbox.js';
import { Cautions } from '../safe/Cautions.js';
import { Refused } from '../safe/Refused.js';
import stages from '../stages/Stages.module.css';
import type { JobView } from '../useJobView.js';
import { say } from '@amber-gauge/core/words';

interface Props {
  readonly view: JobView;
  readonly stage: StageId;
}

export function SomethingElse({ view, stage }: Props) {
  const [action, setAction] = useState<WorkAction>('clean');
  const [what, setWhat] = useState('');
  const text = `${WORK_WORDS[action]} ${what}`;
  const refusal = refusalOf(what);
  const keep = () => {
    if (what.trim() === '' || refusal) return;
    void submitLines(view.job.id, makeLine(stage, workSaid(view.job.familyId, { action, what: what.trim() })));
    setWhat('');
  };
  return (
    <section className="stack" aria-label={say`What was done`}>
      <h3>{say`Something else was done`}</h3>
      <ToggleButtonGroup
        exclusive
        value={action}
        onChange={(_event, value: WorkAction | null) => value && setAction(value)}
        aria-label={say`What was done`}
        sx={{ flexWrap: 'wrap' }}
      >
        {WORK_ACTIONS.map((one) => (
          <ToggleButton key={one} value={one} className={stages.big ?? ''}>
            {WORK_WORDS[one]}
          </ToggleButton>
        ))}
      </ToggleButtonGroup>
      <div className={stages.ask}>
        <input
          className={`${stages.field} ${stages.words}`}
          value={what}
          onChange={(event) => setWhat(event.target.value)}
          onKeyDown={(event) => event.key === 'Enter' && keep()}
          placeholder={say`both trims, pitch pot`}
          aria-label={say`What`}
        />
        <Button
          variant="contained"
          className={stages.keep ?? ''}
          disabled={what.trim() === '' || refusal !== null}
          onClick={keep}
        >{say`Keep it`}</Button>
      </div>
      {refusal && <Refused rule={refusal} />}
      <Cautions text={what === '' ? '' : text} familyId={view.job.familyId} />
    </section>
  );
}
