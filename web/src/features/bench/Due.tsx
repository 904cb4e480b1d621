/** What is due again: units that went back and are looked at once more, soonest first; also as a calendar. */
import { followUpListSchema } from '@amber-gauge/contract';
import { FOLLOW_UP_WORDS, jobNumber, unitName } from '@amber-gauge/core/bench';
import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { call } from '../../shared/api/client.js';
import { serverNow } from '../../shared/outbox/clock.js';
import classes from './Bench.module.css';
import { say } from '@amber-gauge/core/words';

/** Shown when due within so many days. */
const SOON_DAYS = 14;
const DAY_MS = 86_400_000;

export function Due() {
  const { data } = useQuery({
    queryKey: ['follow-ups'],
    queryFn: ({ signal }) => call('/follow-ups', followUpListSchema, { signal }),
  });
  const now = serverNow().getTime();
  const today = new Date(now).toISOString().slice(0, 10);
  const until = new Date(now + SOON_DAYS * DAY_MS).toISOString().slice(0, 10);
  const soon = (data?.due ?? []).filter(({ on }) => on <= until);
  if (!data || data.due.length === 0) return null;
  return (
    <section aria-label={say`Due again`} className={classes.group}>
      <h2 className={classes.title}>{say`Due again`}</h2>
      <ul>
        {soon.map(({ job, key, why, what, on }) => (
          <li key={key}>
            <Link className={classes.due} to={`/job/${job.id}/hand-back`}>
              <span className="mono">{on}</span>
              <span>
                {on < today && <strong>{say`overdue: `}</strong>}
                {what}
              </span>
              <span className="small quiet">
                {jobNumber(job.number)} {unitName(job)}, {job.customer}; {FOLLOW_UP_WORDS[why].toLowerCase()}
              </span>
            </Link>
          </li>
        ))}
      </ul>
      <p className="small quiet">
        {data.due.length - soon.length > 0 && say`${data.due.length - soon.length} later. `}
        <a href="/api/v1/follow-ups.ics">{say`All as a calendar file`}</a>
      </p>
    </section>
  );
}
