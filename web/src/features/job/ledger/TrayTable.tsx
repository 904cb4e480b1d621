/** What lies in each tray: it must come out even. */
import { trayCounts, type Ledger } from '@amber-gauge/core/bench';
import classes from './Ledger.module.css';
import { say } from '@amber-gauge/core/words';

export function TrayTable({ ledger }: { readonly ledger: Ledger }) {
  const trays = trayCounts(ledger);
  if (trays.length === 0) return null;
  return (
    <table className={classes.trays} aria-label={say`Trays`}>
      <thead>
        <tr>
          <th>{say`tray`}</th>
          <th>{say`what`}</th>
          <th>{say`off`}</th>
          <th>{say`back`}</th>
          <th>{say`left`}</th>
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
              <td className="mono">{kind.out === kind.back ? say`even` : kind.out - kind.back}</td>
            </tr>
          )),
        )}
      </tbody>
    </table>
  );
}
