/** Hand back: what is still owed, what was left undone, the sheet. */
import { gateAsks, gateHolds, gateProblems, isLive, owedChecks, type ProvingCheck } from '@amber-gauge/core/bench';
import Button from '@mui/material/Button';
import { Field } from '../../../shared/ui/Field.js';
import { useState } from 'react';
import { Link } from 'react-router';
import { Gate } from '../gate/Gate.js';
import { serverNow } from '../../../shared/outbox/clock.js';
import { makeLine, submitLines } from '../../../shared/outbox/outbox.js';
import { useStored } from '../../../shared/ui/useStored.js';
import { when } from '../../../shared/ui/when.js';
import { FollowUps } from '../handback/FollowUps.js';
import { OnSheet } from '../handback/OnSheet.js';
import { BeforeAfter } from '../parts/BeforeAfter.js';
import type { StageProps } from './stageProps.js';
import classes from './Stages.module.css';
import { PaperLink } from '../../../shared/outbox/PaperLink.js';
import { say } from '@amber-gauge/core/words';

export function HandBackStage({ view, stage, prompt, onStage }: StageProps) {
  const [leftUndone, setLeftUndone] = useStored(`amber-gauge-undone-${view.job.id}`, '');
  const owed = view.owed.filter((item) => item.stage !== 'hand-back');
  const live = isLive(view.state.power);
  const [asked, setAsked] = useState(false);
  const [why, setWhy] = useState('');
  // A mains unit that was worked on goes back with its safety readings or with the reason why not.
  const unsafe = owedChecks(view.state.proving).filter(({ group }) => group === 'safety');
  const reasoned = unsafe.length === 0 || why.trim() !== '';
  const handBack = () => {
    setAsked(false);
    void submitLines(
      view.job.id,
      ...unsafe.map(({ id: checkId, name }) => makeLine(stage, { kind: 'unproved', checkId, name, why: why.trim() })),
      makeLine(stage, { kind: 'hand-back', leftUndone: leftUndone.trim() }),
    );
  };
  // A unit that was never opened and has nothing open goes back without being asked twice.
  const nothing = { accepted: [], inPlace: [], shortOhm: null, limit: null, confirmed: [] };
  const clear = gateProblems(gateAsks(view.job, view.state, 'hand-back'), nothing, null).length === 0;
  const goBack = () =>
    clear || gateHolds(view.state.gates, 'hand-back', serverNow()).holds ? handBack() : setAsked(true);
  return (
    <>
      <h1 className="prompt">
        {view.state.handedBackAt ? say`Handed back ${when(view.state.handedBackAt)}` : prompt.text}
      </h1>
      {live && <p className={classes.caution}>{say`Still live. Unplug before it goes back.`}</p>}
      {owed.length > 0 && (
        <ul className={classes.rows}>
          {owed.map((item) => (
            <li key={item.stage + item.text} className={classes.rowLine}>
              <span className="quiet">{say`owed`}</span>
              <span>{item.text}</span>
              <Button variant="outlined" onClick={() => onStage(item.stage)}>{say`Go there`}</Button>
            </li>
          ))}
        </ul>
      )}
      <BeforeAfter view={view} />
      {!view.state.handedBackAt && (
        <Field
          label={say`Left undone (stands on the sheet)`}
          multiline
          minRows={2}
          value={leftUndone}
          onChange={(event) => setLeftUndone(event.target.value)}
        />
      )}
      {!view.state.handedBackAt && unsafe.length > 0 && (
        <div className={classes.caution}>
          {unsafeWords(unsafe)}
          <Field
            label={say`Read it in Prove, or write why it goes back without (stands on the sheet)`}
            value={why}
            onChange={(event) => setWhy(event.target.value)}
          />
        </div>
      )}
      <OnSheet view={view} stage={stage} />
      <FollowUps view={view} stage={stage} />
      <div className="row">
        <Papers jobId={view.job.id} />
        {!view.state.handedBackAt && (
          <Button variant="contained" className={classes.big ?? ''} disabled={live || !reasoned} onClick={goBack}>
            {owed.length > 0 ? say`Hand back with ${owed.length} owed` : say`Handed back`}
          </Button>
        )}
      </div>
      {asked && <Gate view={view} stage={stage} to="hand-back" onCancel={() => setAsked(false)} onPassed={handBack} />}
    </>
  );
}

/** What failed comes before what was not read. */
function unsafeWords(checks: readonly ProvingCheck[]): string {
  const named = (bad: boolean) =>
    checks.filter(({ status }) => (status === 'bad') === bad).map(({ name }) => name.toLowerCase());
  const [failed, open] = [named(true), named(false)];
  return [
    failed.length > 0 && say`Failed: ${failed.join(', ')}. It must not be plugged in like this.`,
    open.length > 0 && say`Electrical safety is not shown: ${open.join(', ')}.`,
  ]
    .filter(Boolean)
    .join(' ');
}

/** What is made of the job on paper, and the whole of it as a file. */
function Papers({ jobId }: { readonly jobId: string }) {
  return (
    <>
      <Button
        component={Link}
        to={`/job/${jobId}/sheet`}
        variant="outlined"
        className={classes.big ?? ''}
      >{say`Look at the sheet`}</Button>
      <PaperLink
        jobId={jobId}
        file="sheet.pdf"
        variant="outlined"
        className={classes.big ?? ''}
      >{say`Download PDF`}</PaperLink>
      <Button
        component={Link}
        to={`/job/${jobId}/sheet/bench`}
        variant="outlined"
        className={classes.big ?? ''}
      >{say`Bench sheet`}</Button>
      <PaperLink
        jobId={jobId}
        file="sticker.pdf"
        variant="outlined"
        className={classes.big ?? ''}
      >{say`Sticker`}</PaperLink>
      <PaperLink
        jobId={jobId}
        file="bundle.json"
        variant="outlined"
        className={classes.big ?? ''}
      >{say`Whole job as a file`}</PaperLink>
    </>
  );
}
