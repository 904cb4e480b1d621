/** Starts something that runs by itself: run-in, cure, soak, warm-up. */
import {
  minutesIn,
  minutesWords,
  TIMER_MINUTES,
  TIMER_WORDS,
  type StageId,
  type TimerKind,
} from '@amber-gauge/core/bench';
import Button from '@mui/material/Button';
import { Field } from '../../../shared/ui/Field.js';
import { useState } from 'react';
import { makeLine, submitLines } from '../../../shared/outbox/outbox.js';
import type { JobView } from '../useJobView.js';
import { say } from '@amber-gauge/core/words';

interface Props {
  readonly view: JobView;
  readonly stage: StageId;
  readonly kinds: readonly TimerKind[];
}

export function TimerStart({ view, stage, kinds }: Props) {
  const [kind, setKind] = useState<TimerKind | null>(null);
  const [length, setLength] = useState('');
  const [label, setLabel] = useState('');
  const choose = (one: TimerKind) => {
    setKind(one);
    setLength(minutesWords(TIMER_MINUTES[one]));
  };
  const minutes = minutesIn(length);
  const start = () => {
    if (!kind || minutes === null) return;
    const name = label.trim() ? `${TIMER_WORDS[kind]}, ${label.trim()}` : TIMER_WORDS[kind];
    void submitLines(view.job.id, makeLine(stage, { kind: 'timer', timer: kind, label: name, minutes }));
    setKind(null);
    setLabel('');
  };
  return (
    <section className="stack" aria-label={say`Runs by itself`}>
      <div className="row">
        <span className="quiet">{say`Let it run by itself:`}</span>
        {kinds.map((one) => (
          <Button key={one} variant={kind === one ? 'contained' : 'outlined'} onClick={() => choose(one)}>
            {TIMER_WORDS[one]}
          </Button>
        ))}
      </div>
      {kind && (
        <div className="row">
          <Field
            label={say`How long, as in 20 min or 1:30 h`}
            value={length}
            onChange={(event) => setLength(event.target.value)}
            onKeyDown={(event) => event.key === 'Enter' && start()}
            error={minutes === null}
            sx={{ width: 260 }}
          />
          <Field label={say`Of what`} value={label} onChange={(event) => setLabel(event.target.value)} />
          <Button variant="contained" disabled={minutes === null} onClick={start}>
            {minutes === null ? say`Start it` : say`Start ${minutesWords(minutes)}`}
          </Button>
        </div>
      )}
    </section>
  );
}
