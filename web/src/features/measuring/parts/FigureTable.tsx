/** The figures, each named; each opens to its working. Beside an earlier run, both stand in a row. */
import type { RunFigures } from '@amber-gauge/contract';
import { runOfFigures } from '@amber-gauge/contract';
import { workingsOf } from '@amber-gauge/core/speed';
import classes from './Speed.module.css';
import { say } from '@amber-gauge/core/words';

interface Props {
  readonly figures: RunFigures;
  readonly before?: RunFigures | null;
}

export function FigureTable({ figures, before = null }: Props) {
  const rows = workingsOf(runOfFigures(figures));
  const earlier = before && new Map(workingsOf(runOfFigures(before)).map((row) => [row.id, row.value]));
  return (
    <div className={classes.figures}>
      {earlier && (
        <p className={classes.figureHead}>
          <span />
          <span>{say`before`}</span>
          <span>{say`now`}</span>
        </p>
      )}
      {rows.map((row) => (
        <details key={row.id} className={classes.figure} data-figure={row.id}>
          <summary className={earlier ? classes.threeUp : ''}>
            <span>
              {row.name} <span className="quiet">{row.definition}</span>
            </span>
            {earlier && <span className="mono quiet">{earlier.get(row.id) ?? '–'}</span>}
            <span className="mono">{row.value}</span>
          </summary>
          <ul>
            {row.steps.map((step) => (
              <li key={step}>{step}</li>
            ))}
          </ul>
        </details>
      ))}
    </div>
  );
}
