/** Starts something that runs by itself: run-in, cure, soak, warm-up. */
import { TIMER_MINUTES, TIMER_WORDS, type StageId, type TimerKind } from '@amber-gauge/core/bench';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { makeLine, submitLines } from '../../../shared/outbox/outbox.js';
import type { JobView } from '../useJobView.js';
import { numberIn } from '../numberIn.js';

interface Props {
  readonly view: JobView;
  readonly stage: StageId;
  readonly kinds: readonly TimerKind[];
}

export function TimerStart({ view, stage, kinds }: Props) {
  const [kind, setKind] = useState<TimerKind | null>(null);
  const [hours, setHours] = useState('');
  const [label, setLabel] = useState('');
  const choose = (one: TimerKind) => {
    setKind(one);
    setHours(String(TIMER_MINUTES[one] / 60));
  };
  const value = numberIn(hours);
  const start = () => {
    if (!kind || value === null || value <= 0) return;
    const name = label.trim() ? `${TIMER_WORDS[kind]}, ${label.trim()}` : TIMER_WORDS[kind];
    void submitLines(view.job.id, makeLine(stage, { kind: 'timer', timer: kind, label: name, minutes: value * 60 }));
    setKind(null);
    setLabel('');
  };
  return (
    <section className="stack" aria-label="Runs by itself">
      <div className="row">
        <span className="quiet">Let it run by itself:</span>
        {kinds.map((one) => (
          <Button key={one} variant={kind === one ? 'contained' : 'outlined'} onClick={() => choose(one)}>
            {TIMER_WORDS[one]}
          </Button>
        ))}
      </div>
      {kind && (
        <div className="row">
          <TextField
            label="Hours"
            value={hours}
            onChange={(event) => setHours(event.target.value)}
            error={value === null || value <= 0}
            sx={{ width: 120 }}
          />
          <TextField label="Of what" value={label} onChange={(event) => setLabel(event.target.value)} />
          <Button variant="contained" disabled={value === null || value <= 0} onClick={start}>
            Start it
          </Button>
        </div>
      )}
    </section>
  );
}
