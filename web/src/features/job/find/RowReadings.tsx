/** Several readings of one test as a row, kept as one answer: every joint of a line, three pairs of windings. */
import { readCell, readRow } from '@amber-gauge/core/diagnosis';
import type { PathTest } from '@amber-gauge/core/families';
import Button from '@mui/material/Button';
import { useState } from 'react';
import stages from '../stages/Stages.module.css';
import classes from './Find.module.css';
import { say } from '@amber-gauge/core/words';

interface Props {
  readonly test: PathTest;
  readonly labels: readonly string[];
  readonly unit: string;
  readonly onAnswer: (outcome: string, words: string) => void;
}

export function RowReadings({ test, labels, unit, onAnswer }: Props) {
  const [typed, setTyped] = useState<readonly string[]>(() => labels.map(() => ''));
  const values = typed.map(readCell);
  const missing = labels.filter((_label, i) => values[i] === null);
  const wrong = labels.filter((_label, i) => typed[i]?.trim() !== '' && values[i] === null);
  const read = missing.length === 0 ? readRow(test, values as number[]) : null;
  const keep = () => {
    if (read?.kind !== 'answer') return;
    onAnswer(read.outcome, read.words);
    setTyped(labels.map(() => ''));
  };
  return (
    <div className="stack">
      <div className={classes.rowCells}>
        {labels.map((label, i) => (
          <label key={label} className={classes.rowCell}>
            <span>{label}</span>
            <input
              className={stages.field}
              value={typed[i] ?? ''}
              placeholder={unit}
              autoComplete="off"
              aria-invalid={wrong.includes(label)}
              onChange={(event) => setTyped(typed.map((one, j) => (j === i ? event.target.value : one)))}
              onKeyDown={(event) => event.key === 'Enter' && keep()}
            />
          </label>
        ))}
      </div>
      {wrong.length > 0 && <p className="danger">{say`${wrong.join(', ')}: type a number, or open.`}</p>}
      {read?.kind === 'unusable' && <p className="danger">{read.message}</p>}
      <div>
        <Button
          variant="contained"
          className={stages.keep ?? ''}
          disabled={read?.kind !== 'answer'}
          onClick={keep}
        >{say`Keep the row`}</Button>
      </div>
    </div>
  );
}
