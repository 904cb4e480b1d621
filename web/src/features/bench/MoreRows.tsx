/** The next page of a list, fetched when it is asked for. */
import type { JobListItem } from '@amber-gauge/contract';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { useJobsAfter } from '../../shared/api/queries.js';
import { BenchRow } from './BenchRow.js';
import { say } from '@amber-gauge/core/words';

interface Props {
  readonly kind: JobListItem['next']['kind'];
  readonly after: JobListItem;
  /** How many there are behind it. */
  readonly left: number;
}

export function MoreRows({ kind, after, left }: Props) {
  const [open, setOpen] = useState(false);
  if (open) return <Page kind={kind} after={after} left={left} />;
  return <Button variant="outlined" onClick={() => setOpen(true)}>{say`${left} more`}</Button>;
}

function Page({ kind, after, left }: Props) {
  const { data: rows, error } = useJobsAfter(kind, after);
  if (error) return <p className="danger">{error.message}</p>;
  if (!rows) return <p className="quiet">{say`Fetching older ones.`}</p>;
  const last = rows.at(-1);
  return (
    <>
      <ul>
        {rows.map((item) => (
          <BenchRow key={item.job.id} item={item} />
        ))}
      </ul>
      {last && left > rows.length && <MoreRows kind={kind} after={last} left={left - rows.length} />}
    </>
  );
}
