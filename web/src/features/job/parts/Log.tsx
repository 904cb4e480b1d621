/** The bench log, newest first. Lines are struck out with a reason and stay visible. */
import { STAGE_NAMES, type StageId } from '@amber-gauge/core/bench';
import Button from '@mui/material/Button';
import { useMemo, useRef, useState } from 'react';
import { OutboxWord } from '../../../shared/ui/OutboxWord.js';
import { when } from '../../../shared/ui/when.js';
import type { JobView } from '../useJobView.js';
import { useSumWish } from '../mend/sumWish.js';
import { LogRows } from './LogRows.js';
import { StrikeOut } from './StrikeOut.js';
import classes from '../Job.module.css';
import { say } from '@amber-gauge/core/words';

interface Props {
  readonly view: JobView;
  readonly stage: StageId;
  readonly open: boolean;
  readonly onClose: () => void;
  readonly onStage: (stage: StageId) => void;
}

export function Log({ view, stage, open, onClose, onStage }: Props) {
  const [striking, setStriking] = useState<string | null>(null);
  const scroll = useRef<HTMLElement>(null);
  const askSum = useSumWish((wish) => wish.ask);
  const onSum = (id: string) => {
    askSum(view.job.id, id);
    if (stage !== 'find' && stage !== 'mend') onStage('find');
    onClose();
  };
  const newest = useMemo(
    () => view.lines.filter(({ event: { body } }) => body.kind !== 'strike' && body.kind !== 'place').reverse(),
    [view.lines],
  );
  return (
    <aside
      ref={scroll}
      className={open ? `${classes.log} ${classes.logOpen}` : classes.log}
      aria-label={say`Bench log`}
    >
      <div className="row">
        <h2 className={classes.logTitle}>{say`Bench log`}</h2>
        <Button className={classes.closeLog ?? ''} variant="outlined" onClick={onClose}>{say`Close`}</Button>
      </div>
      <OutboxWord />
      {view.unreadable.length > 0 && (
        <p
          role="alert"
          className="small danger"
        >{say`${view.unreadable.length === 1 ? say`One line` : say`${view.unreadable.length} lines`} of this log
          cannot be read here and ${view.unreadable.length === 1 ? say`counts` : say`count`} for nothing:
          ${view.unreadable.map((one) => `no. ${one.position}, ${one.kind}, ${when(one.receivedAt)}`).join('; ')}.
          What it says of power is not known: measure before touching.`}</p>
      )}
      {newest.length === 0 && (
        <p className="small quiet">{say`Nothing yet. What you type in the line at the foot lands here.`}</p>
      )}
      <LogRows view={view} lines={newest} scroll={scroll} onStrike={setStriking} onSum={onSum} />
      {striking && <StrikeOut view={view} stage={stage} target={striking} onDone={() => setStriking(null)} />}
      <p className="off-screen">{say`Stage ${STAGE_NAMES[stage]}`}</p>
    </aside>
  );
}
