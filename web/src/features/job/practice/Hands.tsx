/** What can be bridged, crossed or unplugged on the practice unit for a while: on and off again, with the power off. */
import type { StageId } from '@amber-gauge/core/bench';
import type { Visit } from '@amber-gauge/core/training';
import ToggleButton from '@mui/material/ToggleButton';
import { makeLine, submitLines } from '../../../shared/outbox/outbox.js';
import type { JobView } from '../useJobView.js';
import { said, say } from '@amber-gauge/core/words';

interface Props {
  readonly view: JobView;
  readonly stage: StageId;
  readonly visit: Visit;
}

export function Hands({ view, stage, visit: { map, held, on } }: Props) {
  const done = new Set(held.map(({ id }) => id));
  return (
    <>
      {map.machine.hands.map(({ id, name }) => (
        <ToggleButton
          key={id}
          value={id}
          size="small"
          selected={done.has(id)}
          disabled={on}
          title={on ? say`Unplug first` : ''}
          onChange={() =>
            void submitLines(view.job.id, makeLine(stage, { kind: 'practice-hand', hand: id, name, on: !done.has(id) }))
          }
        >
          {said(name)}
        </ToggleButton>
      ))}
    </>
  );
}
