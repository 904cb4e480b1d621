/** That a trim was turned: as said with one key, or otherwise in turns. */
import { numberIn } from '@amber-gauge/core/quantity';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { Field } from '../../../shared/ui/Field.js';
import classes from './Coach.module.css';
import { say } from '@amber-gauge/core/words';

interface Props {
  /** Turns that were advised; null where only a typed number answers. */
  readonly advised: number | null;
  readonly label?: string;
  readonly onTurned: (turns: number | null) => void;
}

export function TurnedField({
  advised,
  label = say`Turned otherwise: turns, − for counter-clockwise`,
  onTurned,
}: Props) {
  const [typed, setTyped] = useState('');
  const turns = numberIn(typed);
  const good = turns !== null && Math.abs(turns) <= 100;
  return (
    <div className="row" style={{ alignItems: 'flex-end' }}>
      {advised !== null && (
        <Button
          variant="contained"
          className={classes.done ?? ''}
          onClick={() => onTurned(advised)}
        >{say`Turned`}</Button>
      )}
      <Field label={label} value={typed} onChange={(event) => setTyped(event.target.value)} sx={{ width: 420 }} />
      <Button
        variant="outlined"
        disabled={!good}
        onClick={() => {
          onTurned(turns);
          setTyped('');
        }}
      >{say`Keep it`}</Button>
    </div>
  );
}
