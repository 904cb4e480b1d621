/** Found by the repairer and known to no path: kept as by hand, and what this path does not know leads from then on. */
import type { StageId } from '@amber-gauge/core/bench';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { makeLine, submitLines } from '../../../shared/outbox/outbox.js';
import { Field } from '../../../shared/ui/Field.js';
import type { JobView } from '../useJobView.js';
import classes from './Find.module.css';
import { say } from '@amber-gauge/core/words';

export function OwnFinding({ view, stage }: { readonly view: JobView; readonly stage: StageId }) {
  const [text, setText] = useState('');
  const keep = () => {
    if (text.trim() === '') return;
    void submitLines(
      view.job.id,
      makeLine(stage, { kind: 'suspect', block: '', name: text.trim(), verdict: 'outside' }),
    );
    setText('');
  };
  return (
    <div className={classes.own}>
      <Field
        label={say`Found something else, not in this path`}
        value={text}
        onChange={(event) => setText(event.target.value)}
        onKeyDown={(event) => event.key === 'Enter' && keep()}
      />
      <Button variant="outlined" disabled={text.trim() === ''} onClick={keep}>{say`Keep the finding`}</Button>
    </div>
  );
}
