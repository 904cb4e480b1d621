/** The bench: what wants hands now, what goes back, what is done. */
import type { JobListItem } from '@amber-gauge/contract';
import Button from '@mui/material/Button';
import { Link } from 'react-router';
import { useJobs } from '../../shared/api/queries.js';
import { BenchRow } from './BenchRow.js';
import classes from './Bench.module.css';

const GROUPS: readonly { readonly kind: JobListItem['next']['kind']; readonly title: string }[] = [
  { kind: 'hands', title: 'Wants hands' },
  { kind: 'waits', title: 'Runs by itself' },
  { kind: 'back', title: 'Goes back' },
  { kind: 'done', title: 'Handed back' },
];

export function BenchScreen() {
  const { data: jobs, isPending, error } = useJobs();
  return (
    <main className={classes.bench}>
      <div className={classes.head}>
        <h1 className="prompt">{heading(jobs)}</h1>
        <Button component={Link} to="/take-in" variant="contained" className={classes.main ?? ''} title="Key n">
          Take in a unit
        </Button>
      </div>
      {isPending && <p className="quiet">Fetching the jobs.</p>}
      {error && <p className="danger">{error.message} The list comes back by itself.</p>}
      {jobs?.length === 0 && (
        <p>No jobs yet. Take in the first unit, or measure one at the speed desk and file it later.</p>
      )}
      {GROUPS.map((group) => {
        const rows = jobs?.filter((item) => item.next.kind === group.kind) ?? [];
        if (rows.length === 0) return null;
        return (
          <section key={group.kind} aria-label={group.title} className={classes.group}>
            <h2 className={classes.title}>{group.title}</h2>
            <ul>
              {rows.map((item) => (
                <BenchRow key={item.job.id} item={item} />
              ))}
            </ul>
          </section>
        );
      })}
    </main>
  );
}

function heading(jobs: readonly JobListItem[] | undefined): string {
  const hands = jobs?.filter((item) => item.next.kind === 'hands').length ?? 0;
  const waits = jobs?.filter((item) => item.next.kind === 'waits').length ?? 0;
  const back = jobs?.filter((item) => item.next.kind === 'back').length ?? 0;
  if (!jobs) return 'Bench';
  if (hands + waits + back === 0) return 'The bench is clear';
  return [
    hands > 0 && `${hands} want${hands === 1 ? 's' : ''} hands`,
    waits > 0 && (waits === 1 ? '1 runs by itself' : `${waits} run by themselves`),
    back > 0 && `${back} go${back === 1 ? 'es' : ''} back`,
  ]
    .filter(Boolean)
    .join(', ');
}
