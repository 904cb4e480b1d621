/** Hand back: what is still owed, what was left undone, the sheet. */
import { gateAsks, gateHolds, gateProblems, isLive } from '@amber-gauge/core/bench';
import Button from '@mui/material/Button';
import { Field } from '../../../shared/ui/Field.js';
import { useState } from 'react';
import { Link } from 'react-router';
import { Gate } from '../gate/Gate.js';
import { serverNow } from '../../../shared/outbox/clock.js';
import { makeLine, submitLines } from '../../../shared/outbox/outbox.js';
import { useStored } from '../../../shared/ui/useStored.js';
import { when } from '../../../shared/ui/when.js';
import { BeforeAfter } from '../parts/BeforeAfter.js';
import type { StageProps } from './stageProps.js';
import classes from './Stages.module.css';

export function HandBackStage({ view, stage, prompt, onStage }: StageProps) {
  const [leftUndone, setLeftUndone] = useStored(`amber-gauge-undone-${view.job.id}`, '');
  const owed = view.owed.filter((item) => item.stage !== 'hand-back');
  const live = isLive(view.state.power);
  const [asked, setAsked] = useState(false);
  const handBack = () => {
    setAsked(false);
    void submitLines(view.job.id, makeLine(stage, { kind: 'hand-back', leftUndone: leftUndone.trim() }));
  };
  // A unit that was never opened and has nothing open goes back without being asked twice.
  const nothing = { accepted: [], inPlace: [], shortOhm: null, limit: null, confirmed: [] };
  const clear = gateProblems(gateAsks(view.job, view.state, 'hand-back'), nothing, null).length === 0;
  const goBack = () =>
    clear || gateHolds(view.state.gates, 'hand-back', serverNow()).holds ? handBack() : setAsked(true);
  return (
    <>
      <h1 className="prompt">
        {view.state.handedBackAt ? `Handed back ${when(view.state.handedBackAt)}` : prompt.text}
      </h1>
      {live && <p className={classes.caution}>Still live. Unplug before it goes back.</p>}
      {owed.length > 0 && (
        <ul className={classes.rows}>
          {owed.map((item) => (
            <li key={item.stage + item.text} className={classes.rowLine}>
              <span className="quiet">owed</span>
              <span>{item.text}</span>
              <Button variant="outlined" onClick={() => onStage(item.stage)}>
                Go there
              </Button>
            </li>
          ))}
        </ul>
      )}
      <BeforeAfter view={view} />
      {!view.state.handedBackAt && (
        <Field
          label="Left undone (stands on the sheet)"
          multiline
          minRows={2}
          value={leftUndone}
          onChange={(event) => setLeftUndone(event.target.value)}
        />
      )}
      <div className="row">
        <Button component={Link} to={`/job/${view.job.id}/sheet`} variant="outlined" className={classes.big ?? ''}>
          Look at the sheet
        </Button>
        <Button
          component="a"
          href={`/api/v1/jobs/${view.job.id}/sheet.pdf`}
          variant="outlined"
          className={classes.big ?? ''}
        >
          Download PDF
        </Button>
        {!view.state.handedBackAt && (
          <Button variant="contained" className={classes.big ?? ''} disabled={live} onClick={goBack}>
            {owed.length > 0 ? `Hand back with ${owed.length} owed` : 'Handed back'}
          </Button>
        )}
      </div>
      {asked && <Gate view={view} stage={stage} to="hand-back" onCancel={() => setAsked(false)} onPassed={handBack} />}
    </>
  );
}
