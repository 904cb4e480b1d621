/** What is due later: the usual offered, any other typed; seen to with one key. */
import { FOLLOW_UP_WORDS, usualFollowUps, type FollowUpBody, type StageId } from '@amber-gauge/core/bench';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { serverNow } from '../../../shared/outbox/clock.js';
import { makeLine, submitLines } from '../../../shared/outbox/outbox.js';
import { Field } from '../../../shared/ui/Field.js';
import type { JobView } from '../useJobView.js';
import classes from './HandBack.module.css';
import { say } from '@amber-gauge/core/words';

interface Props {
  readonly view: JobView;
  readonly stage: StageId;
}

export function FollowUps({ view, stage }: Props) {
  const [what, setWhat] = useState('');
  const [on, setOn] = useState('');
  const { followUps, work, handedBackAt } = view.state;
  const from = handedBackAt ? new Date(handedBackAt) : serverNow();
  const listed = new Set(followUps.map((one) => one.what));
  const usual = usualFollowUps(
    work.map((one) => one.work),
    from,
  ).filter((one) => !listed.has(one.what));
  const add = (body: FollowUpBody) => void submitLines(view.job.id, makeLine(stage, body));
  const done = (target: string, how: 'done' | 'dropped') =>
    void submitLines(view.job.id, makeLine(stage, { kind: 'follow-up-done', target, how, words: '' }));
  const good = what.trim() !== '' && on !== '';
  return (
    <section className="stack" aria-label={say`Come again`}>
      <h2>{say`Come again`}</h2>
      <ul>
        {followUps.map((one) => (
          <li key={one.key} className={classes.due}>
            <span className="mono">{one.on}</span>
            <span>
              {one.what} <span className="small quiet">{FOLLOW_UP_WORDS[one.why]}</span>
            </span>
            <span className="row">
              <Button variant="outlined" onClick={() => done(one.key, 'done')}>{say`Seen to`}</Button>
              <Button onClick={() => done(one.key, 'dropped')}>{say`Drop it`}</Button>
            </span>
          </li>
        ))}
        {usual.map((one) => (
          <li key={one.what} className={classes.due}>
            <span className="mono quiet">{one.on}</span>
            <span className="quiet">{one.what}</span>
            <Button variant="outlined" onClick={() => add(one)}>{say`Put it down`}</Button>
          </li>
        ))}
      </ul>
      <div className="row">
        <Field
          label={say`On`}
          type="date"
          value={on}
          onChange={(event) => setOn(event.target.value)}
          sx={{ width: 200 }}
        />
        <Field
          label={say`What`}
          value={what}
          onChange={(event) => setWhat(event.target.value)}
          sx={{ flex: '1 1 240px' }}
        />
        <Button
          variant="outlined"
          disabled={!good}
          onClick={() => {
            add({ kind: 'follow-up', why: 'look', what: what.trim(), on });
            setWhat('');
            setOn('');
          }}
        >{say`Put it down`}</Button>
      </div>
    </section>
  );
}
