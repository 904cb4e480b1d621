/** Runs that belong to no job yet, newest first; any of them can be laid under the one shown. */
import type { RunBrief } from '@amber-gauge/contract';
import { fixed, signed, errorDecimals } from '@amber-gauge/core/quantity';
import Button from '@mui/material/Button';
import { wayOf } from '../ways/way.js';
import { when } from '../../../shared/ui/when.js';
import classes from '../Desk.module.css';
import { said, say } from '@amber-gauge/core/words';

interface Props {
  readonly runs: readonly RunBrief[];
  readonly chosen: string | null;
  readonly onChoose: (id: string) => void;
  readonly compared: string | null;
  readonly onCompare: (id: string) => void;
}

export function RunList({ runs, chosen, onChoose, compared, onCompare }: Props) {
  if (runs.length === 0)
    return <p className="quiet">{say`No runs without a job. What is measured here stands here until it is filed.`}</p>;
  return (
    <section aria-label={say`Runs without a job`} className={classes.runs}>
      {runs.map((run) => (
        <div key={run.id} className={classes.runRow}>
          <button
            type="button"
            className={classes.run}
            aria-pressed={run.id === chosen}
            onClick={() => onChoose(run.id)}
          >
            <span className="mono small quiet">{when(run.measuredAt)}</span>
            <span>{run.fileName}</span>
            <span className="mono">{figureOf(run)}</span>
            <span className="small quiet">{run.hasRecording ? say`sound kept` : said(wayOf(run.figures.detail))}</span>
          </button>
          <Button
            variant={run.id === compared ? 'contained' : 'outlined'}
            disabled={run.id === chosen}
            onClick={() => onCompare(run.id)}
          >
            {run.id === compared ? say`compared` : say`compare`}
          </Button>
        </div>
      ))}
    </section>
  );
}

function figureOf({ figures }: RunBrief): string {
  const u = figures.expandedPercent;
  const spread = `± ${fixed(u, errorDecimals(u))} %`;
  if (figures.errorPercent === null) return `${fixed(figures.mean, 0)} rpm ${spread}`;
  return `${signed(figures.errorPercent, errorDecimals(u))} ${spread}`;
}
