/** The Book: every job, found by words or by field; then the figures of the shop. */
import type { BookQuery, BookRow } from '@amber-gauge/contract';
import { jobNumber, unitName } from '@amber-gauge/core/bench';
import { FAMILIES, familyOf } from '@amber-gauge/core/families';
import { fixed, THIN } from '@amber-gauge/core/quantity';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import { useDeferredValue, useState } from 'react';
import { Link } from 'react-router';
import { useSettings } from '../../shared/api/queries.js';
import { Field } from '../../shared/ui/Field.js';
import { lazyPart } from '../../shared/ui/lazyPart.js';
import { faultWords, mendWords } from './words.js';
import { ImportBundle } from './ImportBundle.js';
import { queryText, useBookPages } from './useBook.js';
import classes from './Book.module.css';
import { say } from '@amber-gauge/core/words';

const Figures = lazyPart(() => import('./Figures.js').then((module) => module.Figures));

const STATES = [
  ['', say`open and handed back`],
  ['open', say`open`],
  ['handed', say`handed back`],
  ['returned', say`came back`],
] as const;

export function BookScreen() {
  const [typed, setTyped] = useState<BookQuery>({});
  const query = useDeferredValue(typed);
  const [figures, setFigures] = useState(false);
  const set = (more: Partial<BookQuery>) => setTyped({ ...typed, ...more });
  return (
    <main className={classes.book}>
      <div className={classes.head}>
        <h1 className="prompt">{figures ? say`Figures of the shop` : say`Every job`}</h1>
        <div className="row">
          <Button variant={figures ? 'outlined' : 'contained'} onClick={() => setFigures(false)}>{say`Jobs`}</Button>
          <Button variant={figures ? 'contained' : 'outlined'} onClick={() => setFigures(true)}>{say`Figures`}</Button>
          <Button
            component="a"
            variant="outlined"
            href={`/api/v1/book.csv?${queryText(query)}`}
          >{say`As a table`}</Button>
          <ImportBundle />
        </div>
      </div>
      <div className={classes.fields} role="search">
        {!figures && (
          <>
            <Field
              label={say`Words: unit, customer, complaint, notes, work`}
              type="search"
              value={typed.words ?? ''}
              onChange={(event) => set({ words: event.target.value })}
              className={classes.words ?? ''}
              autoComplete="off"
            />
            <Field
              select
              label={say`Kind`}
              value={typed.family ?? ''}
              onChange={(event) => set({ family: event.target.value })}
              slotProps={{ select: { displayEmpty: true } }}
            >
              <MenuItem value="">{say`every kind`}</MenuItem>
              {FAMILIES.map((one) => (
                <MenuItem key={one.id} value={one.id}>
                  {one.name}
                </MenuItem>
              ))}
            </Field>
            <Field
              select
              label={say`State`}
              value={typed.state ?? ''}
              onChange={(event) => set({ state: (event.target.value || undefined) as BookQuery['state'] })}
              slotProps={{ select: { displayEmpty: true } }}
            >
              {STATES.map(([value, words]) => (
                <MenuItem key={value} value={value}>
                  {words}
                </MenuItem>
              ))}
            </Field>
          </>
        )}
        <Field
          label={say`From`}
          type="date"
          value={typed.from ?? ''}
          onChange={(event) => set({ from: event.target.value })}
        />
        <Field
          label={say`To`}
          type="date"
          value={typed.to ?? ''}
          onChange={(event) => set({ to: event.target.value })}
        />
      </div>
      {figures ? <Figures from={query.from} to={query.to} /> : <Rows query={query} />}
    </main>
  );
}

function Rows({ query }: { readonly query: BookQuery }) {
  const { data, error, fetchNextPage, hasNextPage, isPending } = useBookPages(query);
  const currency = useSettings().data?.currency ?? '';
  const rows = data?.pages.flatMap((page) => page.rows) ?? [];
  if (error) return <p className="danger">{error.message}</p>;
  if (isPending) return <p className="quiet">{say`Looking.`}</p>;
  if (rows.length === 0)
    return <p>{say`Nothing in the Book holds that. Try fewer letters, or another stretch of time.`}</p>;
  return (
    <>
      <table className={classes.rows} aria-label={say`Jobs`}>
        <thead>
          <tr>
            <th>{say`no.`}</th>
            <th>{say`unit`}</th>
            <th>{say`for`}</th>
            <th>{say`taken in`}</th>
            <th>{say`handed back`}</th>
            <th>{say`found and mended`}</th>
            <th>{say`price`}</th>
          </tr>
        </thead>
        <tbody>
          {rows.map((row) => (
            <Row key={row.job.id} row={row} currency={currency} />
          ))}
        </tbody>
      </table>
      {hasNextPage && <Button variant="outlined" onClick={() => void fetchNextPage()}>{say`Older ones`}</Button>}
    </>
  );
}

const DAY_MS = 86_400_000;

function Row({ row, currency }: { readonly row: BookRow; readonly currency: string }) {
  const { job, handedAt, faults, mends, price, returnedAs } = row;
  const days = handedAt === null ? null : (Date.parse(handedAt) - Date.parse(job.createdAt)) / DAY_MS;
  const told = [
    ...faults.map((one) => faultWords(job.familyId, one)),
    ...mends.map((one) => mendWords(job.familyId, one)),
  ];
  return (
    <tr>
      <td className="mono">
        <Link to={`/job/${job.id}`}>{jobNumber(job.number)}</Link>
      </td>
      <td>
        {unitName(job)} <span className="small quiet">{familyOf(job.familyId).name}</span>
      </td>
      <td>{job.customer}</td>
      <td className={`mono small ${classes.date}`}>{job.createdAt.slice(0, 10)}</td>
      <td className="mono small">
        <span className={classes.date}>
          {handedAt ? `${handedAt.slice(0, 10)}, ${fixed(days ?? 0, 0)}${THIN}d` : say`open`}
        </span>
        {returnedAs !== null && <span className="danger">{say` came back as ${jobNumber(returnedAs)}`}</span>}
      </td>
      <td>{[...new Set(told)].join(', ')}</td>
      <td className="mono">{price === null ? '' : `${fixed(price, 2)}${THIN}${currency}`}</td>
    </tr>
  );
}
