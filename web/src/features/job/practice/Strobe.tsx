/** The strobe ring of a practice unit, watched for ten seconds under the mains lamp. */
import { jobSpeeds } from '@amber-gauge/core/bench';
import { strobeAt, type Done, type Visit } from '@amber-gauge/core/training';
import Button from '@mui/material/Button';
import { useSettings } from '../../../shared/api/queries.js';
import type { JobView } from '../useJobView.js';
import { say } from '@amber-gauge/core/words';

interface Props {
  readonly visit: Visit;
  readonly view: JobView;
  readonly condition: Parameters<typeof strobeAt>[1];
  readonly speedId: string;
  readonly onDone: (done: Done | { readonly refused: string }) => void;
}

/** Nothing where nothing on the unit is a turntable. */
export function Strobe({ visit, view, condition, speedId, onDone }: Props) {
  const mainsHz = useSettings().data?.mainsHz ?? 50;
  const speeds = jobSpeeds(view.job);
  const speed = speeds.find(({ id }) => id === condition.setting) ?? speeds.find(({ id }) => id === speedId);
  if (!visit.map.tone || speed?.nominalRpm == null) return null;
  const { id, nominalRpm } = speed;
  const look = () =>
    onDone(
      strobeAt(visit, condition, { id, nominalRpm }, mainsHz) ?? {
        refused: say`Nothing turns: there is nothing to see.`,
      },
    );
  return <Button variant="outlined" onClick={look}>{say`Strobe`}</Button>;
}
