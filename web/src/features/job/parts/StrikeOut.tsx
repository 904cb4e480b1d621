/** Striking a line out: it stays visible, with the reason. */
import { eventWords, type StageId } from '@amber-gauge/core/bench';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import { Field } from '../../../shared/ui/Field.js';
import { useState } from 'react';
import { makeLine, submitLines } from '../../../shared/outbox/outbox.js';
import type { JobView } from '../useJobView.js';
import { said, say } from '@amber-gauge/core/words';

interface Props {
  readonly view: JobView;
  readonly stage: StageId;
  readonly target: string;
  readonly onDone: () => void;
}

const REASONS = ['mistyped', 'wrong place', 'wrong meter setting', 'test not valid'] as const;

export function StrikeOut({ view, stage, target, onDone }: Props) {
  const [reason, setReason] = useState('');
  const line = view.lines.find((one) => one.event.key === target);
  const strike = (why: string) => {
    void submitLines(view.job.id, makeLine(stage, { kind: 'strike', target, reason: why }));
    onDone();
  };
  return (
    <Dialog open onClose={onDone} fullWidth>
      <DialogTitle>{say`Strike out “${line ? eventWords(line.event.body) : ''}”`}</DialogTitle>
      <DialogContent>
        <div className="stack">
          <p>{say`The line stays visible. Whatever was computed from it is computed anew.`}</p>
          <div className="row">
            {REASONS.map((one) => (
              <Button key={one} variant="outlined" onClick={() => strike(one)}>
                {said(one)}
              </Button>
            ))}
          </div>
          <Field label={say`Another reason`} value={reason} onChange={(event) => setReason(event.target.value)} />
        </div>
      </DialogContent>
      <DialogActions>
        <Button variant="outlined" onClick={onDone}>{say`Leave it`}</Button>
        <Button
          variant="contained"
          disabled={reason.trim() === ''}
          onClick={() => strike(reason.trim())}
        >{say`Strike out`}</Button>
      </DialogActions>
    </Dialog>
  );
}
