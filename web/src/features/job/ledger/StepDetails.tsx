/** Gaps, marks, wires and what is owed of a step; the wires also as seen from the other side. */
import { wiresFrom, type ConnectorSide, type StepBody } from '@amber-gauge/core/bench';
import Button from '@mui/material/Button';
import { useState } from 'react';
import classes from './Ledger.module.css';
import { say } from '@amber-gauge/core/words';

const SIDES: Readonly<Record<ConnectorSide, string>> = { 'wire-side': say`wire side`, 'mating-face': say`mating face` };

export function StepDetails({ step }: { readonly step: StepBody }) {
  const notes = [
    ...step.distances.map((one) => `${one.what} ${one.value} ± ${one.tolerance} ${one.unit}`),
    step.orientation && say`way round: ${step.orientation}`,
    step.marks && say`marks: ${step.marks}`,
    step.owes.length > 0 && say`to renew: ${step.owes.join(', ')}`,
    step.earth && say`earth point`,
    step.traces && say`earlier visit: ${step.traces}`,
    ...step.fasteners.filter((one) => one.odd).map((one) => say`odd: ${one.what}`),
  ].filter(Boolean);
  return (
    <>
      {notes.length > 0 && <p className="quiet">{notes.join(' · ')}</p>}
      {step.wires.length > 0 && <Wires step={step} />}
    </>
  );
}

function Wires({ step }: { readonly step: StepBody }) {
  const [side, setSide] = useState<ConnectorSide>(step.wiresSide ?? 'wire-side');
  const other: ConnectorSide = side === 'wire-side' ? 'mating-face' : 'wire-side';
  return (
    <div className="row">
      <ol className={classes.wires} aria-label={say`Pins left to right, ${SIDES[side]}`}>
        {wiresFrom(step, side).map((wire) => (
          <li key={wire.pin}>
            <span className="mono small">{wire.pin}</span> {wire.colour}
          </li>
        ))}
      </ol>
      <Button onClick={() => setSide(other)}>{say`${SIDES[side]} shown: look at the ${SIDES[other]}`}</Button>
    </div>
  );
}
