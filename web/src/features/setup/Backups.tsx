/** Backups: the newest by name, one more now, and whether the newest comes back whole. */
import { backupStateSchema, type BackupState } from '@amber-gauge/contract';
import { fixed } from '@amber-gauge/core/quantity';
import Button from '@mui/material/Button';
import { useMutation, useQuery } from '@tanstack/react-query';
import { call } from '../../shared/api/client.js';
import { queryClient } from '../../shared/api/queries.js';
import { when } from '../../shared/ui/when.js';
import classes from './Setup.module.css';
import { say } from '@amber-gauge/core/words';

const KEY = ['backups'] as const;

/** When data was last put aside, and where. */
export function Backups() {
  const { data: state, error } = useQuery({
    queryKey: KEY,
    queryFn: ({ signal }) => call('/backups', backupStateSchema.nullable(), { signal }),
    retry: 0,
  });
  const change = useMutation({
    mutationFn: (path: '/backups' | '/backups/try') => call(path, backupStateSchema, { method: 'POST', body: {} }),
    onSuccess: (fresh) => queryClient.setQueryData(KEY, fresh),
  });
  if (state === undefined && error) return <p className="danger">{error.message}</p>;
  if (state === undefined) return <p className="quiet">{say`Looking for backups.`}</p>;
  if (state === null) return <p>{say`This server keeps no backups by itself.`}</p>;
  return (
    <div className={classes.backups}>
      <p>{newestWords(state)}</p>
      {triedWords(state) && <p className={state.drill?.trouble ? 'danger' : undefined}>{triedWords(state)}</p>}
      {state.trouble && <p className="danger">{state.trouble}</p>}
      <div className="row">
        <Button
          variant="contained"
          onClick={() => change.mutate('/backups')}
          disabled={change.isPending}
        >{say`Back up now`}</Button>
        {state.newest && (
          <Button
            variant="outlined"
            onClick={() => change.mutate('/backups/try')}
            disabled={change.isPending}
          >{say`Try the newest`}</Button>
        )}
        <span>{change.isPending ? say`A moment.` : say`One is made every day while the server runs.`}</span>
        {change.error && <span className="danger">{change.error.message}</span>}
      </div>
    </div>
  );
}

/** "2026-03-01T10-00-00-daily.pgdump: 10:00, 24 jobs, 310 lines, 1.2 MB. 7 older kept." */
export function newestWords({ newest, kept }: BackupState): string {
  if (!newest) return say`There is no backup yet. The first is made half a minute after the start.`;
  const rows = say`${newest.jobs} jobs, ${newest.lines} lines`;
  const whole = `${newest.name}: ${when(newest.madeAt)}, ${rows}, ${fixed(newest.bytes / 1e6, 1)} MB.`;
  return kept > 1 ? say`${whole} ${kept - 1} older kept.` : whole;
}

/** What the try said, where it was of the backup that is the newest now. */
export function triedWords({ newest, drill }: BackupState): string | null {
  if (!drill || drill.name !== newest?.name) return null;
  return drill.trouble ?? say`Tried ${when(drill.at)}: it comes back whole, every row counted.`;
}
