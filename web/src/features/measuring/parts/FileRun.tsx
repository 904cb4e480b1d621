/** Filing a run to a job: it becomes a line of that job's log. */
import { runSchema, type Run } from '@amber-gauge/contract';
import { jobNumber, unitName, type SpeedBody } from '@amber-gauge/core/bench';
import { type FamilySpeed } from '@amber-gauge/core/families';
import Button from '@mui/material/Button';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import { useState } from 'react';
import { call } from '../../../shared/api/client.js';
import { keys, queryClient, useOpenJobs } from '../../../shared/api/queries.js';
import { notice } from '../../../shared/ui/Notice.js';
import { makeLine, submitLines } from '../../../shared/outbox/outbox.js';
import { say } from '@amber-gauge/core/words';

interface Props {
  readonly run: Run;
  readonly speed: FamilySpeed;
  readonly reading: SpeedBody;
  readonly familyId: string;
  readonly onFiled: () => void;
}

export function FileRun({ run, speed, reading, familyId, onFiled }: Props) {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const jobs = (useOpenJobs(familyId).data ?? []).filter((item) => item.job.speedIds.includes(speed.id));
  const file = async (jobId: string, number: number) => {
    setAnchor(null);
    try {
      await call(`/runs/${run.id}/file`, runSchema, { method: 'POST', body: { jobId } });
      await submitLines(jobId, makeLine('take-in', reading, new Date(run.measuredAt)));
      await queryClient.invalidateQueries({ queryKey: keys.runs(null) });
      notice(say`Filed to ${jobNumber(number)}, ${speed.label}`);
      onFiled();
    } catch (error) {
      notice(error instanceof Error ? error.message : say`It could not be filed.`);
    }
  };
  return (
    <>
      <Button variant="outlined" onClick={(event) => setAnchor(event.currentTarget)}>{say`File to a job`}</Button>
      <Menu open={anchor !== null} anchorEl={anchor} onClose={() => setAnchor(null)}>
        {jobs.length === 0 && <MenuItem disabled>{say`No open job of this kind has ${speed.label}`}</MenuItem>}
        {jobs.map(({ job }) => (
          <MenuItem
            key={job.id}
            onClick={() => void file(job.id, job.number)}
          >{say`${jobNumber(job.number)} ${unitName(job)}, as ${speed.label}`}</MenuItem>
        ))}
      </Menu>
    </>
  );
}
