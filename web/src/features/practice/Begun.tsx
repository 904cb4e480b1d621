/** Practice units begun so far, with how each ended. */
import type { PracticeRow } from '@amber-gauge/contract';
import { practiceNumber } from '@amber-gauge/core/bench';
import { familyOf } from '@amber-gauge/core/families';
import { fixed } from '@amber-gauge/core/quantity';
import { Link } from 'react-router';
import { when } from '../../shared/ui/when.js';
import table from '../../shared/ui/Table.module.css';
import classes from './PracticeScreen.module.css';
import { say } from '@amber-gauge/core/words';

export function Begun({ units }: { readonly units: readonly PracticeRow[] | null }) {
  if (units === null) return null;
  return (
    <section className="stack" aria-label={say`Your practice units`}>
      <h2>{say`Begun so far`}</h2>
      {units.length === 0 ? (
        <p>{say`None yet. Take one from above: its clock counts minutes of practice, not yours.`}</p>
      ) : (
        <table className={`${table.table} ${classes.begun}`}>
          <thead>
            <tr>
              {[say`Unit`, say`What the owner says`, say`Begun`, say`Minutes`, say`The advice`, say`How it ended`].map(
                (head) => (
                  <th key={head} scope="col">
                    {head}
                  </th>
                ),
              )}
            </tr>
          </thead>
          <tbody>
            {units.map((unit) => (
              <tr key={unit.id}>
                <td>
                  <Link to={`/job/${unit.id}`}>{practiceNumber(unit.number)}</Link> {familyOf(unit.familyId).name}
                </td>
                <td>{unit.complaint}</td>
                <td>{when(unit.createdAt)}</td>
                <td className="mono">{unit.ended ? fixed(unit.ended.minutes, 0) : ''}</td>
                <td className="mono">{unit.ended ? fixed(unit.ended.adviceMinutes, 0) : ''}</td>
                <td>{endWords(unit)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </section>
  );
}

/** "mended, one part for nothing"; what was hidden is told only once it has ended. */
function endWords({ ended }: PracticeRow): string {
  if (!ended) return say`open`;
  const parts = [
    ended.left.length > 0
      ? say`left: ${ended.left.join(', ')}`
      : ended.found.length > 0
        ? say`mended: ${ended.found.join(', ')}`
        : say`nothing was wrong`,
    ended.wrongParts > 0 && say`${ended.wrongParts} ${ended.wrongParts === 1 ? say`part` : say`parts`} for nothing`,
    ended.harm.length > 0 && say`danger: ${ended.harm.join(', ')}`,
  ];
  return parts.filter(Boolean).join('; ');
}
