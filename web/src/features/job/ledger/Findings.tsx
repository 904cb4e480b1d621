/** What does not come out even stays until it is explained. */
import type { Finding, StageId } from '@amber-gauge/core/bench';
import Button from '@mui/material/Button';
import { Field } from '../../../shared/ui/Field.js';
import { useState } from 'react';
import { makeLine, submitLines } from '../../../shared/outbox/outbox.js';
import type { JobView } from '../useJobView.js';
import classes from './Ledger.module.css';
import { say } from '@amber-gauge/core/words';

export function Findings({ view, stage }: { readonly view: JobView; readonly stage: StageId }) {
  const { findings } = view.state;
  if (findings.length === 0) return null;
  return (
    <ul className={classes.ends} aria-label={say`Findings`}>
      {findings.map((finding) => (
        <Row key={finding.id} view={view} stage={stage} finding={finding} />
      ))}
    </ul>
  );
}

function Row({ view, stage, finding }: { readonly view: JobView; readonly stage: StageId; readonly finding: Finding }) {
  const [why, setWhy] = useState('');
  const explain = () => {
    if (why.trim() === '') return;
    void submitLines(view.job.id, makeLine(stage, { kind: 'explain', finding: finding.id, why: why.trim() }));
  };
  return (
    <li className={classes.end} data-explained={finding.explained !== null}>
      <span>
        {finding.text} {finding.explained && <span className="quiet">{say`explained: ${finding.explained}`}</span>}
      </span>
      {finding.explained === null && (
        <span className="row">
          <Field label={say`Why it may stand`} value={why} onChange={(event) => setWhy(event.target.value)} />
          <Button variant="outlined" disabled={why.trim() === ''} onClick={explain}>{say`Explain`}</Button>
        </span>
      )}
    </li>
  );
}
