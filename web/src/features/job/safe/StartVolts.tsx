/** Starting volts of a motor brought up on a variable transformer, before and after service. */
import type { StageId, StartLine } from '@amber-gauge/core/bench';
import { familyOf } from '@amber-gauge/core/families';
import { fixed, numberIn } from '@amber-gauge/core/quantity';
import Button from '@mui/material/Button';
import { Field } from '../../../shared/ui/Field.js';
import { useState } from 'react';
import { makeLine, submitLines } from '../../../shared/outbox/outbox.js';
import type { JobView } from '../useJobView.js';
import classes from './Safe.module.css';
import { say } from '@amber-gauge/core/words';

const VERDICTS = { free: 'free', stiff: 'stiff', gummed: 'gummed' } as const;

export function StartVolts({ view, stage }: { readonly view: JobView; readonly stage: StageId }) {
  const law = familyOf(view.job.familyId).startTorque;
  const [typed, setTyped] = useState('');
  if (!law || view.job.powerKind === 'pack') return null;
  const volts = numberIn(typed);
  const rated = view.job.ratedVolts;
  const good = volts !== null && volts > 0 && (rated === null || volts <= 1.2 * rated);
  const keep = (start: 'first' | 'later') => {
    if (!good) return;
    void submitLines(view.job.id, makeLine(stage, { kind: 'start-volts', volts, start }));
    setTyped('');
  };
  return (
    <section className="stack" aria-label={say`Starting volts`}>
      <h2>{say`Starting volts`}</h2>
      <p className="quiet">{say`Isolation transformer first, the variable one after it. Bring it up slowly; note the volts at which it
          turns.${law === 'square' ? say` Torque goes as the square of the volts.` : say` Torque goes with the volts.`} Do not leave a stalled motor energised.`}</p>
      <div className="row">
        <Field
          label={say`Volts`}
          value={typed}
          onChange={(event) => setTyped(event.target.value)}
          error={typed.trim() !== '' && !good}
          helperText={typed.trim() !== '' && !good ? say`Between 0 and ${fixed(1.2 * (rated ?? 230), 0)} V` : ''}
        />
        <Button variant="outlined" disabled={!good} onClick={() => keep('first')}>{say`First start`}</Button>
        <Button variant="outlined" disabled={!good} onClick={() => keep('later')}>{say`Later start`}</Button>
      </div>
      {view.state.starts.length > 0 && <Starts lines={view.state.starts} />}
    </section>
  );
}

function Starts({ lines }: { readonly lines: readonly StartLine[] }) {
  return (
    <table className={classes.starts}>
      <thead>
        <tr>
          <th>{say`service`}</th>
          <th>{say`start`}</th>
          <th>{say`volts`}</th>
          <th>{say`of rated`}</th>
          <th>{say`torque needed`}</th>
          <th />
        </tr>
      </thead>
      <tbody>
        {lines.map(({ key, body, when, share }) => (
          <tr key={key}>
            <td>{when}</td>
            <td>{body.start}</td>
            <td className="mono">{fixed(body.volts, 0)} V</td>
            <td className="mono">{share ? `${fixed(100 * share.voltsShare, 0)} %` : say`plate not read`}</td>
            <td className="mono">{share ? `${fixed(100 * share.torqueShare, 0)} %` : ''}</td>
            <td>{share ? VERDICTS[share.verdict] : ''}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
