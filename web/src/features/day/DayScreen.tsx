/** The day plan: what the hands do next and what runs meanwhile; dragged to the front a job comes first. */
import { dayFirstSchema, dayPlanSchema, type DayPlanInput } from '@amber-gauge/contract';
import { jobNumber, unitName, type DayPlan } from '@amber-gauge/core/bench';
import { fixed } from '@amber-gauge/core/quantity';
import Button from '@mui/material/Button';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useCallback, useEffect, useMemo, useState } from 'react';
import { Link } from 'react-router';
import { call } from '../../shared/api/client.js';
import { lazyPart } from '../../shared/ui/lazyPart.js';
import { notice } from '../../shared/ui/Notice.js';
import { useNow } from '../../shared/ui/useNow.js';
import { planner } from '../../workers/client.js';
import { axisStart, planInput } from './input.js';
import classes from './Day.module.css';
import { say } from '@amber-gauge/core/words';

const Chart = lazyPart(() => import('./DayChart.js').then((module) => module.DayChart));

/** The plan is made again this often, and whenever a job changes. */
const AGAIN_MS = 60_000;
const DAY_MIN = 1440;
/** So many jobs at most are put first by hand. */
const MOST_FIRST = 100;

export function DayScreen() {
  const { data, error } = useQuery({
    queryKey: ['day-plan'],
    queryFn: ({ signal }) => call('/day-plan', dayPlanSchema, { signal }),
    refetchInterval: AGAIN_MS,
  });
  const now = useNow(AGAIN_MS);
  const client = useQueryClient();
  const first = data?.first;
  const pinned = useMemo(() => first ?? [], [first]);
  /** Kept by the server: every device plans the same day. */
  const putFirst = (next: readonly string[]) => {
    client.setQueryData<DayPlanInput>(['day-plan'], (old) => old && { ...old, first: [...next] });
    call('/day-plan/first', dayFirstSchema, { method: 'PUT', body: { first: next } })
      .catch(() => notice(say`The order was not kept: the server does not answer.`))
      .finally(() => void client.invalidateQueries({ queryKey: ['day-plan'] }));
  };
  const [plan, setPlan] = useState<DayPlan | null>(null);
  const input = useMemo(() => data && planInput(data, now), [data, now]);
  useEffect(() => {
    if (!input) return;
    let asked = true;
    void planner()
      .plan(input.jobs, input.bench, pinned)
      .then((made) => asked && setPlan(made));
    return () => void (asked = false);
  }, [input, pinned]);
  const jobs = useMemo(() => new Map(data?.jobs.map((one) => [one.job.id, one.job])), [data]);
  const name = useCallback(
    (id: string) => {
      const job = jobs.get(id);
      return job ? `${jobNumber(job.number)} ${unitName(job)}` : '';
    },
    [jobs],
  );
  const start = useMemo(() => axisStart(now), [now]);
  if (error) return <p className="danger">{error.message}</p>;
  if (!data || !input || !plan) return <p className="quiet">{say`Planning the day.`}</p>;
  const clock = (minute: number) => clockOf(start, minute);
  const toFront = (id: string) =>
    putFirst([id, ...pinned.filter((one) => one !== id && jobs.has(one))].slice(0, MOST_FIRST));
  const next = plan.laid.find((one) => one.handsEndMin > one.startMin) ?? null;
  return (
    <main className={classes.day}>
      <h1 className="prompt">
        {next ? `${clock(next.startMin)}: ${next.block.words}, ${name(next.jobId)}` : say`Nothing wants hands`}
      </h1>
      <p className="quiet">{quality(plan)}</p>
      {plan.laid.length > 0 && <Chart plan={plan} open={input.bench.open} name={name} start={start} />}
      {pinned.some((id) => jobs.has(id)) && (
        <p>
          {say`First, because you said so: ${pinned
            .filter((id) => jobs.has(id))
            .map(name)
            .join(', ')}. `}
          <Button onClick={() => putFirst([])}>{say`Plan it freely again`}</Button>
        </p>
      )}
      <ol className={classes.list} aria-label={say`Blocks`}>
        {plan.laid.map((one) => (
          <li
            key={`${one.jobId} ${one.block.id}`}
            className={classes.row}
            draggable
            onDragStart={(event) => event.dataTransfer.setData('text/plain', one.jobId)}
            onDragOver={(event) => event.preventDefault()}
            onDrop={(event) => {
              const dragged = event.dataTransfer.getData('text/plain');
              if (jobs.has(dragged) && dragged !== one.jobId) toFront(dragged);
            }}
          >
            <span className="mono">{clock(one.startMin)}</span>
            <span>
              {one.block.words}, {fixed(one.block.handsMin, 0)} min
              {one.block.waitMin > 0 && (
                <span className="quiet">{say`, then ${waitWords(one.block.waitMin)} by itself`}</span>
              )}
            </span>
            <Link to={`/job/${one.jobId}`}>{name(one.jobId)}</Link>
            <span className="small quiet">{one.why}</span>
            <Button onClick={() => toFront(one.jobId)} aria-label={say`First: ${name(one.jobId)}`}>{say`First`}</Button>
          </li>
        ))}
      </ol>
      {data.more > 0 && (
        <p className="quiet">{say`${data.more} open jobs that moved longest ago are not in the plan.`}</p>
      )}
    </main>
  );
}

/** "Tue 09:30" from minutes on the axis; today without its day. */
function clockOf(start: Date, minute: number): string {
  const at = new Date(start.getTime() + minute * 60_000);
  const time = `${String(at.getHours()).padStart(2, '0')}:${String(at.getMinutes()).padStart(2, '0')}`;
  return minute < DAY_MIN ? time : `${at.toLocaleDateString('en-GB', { weekday: 'short', day: 'numeric' })} ${time}`;
}

const waitWords = (minutes: number): string =>
  minutes < 120 ? `${fixed(minutes, 0)} min` : `${fixed(minutes / 60, 0)} h`;

/** How near the plan comes to what no plan can beat, and to first-come. */
function quality({ cost, bound, firstComeCost }: DayPlan): string {
  if (bound <= 0) return '';
  const over = (100 * (cost - bound)) / bound;
  const saved = (100 * (firstComeCost - cost)) / firstComeCost;
  return say`At most ${fixed(over, 1)} % over what no plan can beat; ${fixed(saved, 1)} % less waiting than first
    come, first served.`;
}
