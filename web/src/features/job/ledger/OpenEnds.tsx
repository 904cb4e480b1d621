/** Everything cut, unplugged, unsoldered or bridged, open until it is closed. */
import {
  END_HOWS,
  END_SAFE,
  endWords,
  openEnds,
  refusalOf,
  stepsOff,
  type EndHow,
  type OpenEndBody,
  type StageId,
} from '@amber-gauge/core/bench';
import { familyOf } from '@amber-gauge/core/families';
import Button from '@mui/material/Button';
import { Field } from '../../../shared/ui/Field.js';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import { useState } from 'react';
import { makeLine, submitLines } from '../../../shared/outbox/outbox.js';
import { when } from '../../../shared/ui/when.js';
import { Refused } from '../safe/Refused.js';
import type { JobView } from '../useJobView.js';
import classes from './Ledger.module.css';
import { said, say } from '@amber-gauge/core/words';

export function OpenEnds({ view, stage }: { readonly view: JobView; readonly stage: StageId }) {
  const [what, setWhat] = useState('');
  const [how, setHow] = useState<EndHow>('unplugged');
  const open = openEnds(view.state.ledger);
  const refusal = refusalOf(`${how} ${what}`);
  const listed = new Set(open.map((one) => one.end.usualId));
  const usual = familyOf(view.job.familyId).openEnds.filter((one) => !listed.has(one.id));
  const add = (end: Pick<OpenEndBody, 'what' | 'how' | 'usualId'>) => {
    const stepKey = stepsOff(view.state.ledger).at(-1)?.key ?? null;
    void submitLines(view.job.id, makeLine(stage, { kind: 'open-end', ...end, stepKey, moveKey: null }));
  };
  const keep = () => {
    if (what.trim() === '' || refusal) return;
    add({ what: what.trim(), how, usualId: null });
    setWhat('');
  };
  return (
    <section className="stack" aria-label={say`Open ends`}>
      <h2>
        {open.length === 0 ? say`No open ends` : open.length === 1 ? say`1 open end` : say`${open.length} open ends`}
      </h2>
      {open.length > 0 && (
        <ul className={classes.ends}>
          {open.map(({ key, at, end }) => (
            <li key={key} className={classes.end}>
              <span>
                <strong>{endWords(end)}</strong> <span className="quiet small">{when(at)}</span>
              </span>
              <Button
                variant="outlined"
                onClick={() =>
                  void submitLines(view.job.id, makeLine(stage, { kind: 'close', target: key, how: END_SAFE[end.how] }))
                }
                aria-label={say`Close: ${end.what}`}
              >
                {END_SAFE[end.how]}
              </Button>
            </li>
          ))}
        </ul>
      )}
      <div className="row">
        <Field
          label={say`What is open now`}
          value={what}
          onChange={(event) => setWhat(event.target.value)}
          onKeyDown={(event) => event.key === 'Enter' && keep()}
          sx={{ flex: '1 1 220px' }}
        />
        <ToggleButtonGroup
          exclusive
          value={how}
          onChange={(_event, one: EndHow | null) => one && setHow(one)}
          aria-label={say`How`}
          sx={{ flexWrap: 'wrap' }}
        >
          {END_HOWS.map((one) => (
            <ToggleButton key={one} value={one}>
              {said(one)}
            </ToggleButton>
          ))}
        </ToggleButtonGroup>
        <Button
          variant="outlined"
          disabled={what.trim() === '' || refusal !== null}
          onClick={keep}
        >{say`Keep as open`}</Button>
      </div>
      {refusal && <Refused rule={refusal} />}
      <div className="row">
        <span className="quiet">{say`Usual here:`}</span>
        {usual.map((one) => (
          <Button key={one.id} onClick={() => add({ what: one.what, how: one.how, usualId: one.id })}>
            {endWords(one)}
          </Button>
        ))}
      </div>
    </section>
  );
}
