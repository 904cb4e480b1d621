/** What lies in each tray: it must come out even. */
import { trayCounts, type Ledger } from '@amber-gauge/core/bench';
import classes from './Ledger.module.css';

export function TrayTable({ ledger }: { readonly ledger: Ledger }) {
  const trays = trayCounts(ledger);
  if (trays.length === 0) return null;
  return (
    <table className={classes.trays} aria-label="Trays">
      <thead>
        <tr>
          <th>tray</th>
          <th>what</th>
          <th>off</th>
          <th>back</th>
          <th>left</th>
        </tr>
      </thead>
      <tbody>
        {trays.flatMap((tray) =>
          tray.kinds.map((kind, i) => (
            <tr key={`${tray.tray}${kind.what}`}>
              <td>{i === 0 ? tray.tray : ''}</td>
              <td>{kind.what}</td>
              <td className="mono">{kind.out}</td>
              <td className="mono">{kind.back}</td>
              <td className="mono">{kind.out === kind.back ? 'even' : kind.out - kind.back}</td>
            </tr>
          )),
        )}
      </tbody>
    </table>
  );
}
