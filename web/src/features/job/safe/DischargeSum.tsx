/** The computed discharge of a store of charge: time, energy, resistor, and the countdown it starts. */
import { minutesWords, storesOf, type StageId, type UnitStore } from '@amber-gauge/core/bench';
import { dischargeOf, TOUCH_LIMITS_V } from '@amber-gauge/core/circuit';
import { familyOf } from '@amber-gauge/core/families';
import { fixed, numberIn } from '@amber-gauge/core/quantity';
import Button from '@mui/material/Button';
import { Field } from '../../../shared/ui/Field.js';
import { useState } from 'react';
import { makeLine, submitLines } from '../../../shared/outbox/outbox.js';
import type { JobView } from '../useJobView.js';
import classes from './Safe.module.css';
import { say } from '@amber-gauge/core/words';

/** A resistor that serves most stores of charge (common practice). */
const USUAL_RESISTOR = { ohm: '10000', watts: '25' } as const;

export function DischargeSum({ view, stage }: { readonly view: JobView; readonly stage: StageId }) {
  return storesOf(view.job).map((one) => <OneStore key={one.store.id} view={view} stage={stage} one={one} />);
}

interface Props {
  readonly view: JobView;
  readonly stage: StageId;
  readonly one: UnitStore;
}

function OneStore({ view, stage, one: { store, volts } }: Props) {
  const [typed, setTyped] = useState({
    microfarad: String(store.microfarad),
    volts: volts === null ? '' : fixed(volts, 0),
    ...(USUAL_RESISTOR as { ohm: string; watts: string }),
  });
  const read = {
    microfarad: numberIn(typed.microfarad),
    volts: numberIn(typed.volts),
    ohm: numberIn(typed.ohm),
    watts: typed.watts.trim() === '' ? null : numberIn(typed.watts),
  };
  const { microfarad, volts: from, ohm, watts } = read;
  const good = above(microfarad) && above(from) && above(ohm) && (typed.watts.trim() === '' || above(watts));
  const sum = good ? dischargeOf({ microfarad, volts: from, ohm, watts }) : null;
  const limit = familyOf(view.job.familyId).wet ? 'wet' : 'dry';
  const time = sum && (limit === 'wet' ? sum.toWetS : sum.toDryS);
  const start = () => {
    if (!good || !time) return;
    const charge = {
      kind: 'charge',
      storeId: store.id,
      name: store.name,
      microfarad,
      volts: from,
      ohm,
      watts,
    } as const;
    const label = say`Discharge, ${store.name}`;
    const minutes = Math.max(1, time.high) / 60;
    const timer = { kind: 'timer', timer: 'discharge', label, minutes } as const;
    void submitLines(view.job.id, makeLine(stage, charge), makeLine(stage, timer));
  };
  const field = (name: keyof typeof typed, label: string) => (
    <Field
      label={label}
      value={typed[name]}
      onChange={(event) => setTyped({ ...typed, [name]: event.target.value })}
      error={name === 'watts' ? typed.watts.trim() !== '' && !above(watts) : !above(read[name])}
    />
  );
  return (
    <section className="stack" aria-label={say`Discharge of the ${store.name}`}>
      <p>
        <strong>{store.name}</strong> <span className="quiet">{store.why}</span>
      </p>
      <div className={classes.sum}>
        {field('microfarad', say`Capacitance, µF`)}
        {field('volts', say`From, V`)}
        {field('ohm', say`Through, Ω`)}
        {field('watts', say`Resistor, W`)}
      </div>
      {sum && time ? (
        <>
          <p
            className={classes.answer}
          >{say`${minutesWords(time.printed / 60)} to ${minutesWords(time.high / 60)} to ${TOUCH_LIMITS_V[limit]}
            V`}</p>
          <p className="quiet">{say`t = R C ln(V₀/V), the longer one with the capacitor 20 % over its print. Energy
            ${fixed(sum.energyJ, 1)} J, ${fixed(sum.startW, 1)} W in the resistor at first. ${TOUCH_LIMITS_V[limit]} V
            d.c. is the ${limit} touch limit (IEC 61010-1, from memory).`}</p>
          {sum.tooSmall && (
            <p className="danger">{say`The resistor is too small for ${fixed(sum.startW, 1)} W: take at least
              ${fixed(sum.leastOhm ?? 0, 0)} Ω of this rating, or one of more watts.`}</p>
          )}
          <div>
            <Button
              variant="outlined"
              disabled={sum.tooSmall === true}
              onClick={start}
            >{say`Resistor is on: count down`}</Button>
          </div>
        </>
      ) : (
        <p className="danger">{say`Type values above zero.`}</p>
      )}
    </section>
  );
}

const above = (value: number | null): value is number => value !== null && value > 0;
