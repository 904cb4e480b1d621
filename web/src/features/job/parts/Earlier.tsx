/** Was it here before? Jobs of the same unit that went back: a return is linked, and counts against the earlier mend. */
import { bookPageSchema } from '@amber-gauge/contract';
import { jobNumber, modelOf, type StageId } from '@amber-gauge/core/bench';
import Button from '@mui/material/Button';
import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { call } from '../../../shared/api/client.js';
import { makeLine, submitLines } from '../../../shared/outbox/outbox.js';
import type { JobView } from '../useJobView.js';
import classes from '../stages/Stages.module.css';
import { say } from '@amber-gauge/core/words';

export function Earlier({ view, stage }: { readonly view: JobView; readonly stage: StageId }) {
  const { job } = view;
  const model = modelOf(job);
  const { data } = useQuery({
    queryKey: ['earlier', job.id, model],
    enabled: model !== '',
    queryFn: ({ signal }) =>
      call(`/book?${new URLSearchParams({ model, state: 'handed' }).toString()}`, bookPageSchema, { signal }),
  });
  const { returned } = view.state;
  if (returned)
    return (
      <p>
        {say`Came back: `}
        <Link to={`/job/${returned.jobId}`}>{jobNumber(returned.number)}</Link>,{' '}
        {returned.same ? say`the same complaint again` : say`with another complaint`}.
      </p>
    );
  const same = (data?.rows ?? []).filter(
    ({ job: other }) =>
      other.id !== job.id &&
      other.createdAt < job.createdAt &&
      // Neither number nor owner: nothing says that it is the same.
      (job.serial !== '' ? other.serial === job.serial : job.customer !== '' && other.customer === job.customer),
  );
  const [last] = same;
  if (!last) return null;
  const tell = (again: boolean) =>
    void submitLines(
      job.id,
      makeLine(stage, { kind: 'return', number: last.job.number, jobId: last.job.id, same: again }),
    );
  return (
    <section aria-label={say`Here before`} className={classes.ask}>
      <p>
        {say`It was here before: `}
        <Link to={`/job/${last.job.id}`}>{jobNumber(last.job.number)}</Link>
        {say`, handed back `}
        {last.handedAt?.slice(0, 10)}: {last.job.complaint || say`no complaint written`}.
      </p>
      <Button variant="outlined" onClick={() => tell(true)}>{say`Back with the same`}</Button>
      <Button variant="outlined" onClick={() => tell(false)}>{say`Back with another`}</Button>
    </section>
  );
}
