/** The bench sheet: for the next repairer of this unit, from the same model as its PDF. */
import type { BenchSheet, BenchSheetRow } from '@amber-gauge/core/bench';
import { whenFull } from '../../shared/ui/when.js';
import classes from './Sheet.module.css';
import { say } from '@amber-gauge/core/words';

export function BenchPaper({ sheet }: { readonly sheet: BenchSheet }) {
  return (
    <article className={classes.paper} aria-label={say`Bench sheet`}>
      <header className={classes.head}>
        <span className="quiet">{sheet.shop.name}</span>
        <strong>{say`Bench sheet ${sheet.number}`}</strong>
      </header>
      <h1 className={classes.unit}>{sheet.unit}</h1>
      <p className="quiet">{[sheet.kind, sheet.serial].filter(Boolean).join(', ')}</p>
      <Rows
        title={say`Test points, healthy`}
        rows={sheet.points}
        none={say`Nothing was read at a test point after the work.`}
      />
      <Rows title={say`Speeds as left`} rows={sheet.speeds} />
      <Rows title={say`Trims`} rows={sheet.trims} />
      <Rows title={say`How it comes apart`} rows={sheet.opening} />
      <Rows title={say`Found inside`} rows={sheet.traces} />
      <Rows title={say`What was done`} rows={sheet.done.map(({ at, text }) => ({ label: text, value: '', at }))} />
      <section className={classes.section}>
        <h2>{say`Mind`}</h2>
        {sheet.cautions.map((one) => (
          <p key={one}>{one}</p>
        ))}
      </section>
    </article>
  );
}

interface RowsProps {
  readonly title: string;
  readonly rows: readonly BenchSheetRow[];
  readonly none?: string;
}

function Rows({ title, rows, none }: RowsProps) {
  if (rows.length === 0 && !none) return null;
  return (
    <section className={classes.section}>
      <h2>{title}</h2>
      {rows.length === 0 && <p className="quiet">{none}</p>}
      <table className={classes.table}>
        <tbody>
          {rows.map((row) => (
            <tr key={row.label + row.at}>
              <td>{row.label}</td>
              <td className="mono">{row.value}</td>
              <td className="mono small quiet">{whenFull(row.at)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}
