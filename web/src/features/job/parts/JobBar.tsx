/** Top of the job: which one, and the power state that is always visible. */
import { jobLabel, unitName, type StageId } from '@amber-gauge/core/bench';
import Button from '@mui/material/Button';
import { Link } from 'react-router';
import { KeysHelp } from '../../../shared/ui/KeysHelp.js';
import { ModeSwitch } from '../../../shared/ui/ModeSwitch.js';
import type { JobView } from '../useJobView.js';
import { JobTimers } from './JobTimers.js';
import { PowerControl } from './PowerControl.js';
import classes from '../Job.module.css';
import { say } from '@amber-gauge/core/words';

export function JobBar({
  view,
  stage,
  onLog,
  onStage,
}: {
  readonly view: JobView;
  readonly stage: StageId;
  readonly onLog: () => void;
  readonly onStage: (stage: StageId) => void;
}) {
  const { job } = view;
  return (
    <header className={classes.bar}>
      <span className={classes.unit}>
        <Link to={job.practice ? '/practice' : '/'} className={classes.back}>
          {job.practice ? say`‹ Practice` : say`‹ Bench`}
        </Link>
        {job.practice && <strong className={classes.practice}>{say`practice`}</strong>}
        <span className={`mono ${classes.number}`}>{jobLabel(job)}</span>
        <span className={classes.title}>{[unitName(job), job.customer].filter(Boolean).join(', ')}</span>
      </span>
      <span className={classes.gap} />
      <JobTimers view={view} stage={stage} onStage={onStage} />
      <PowerControl view={view} stage={stage} />
      <Button color="inherit" className={classes.logButton ?? ''} onClick={onLog}>{say`Log`}</Button>
      <span className={classes.wideOnly}>
        <ModeSwitch />
        <KeysHelp />
      </span>
    </header>
  );
}
