/** What this bench found in the same model before, at once when a unit is taken in. */
import { modelOf, pathOf } from '@amber-gauge/core/bench';
import { mendOf } from '@amber-gauge/core/families';
import { useKnown } from '../../../shared/api/queries.js';
import type { JobView } from '../useJobView.js';
import classes from './Mend.module.css';
import { say } from '@amber-gauge/core/words';

export function KnownFaults({ view }: { readonly view: JobView }) {
  const model = modelOf(view.job);
  const path = pathOf(view.job);
  const known = useKnown(view.job.familyId, model, path !== null);
  if (!path || !known || model === '') return null;
  const faults = Object.entries(known.model.modes)
    .filter(([, count]) => count >= 0.5)
    .sort((a, b) => b[1] - a[1]);
  const healthy = Object.keys(known.healthy).length;
  const cured = Object.entries(known.cured).sort((a, b) => b[1] - a[1]);
  if (faults.length + healthy + cured.length + known.opening.length === 0) return null;
  const nameOf = (ref: string) => {
    const [block, mode] = [ref.slice(0, ref.indexOf('.')), ref.slice(ref.indexOf('.') + 1)];
    const part = path.blocks.find((one) => one.id === block);
    return `${part?.name ?? block}: ${part?.modes.find((one) => one.id === mode)?.name ?? mode}`;
  };
  return (
    <section aria-label={say`Known of this model`}>
      <h2>{say`Known of this model here`}</h2>
      <ul className={classes.known}>
        {faults.map(([ref, count]) => (
          <li key={ref}>
            {nameOf(ref)} <span className="mono quiet">{say`${Math.round(count)} of ${known.model.units}`}</span>
          </li>
        ))}
        {cured.length > 0 && (
          <li>{say`What was done to those that went back:
            ${cured.map(([id, count]) => `${mendOf(path, id)?.name ?? id}${count > 1 ? ` (${count})` : ''}`).join('; ')}`}</li>
        )}
        {known.opening.map((note) => (
          <li key={note}>
            <span className="quiet">{say`When it is opened: `}</span>
            {note}
          </li>
        ))}
        {healthy > 0 && (
          <li className="quiet">{say`healthy readings at
            ${healthy === 1 ? say`one place` : say`${healthy} places`}`}</li>
        )}
      </ul>
    </section>
  );
}
