/** The trims of the model's sheet, in the part of the path that they belong to. */
import { jobSpeeds, modelOf, trimBlockOf } from '@amber-gauge/core/bench';
import type { DrivePath } from '@amber-gauge/core/families';
import { useSheet } from '../../../shared/api/queries.js';
import type { JobView } from '../useJobView.js';
import { say } from '@amber-gauge/core/words';

interface Props {
  readonly view: JobView;
  readonly path: DrivePath;
  readonly block: string;
}

export function TrimsHere({ view, path, block }: Props) {
  const model = modelOf(view.job);
  const here = trimBlockOf(path) === block;
  const trims = useSheet(view.job.familyId, model, here && model !== '')?.sheet.trims ?? [];
  if (!here || trims.length === 0) return null;
  const speeds = jobSpeeds(view.job);
  const label = (id: string) => speeds.find((one) => one.id === id)?.label ?? id;
  return (
    <ul aria-label={say`Trims of this model`}>
      {trims.map((trim) => (
        <li key={trim.id}>
          {[
            trim.name,
            trim.where,
            say`for ${trim.serves.map(label).join(' and ')}`,
            trim.faster ? say`${trim.faster} faster` : '',
          ]
            .filter(Boolean)
            .join(', ')}
        </li>
      ))}
    </ul>
  );
}
