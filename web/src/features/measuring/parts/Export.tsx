/** A run out as a file: CSV for a spreadsheet, JSON whole. */
import { runFileOf, runToCsv, runToJson, type Run } from '@amber-gauge/contract';
import Button from '@mui/material/Button';
import { download } from '../../../shared/ui/download.js';
import { say } from '@amber-gauge/core/words';

interface Props {
  readonly run: Run;
  readonly sourceName: string | null;
}

export function Export({ run, sourceName }: Props) {
  const file = runFileOf(run, sourceName);
  const name = `${run.fileName.replace(/\.[a-z0-9]+$/i, '').replace(/[^\p{L}\p{N}._-]+/gu, '-') || 'run'}-speed`;
  return (
    <div className="row">
      <Button
        variant="outlined"
        onClick={() => download(`${name}.csv`, 'text/csv', runToCsv(file))}
      >{say`Export CSV`}</Button>
      <Button
        variant="outlined"
        onClick={() => download(`${name}.json`, 'application/json', runToJson(file))}
      >{say`Export JSON`}</Button>
      <span className="small quiet">
        {run.sha256 === null ? say`nothing was recorded` : say`recording’s SHA-256 ${run.sha256.slice(0, 12)}…`}
      </span>
    </div>
  );
}
