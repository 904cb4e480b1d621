/** Whether the take-up reel keeps ahead of the tape from the bare hub to the full reel. */
import { takeUpMargin, windingRpm } from '@amber-gauge/core/drive';
import { fixed, numberIn, signed, THIN } from '@amber-gauge/core/quantity';
import { useState } from 'react';
import { Field } from '../../shared/ui/Field.js';
import classes from './Train.module.css';
import { say } from '@amber-gauge/core/words';

export function TakeUp({ tapeMmPerS }: { readonly tapeMmPerS: number }) {
  const [hub, setHub] = useState('11');
  const [full, setFull] = useState('25');
  const [spindle, setSpindle] = useState('');
  const [hubMm, fullMm, rpm] = [hub, full, spindle].map((one) => numberIn(one) ?? 0) as [number, number, number];
  const margin = hubMm > 0 && rpm > 0 ? takeUpMargin(tapeMmPerS, hubMm, rpm) : null;
  return (
    <section aria-label={say`Take-up`} className="stack">
      <h2>{say`Take-up from bare hub to full reel`}</h2>
      <div className={classes.fields}>
        <Field
          label={say`Radius of the bare hub`}
          unit="mm"
          value={hub}
          onChange={(event) => setHub(event.target.value)}
        />
        <Field
          label={say`Radius of the full reel`}
          unit="mm"
          value={full}
          onChange={(event) => setFull(event.target.value)}
        />
        <Field
          label={say`Spindle, running free`}
          unit="rpm"
          value={spindle}
          onChange={(event) => setSpindle(event.target.value)}
        />
      </div>
      {hubMm > 0 && fullMm > 0 && (
        <p>{say`Winding takes ${fixed(windingRpm(tapeMmPerS, hubMm), 2)}${THIN}rpm at the hub and
          ${fixed(windingRpm(tapeMmPerS, fullMm), 2)}${THIN}rpm when full: the spindle must always want to turn
          faster.`}</p>
      )}
      {margin !== null && (
        <p className={margin < 0 ? 'danger' : undefined}>
          {margin < 0
            ? say`It is ${fixed(-margin, 1)} % too slow at the hub: the tape spills. Wheel, belt or clutch of the
              take-up.`
            : say`It keeps ${signed(margin, 1)} % in hand at the hub.`}
        </p>
      )}
    </section>
  );
}
