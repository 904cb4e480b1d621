/** Two versions of the same thing, field by field; nothing is overwritten before one was chosen. */
import { ownEntry } from '@amber-gauge/core/quantity';
import Button from '@mui/material/Button';
import classes from './ConflictChoice.module.css';
import { say } from '@amber-gauge/core/words';

interface Props {
  readonly mine: object;
  readonly theirs: object;
  readonly onMine: () => void;
  readonly onTheirs: () => void;
}

export function ConflictChoice({ mine, theirs, onMine, onTheirs }: Props) {
  const differing = Object.entries(mine).filter(
    ([key, value]) => text(value) !== text(ownEntry(theirs as Record<string, unknown>, key)),
  );
  return (
    <div className="stack" role="alert">
      <p>{say`Somebody changed this while you typed. Both versions:`}</p>
      <table className={classes.table}>
        <thead>
          <tr>
            <th />
            <th>{say`yours`}</th>
            <th>{say`kept meanwhile`}</th>
          </tr>
        </thead>
        <tbody>
          {differing.map(([key, value]) => (
            <tr key={key}>
              <td className="quiet">{key}</td>
              <td>{text(value)}</td>
              <td>{text(ownEntry(theirs as Record<string, unknown>, key))}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <div className="row">
        <Button variant="contained" onClick={onMine}>{say`Keep mine`}</Button>
        <Button variant="outlined" onClick={onTheirs}>{say`Keep theirs`}</Button>
      </div>
    </div>
  );
}

function text(value: unknown): string {
  if (value === null || value === undefined) return '';
  return typeof value === 'object' ? JSON.stringify(value) : String(value);
}
