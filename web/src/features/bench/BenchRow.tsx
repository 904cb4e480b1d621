/** One job on the bench: what it wants next is the largest thing in its row. */
import type { JobListItem } from '@amber-gauge/contract';
import {
  countdown,
  isLive,
  isRunning,
  jobNumber,
  jobTolerance,
  POWER_WORDS,
  speedWords,
  STAGE_NAMES,
  unitName,
} from '@amber-gauge/core/bench';
import { familyOf } from '@amber-gauge/core/families';
import { Link } from 'react-router';
import { RibbonSmall } from '../../shared/ribbon/RibbonSmall.js';
import { PowerShape } from '../../shared/shapes/PowerShape.js';
import { useNow } from '../../shared/ui/useNow.js';
import { when } from '../../shared/ui/when.js';
import classes from './Bench.module.css';

export function BenchRow({ item }: { readonly item: JobListItem }) {
  const { job, next } = item;
  const now = useNow(1000);
  const limits = jobTolerance(job);
  const hasName = job.make !== '' || job.model !== '';
  return (
    <li>
      <Link className={classes.row} to={`/job/${job.id}/${next.stage}`}>
        <span className={`mono ${classes.number}`}>{jobNumber(job.number)}</span>
        <span className={classes.wish}>
          <span className={classes.next}>
            {next.text}
            {next.until && <span className={`mono ${classes.count}`}>{countdown(next.until, now)}</span>}
          </span>
          <span className={`small quiet ${classes.sub}`}>
            {STAGE_NAMES[next.stage]}
            {item.timers
              .filter((timer) => timer.dueAt !== next.until && isRunning({ ...timer, end: null }, now))
              .map((timer) => (
                <span key={timer.key}>
                  {timer.label} <span className="mono">{countdown(timer.dueAt, now)}</span>
                </span>
              ))}
            {isLive(item.power) && (
              <span className={classes.live}>
                <PowerShape state={item.power} size={28} /> {POWER_WORDS[item.power]}
              </span>
            )}
          </span>
        </span>
        <span className={classes.unit}>
          <span>{unitName(job)}</span>
          <span className="small quiet">
            {[hasName ? familyOf(job.familyId).name : '', job.customer].filter(Boolean).join(', ')}
          </span>
        </span>
        <span className={classes.speeds}>
          {item.speeds
            .filter((speed) => speed.reading)
            .map((speed) => (
              <span key={speed.speedId} className={classes.speed}>
                <span className="small quiet">{speed.label}</span>
                {speed.reading && (
                  <>
                    {speed.reading.errorPercent !== null || !speed.reading.turned ? (
                      <RibbonSmall reading={speed.reading} limits={limits} width={140} />
                    ) : (
                      <span />
                    )}
                    <span className={`mono small ${classes.value}`}>{speedWords(speed.reading)}</span>
                  </>
                )}
              </span>
            ))}
        </span>
        <span className={`small quiet ${classes.at}`}>{when(item.lastAt ?? job.createdAt)}</span>
      </Link>
    </li>
  );
}
