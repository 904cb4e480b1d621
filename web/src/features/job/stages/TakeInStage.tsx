/** Take in: the as-found speed first, then what the unit is and what was said. */
import { toleranceWords } from '@amber-gauge/core/bench';
import { familyOf } from '@amber-gauge/core/families';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { OutsideQuestions } from '../find/OutsideQuestions.js';
import { KnownFaults } from '../mend/KnownFaults.js';
import { Terms } from '../mend/Terms.js';
import { Noise } from '../prove/Noise.js';
import { Earlier } from '../parts/Earlier.js';
import { EditJob } from '../parts/EditJob.js';
import { PhotoAdd } from '../photos/PhotoAdd.js';
import { PhotoStrip } from '../photos/PhotoStrip.js';
import { SpeedDetail } from '../parts/SpeedDetail.js';
import { SpeedMeasure } from '../parts/SpeedMeasure.js';
import type { StageProps } from './stageProps.js';
import classes from './Stages.module.css';
import { said, say } from '@amber-gauge/core/words';

export function TakeInStage(props: StageProps) {
  const { job } = props.view;
  const [editing, setEditing] = useState(false);
  const facts = [
    [say`Kind`, familyOf(job.familyId).name],
    [say`Unit`, [job.make, job.model, job.serial && say`serial ${job.serial}`].filter(Boolean).join(' ')],
    [say`Whose`, job.customer],
    [say`Rated`, job.ratedVolts === null ? '' : `${job.ratedVolts} V, ${said(job.powerKind)}`],
    [say`Says`, job.complaint],
    [say`Tried`, job.tried],
    [say`Counts`, toleranceWords(job)],
  ].filter(([, value]) => value !== '');
  return (
    <>
      <SpeedMeasure {...props} />
      <Earlier view={props.view} stage={props.stage} />
      <OutsideQuestions view={props.view} stage={props.stage} />
      <dl className={classes.facts}>
        {facts.map(([label, value]) => (
          <div key={label} style={{ display: 'contents' }}>
            <dt className="quiet">{label}</dt>
            <dd>{value}</dd>
          </div>
        ))}
      </dl>
      <div className="row">
        <Button variant="outlined" onClick={() => setEditing(true)}>{say`Correct what was taken in`}</Button>
        <PhotoAdd
          view={props.view}
          stage={props.stage}
          about={null}
          caption={say`the unit`}
          word={say`Photo of the unit`}
        />
      </div>
      <PhotoStrip view={props.view} stage={props.stage} about={null} />
      <Noise view={props.view} stage={props.stage} speedId={props.speedId} />
      <Terms view={props.view} stage={props.stage} />
      <KnownFaults view={props.view} />
      <SpeedDetail view={props.view} stage={props.stage} speedId={props.speedId} />
      {editing && <EditJob job={job} onDone={() => setEditing(false)} />}
    </>
  );
}
