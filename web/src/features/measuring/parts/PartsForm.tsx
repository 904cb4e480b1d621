/** Turning parts whose rates the person knows: each lets the wow be given to it. */
import { fixed, numberIn } from '@amber-gauge/core/quantity';
import Button from '@mui/material/Button';
import { Field } from '../../../shared/ui/Field.js';
import { useState } from 'react';
import type { OwnPart } from '../useParts.js';
import classes from './Speed.module.css';
import { say } from '@amber-gauge/core/words';

interface Props {
  readonly own: readonly OwnPart[];
  readonly onOwn: (parts: readonly OwnPart[]) => void;
}

export function PartsForm({ own, onOwn }: Props) {
  const [name, setName] = useState('');
  const [rpm, setRpm] = useState('');
  const turns = numberIn(rpm);
  const add = () => {
    if (!name.trim() || turns === null || turns <= 0) return;
    onOwn([...own, { name: name.trim(), hz: turns / 60 }]);
    setName('');
    setRpm('');
  };
  return (
    <details className={classes.partsForm}>
      <summary>{say`Turning parts:
        ${own.length === 0 ? say`add pulley, idler, motor` : own.map((part) => part.name).join(', ')}`}</summary>
      <ul>
        {own.map((part) => (
          <li key={part.name} className="row">
            <span>
              {part.name}, {fixed(60 * part.hz, 1)} rpm ({fixed(part.hz, 3)} Hz)
            </span>
            <Button size="small" onClick={() => onOwn(own.filter((one) => one !== part))}>{say`Take out`}</Button>
          </li>
        ))}
      </ul>
      <div className="row">
        <Field label={say`Part`} value={name} onChange={(event) => setName(event.target.value)} />
        <Field
          label={say`Turns a minute`}
          value={rpm}
          onChange={(event) => setRpm(event.target.value)}
          slotProps={{ htmlInput: { inputMode: 'decimal' } }}
        />
        <Button
          variant="outlined"
          disabled={!name.trim() || turns === null || turns <= 0}
          onClick={add}
        >{say`Add`}</Button>
      </div>
    </details>
  );
}
