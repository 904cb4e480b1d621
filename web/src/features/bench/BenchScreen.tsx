/** The bench: what wants hands now, what goes back, what is done; any unit is found by typing. */
import { LIST_FIRST, type JobListItem } from '@amber-gauge/contract';
import Button from '@mui/material/Button';
import { useDeferredValue, useEffect, useRef, useState } from 'react';
import { Link } from 'react-router';
import { useBench, useJobSearch } from '../../shared/api/queries.js';
import { Field } from '../../shared/ui/Field.js';
import { fieldHasFocus } from '../../shared/ui/focus.js';
import { Due } from './Due.js';
import { BenchRow } from './BenchRow.js';
import { MoreRows } from './MoreRows.js';
import classes from './Bench.module.css';
import { say } from '@amber-gauge/core/words';

type Kind = JobListItem['next']['kind'];
type Counts = Readonly<Record<Kind, number>>;

const GROUPS: readonly { readonly kind: Kind; readonly title: string }[] = [
  { kind: 'hands', title: say`Wants hands` },
  { kind: 'waits', title: say`Runs by itself` },
  { kind: 'back', title: say`Goes back` },
  { kind: 'done', title: say`Handed back` },
];

export function BenchScreen() {
  const { data, isPending, error } = useBench();
  const [text, setText] = useState('');
  const wanted = useDeferredValue(text.trim());
  const field = useSearchKey();
  const unreadable = data?.unreadable ?? [];
  return (
    <main className={classes.bench}>
      <div className={classes.head}>
        <h1 className="prompt">{data?.counts ? heading(data.counts) : say`Bench`}</h1>
        <Field
          className={classes.find ?? ''}
          label={say`Find a unit`}
          value={text}
          onChange={(event) => setText(event.target.value)}
          inputRef={field}
          type="search"
          placeholder={say`number, name, customer`}
          autoComplete="off"
        />
        <Button
          component={Link}
          to="/take-in"
          variant="contained"
          className={classes.main ?? ''}
          title={say`Key n`}
        >{say`Take in a unit`}</Button>
      </div>
      {isPending && <p className="quiet">{say`Fetching the jobs.`}</p>}
      {error && <p className="danger">{say`${error.message} The list comes back by itself.`}</p>}
      {unreadable.length > 0 && (
        <p
          className="danger"
          role="alert"
        >{say`${unreadable.length === 1 ? say`One unit` : say`${unreadable.length} units`} cannot be shown: what is
          kept of ${unreadable.map(({ number }) => `no. ${number}`).join(', ')} cannot be read. The others are
          whole.`}</p>
      )}
      {data?.jobs.length === 0 && (
        <p>{say`No jobs yet. Take in the first unit, or measure one at the speed desk and file it later.`}</p>
      )}
      {wanted ? (
        <Found text={wanted} />
      ) : (
        <>
          {data && GROUPS.map((group) => <Group key={group.kind} {...group} data={data} />)}
          <Due />
        </>
      )}
    </main>
  );
}

/** The newest of one kind, and a way to the older ones. */
function Group({
  kind,
  title,
  data,
}: {
  readonly kind: Kind;
  readonly title: string;
  readonly data: { readonly jobs: readonly JobListItem[]; readonly counts: Counts | null };
}) {
  // Units with timers come along from further down: the pages begin behind the first of the rows in order.
  const rows = data.jobs
    .filter((item) => item.next.kind === kind)
    .sort((a, b) => (a.movedAt < b.movedAt ? 1 : -1))
    .slice(0, LIST_FIRST[kind]);
  const last = rows.at(-1);
  if (!last) return null;
  const left = (data.counts?.[kind] ?? 0) - rows.length;
  return (
    <section aria-label={title} className={classes.group}>
      <h2 className={classes.title}>{title}</h2>
      <ul>
        {rows.map((item) => (
          <BenchRow key={item.job.id} item={item} />
        ))}
      </ul>
      {left > 0 && <MoreRows kind={kind} after={last} left={left} />}
    </section>
  );
}

function Found({ text }: { readonly text: string }) {
  const { data: rows, error } = useJobSearch(text);
  return (
    <section aria-label={say`Found`} className={classes.group}>
      <h2 className={classes.title} role="status">
        {foundWords(rows, text)}
      </h2>
      {error && <p className="danger">{error.message}</p>}
      <ul>
        {rows?.map((item) => (
          <BenchRow key={item.job.id} item={item} />
        ))}
      </ul>
    </section>
  );
}

function foundWords(rows: readonly JobListItem[] | undefined, text: string): string {
  if (!rows) return say`Looking`;
  if (rows.length === 0) return say`Nothing holds “${text}”. Try fewer letters, or the job’s number.`;
  return rows.length < LIST_FIRST.hands
    ? say`${rows.length} found`
    : say`The ${rows.length} newest that hold it; type more`;
}

/** The field, which the key / brings the cursor to. */
function useSearchKey() {
  const field = useRef<HTMLInputElement>(null);
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.key !== '/' || event.ctrlKey || event.metaKey || event.altKey || fieldHasFocus()) return;
      event.preventDefault();
      field.current?.focus();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);
  return field;
}

function heading({ hands, waits, back }: Counts): string {
  if (hands + waits + back === 0) return say`The bench is clear`;
  return [
    hands > 0 && (hands === 1 ? say`1 wants hands` : say`${hands} want hands`),
    waits > 0 && (waits === 1 ? say`1 runs by itself` : say`${waits} run by themselves`),
    back > 0 && (back === 1 ? say`1 goes back` : say`${back} go back`),
  ]
    .filter(Boolean)
    .join(', ');
}
