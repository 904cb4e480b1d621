/** Ohms across the supply after work on the circuit, measured dead; or the word that the circuit was not touched. */
import { LEAST_SUPPLY_OHM } from '@amber-gauge/core/bench';
import { readValue } from '@amber-gauge/core/quantity';
import { Field } from '../../../shared/ui/Field.js';
import { useState } from 'react';
import { Check } from './Check.js';
import classes from './Gate.module.css';
import { say } from '@amber-gauge/core/words';

interface Props {
  readonly work: string;
  readonly ohm: number | null;
  readonly onOhm: (ohm: number | null) => void;
  /** Was it said that nothing of the circuit was touched? Null where that is no question. */
  readonly noCircuit: boolean | null;
  readonly onNoCircuit: (on: boolean) => void;
}

export function GateShort({ work, ohm, onOhm, noCircuit, onNoCircuit }: Props) {
  const [typed, setTyped] = useState('');
  const change = (text: string) => {
    setTyped(text);
    onOhm(ohmIn(text));
  };
  const low = ohm !== null && ohm < LEAST_SUPPLY_OHM;
  return (
    <section className={classes.part} aria-label={say`Short test of the supply`}>
      <span className={classes.endWords}>
        {say`Ohms across the supply, dead, after work on ${work}`}
        {low && <span className="danger">{say` Under ${LEAST_SUPPLY_OHM} Ω: do not power, look for the short.`}</span>}
      </span>
      <Field
        label={say`Ω, as in 47k or OL`}
        value={typed}
        onChange={(event) => change(event.target.value)}
        error={typed.trim() !== '' && (ohm === null || low)}
        sx={{ width: 280 }}
      />
      {noCircuit !== null && (
        <Check
          text={say`Or: nothing of the circuit was touched, no part, no joint, no plug`}
          on={noCircuit}
          onChange={onNoCircuit}
        />
      )}
    </section>
  );
}

/** Largest reading of a bench meter, taken for "OL" and "open", ohm. */
const OVER_RANGE_OHM = 20e6;

/** Above the range of the meter is at least that range: ">2" may still be a short. */
function ohmIn(text: string): number | null {
  if (/^\s*(ol|open)\s*$/i.test(text)) return OVER_RANGE_OHM;
  const value = readValue(text.replace(/^\s*>/, '').trim());
  return value.kind === 'value' && (value.unit === null || value.unit === 'Ω') ? value.value : null;
}
