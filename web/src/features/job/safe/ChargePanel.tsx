/** A charge over the touch limit: the value, how to bleed it, and a wait that only a reading ends. */
import {
  bleedPlan,
  countdown,
  isRunning,
  minutesWords,
  standing,
  TOUCH_LIMIT_V,
  type StageId,
} from '@amber-gauge/core/bench';
import { fixed, withUnit } from '@amber-gauge/core/quantity';
import Button from '@mui/material/Button';
import { useMemo } from 'react';
import { makeLine, submitLines } from '../../../shared/outbox/outbox.js';
import { useNow } from '../../../shared/ui/useNow.js';
import type { JobView } from '../useJobView.js';
import classes from './Safe.module.css';
import { say } from '@amber-gauge/core/words';

interface Props {
  readonly view: JobView;
  readonly stage: StageId;
  /** Leads to Make safe, where it is measured again; null when this is Make safe. */
  readonly onMeasure: (() => void) | null;
}

export function ChargePanel({ view, stage, onMeasure }: Props) {
  const now = useNow(1000);
  const { charge, timers } = view.state;
  const plan = useMemo(() => {
    if (!charge) return null;
    const lines = standing(view.lines.map((line) => line.event));
    return bleedPlan(view.job, lines, charge.volts);
  }, [charge, view.job, view.lines]);
  if (!charge) return null;
  const wait = timers.findLast(
    (timer) => timer.timer === 'discharge' && timer.end === null && timer.startedAt >= charge.at,
  );
  const running = wait !== undefined && isRunning(wait, now);
  const start = () => {
    if (!plan) return;
    const minutes = Math.max(1, plan.seconds) / 60;
    void submitLines(
      view.job.id,
      makeLine(stage, { kind: 'timer', timer: 'discharge', label: say`Discharge, ${plan.store}`, minutes }),
    );
  };
  return (
    <section className={classes.charge} role="alert" aria-label={say`Charge left`}>
      <p className={classes.chargeVolts}>
        <span className="mono">{fixed(charge.volts, charge.volts < 100 ? 1 : 0)}</span>
        {say` V left${plan ? say` on the ${plan.store}` : ''}`}
      </p>
      <div className={classes.chargeHow}>
        {plan && (
          <p>
            {say`Bleed it through `}
            <strong>{withUnit(plan.ohm, 'Ω')}</strong>
            {say`, insulated, `}
            <strong>{plan.ratedW} W</strong>
            {say` (${fixed(plan.startW, 1)} W at first): `}
            <strong>{minutesWords(plan.seconds / 60)}</strong>
            {say` to ${TOUCH_LIMIT_V} V, counted with ${fixed(plan.microfarad, plan.microfarad < 10 ? 2 : 0)} µF
              ${plan.from === 'part' ? say`as printed` : say`as usual for the kind`} and 20 % over.
              ${fixed(plan.energyJ, 1)} J. Never a screwdriver.`}
          </p>
        )}
        {charge.safeAt !== null && (
          <p>
            {say`It falls by itself: under ${TOUCH_LIMIT_V} V in `}
            <span className="mono">{countdown(charge.safeAt, now)}</span>
            {say` by the last two readings.`}
          </p>
        )}
        <div className="row">
          {running ? (
            <span className={`mono ${classes.chargeWait}`}>{countdown(wait.dueAt, now)}</span>
          ) : wait ? (
            <strong>{say`The wait is over: measure. Only a reading says it is gone.`}</strong>
          ) : (
            plan && (
              <Button
                variant="outlined"
                className={classes.big ?? ''}
                onClick={start}
              >{say`Resistor is on: count down`}</Button>
            )
          )}
          {onMeasure && (
            <Button
              variant="contained"
              className={classes.big ?? ''}
              onClick={onMeasure}
            >{say`Measure what is left`}</Button>
          )}
        </div>
      </div>
    </section>
  );
}
