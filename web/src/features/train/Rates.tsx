/** What comes round how often, and where speed is lost: turns measured on parts against what the diameters say. */
import { MOTOR_ID, signatureOf, slipOf, type MeasuredTurns, type Train } from '@amber-gauge/core/drive';
import { fixed, numberIn, ownEntry, signed, THIN } from '@amber-gauge/core/quantity';
import { useState } from 'react';
import { Field } from '../../shared/ui/Field.js';
import table from '../../shared/ui/Table.module.css';
import classes from './Train.module.css';
import { say } from '@amber-gauge/core/words';

interface Props {
  readonly train: Train;
  readonly speed: number;
  readonly hz: number;
}

/** Slip that belts and idlers usually have, percent (common practice). */
const USUAL_SLIP = 2;

export function Rates({ train, speed, hz }: Props) {
  const [typed, setTyped] = useState<Readonly<Record<string, string>>>({});
  const ids = [MOTOR_ID, ...train.parts.map((part) => part.id)];
  const nameOf = (id: string) =>
    id === MOTOR_ID ? train.motor.name : (train.parts.find((one) => one.id === id)?.name ?? id);
  const measured = ids.flatMap((part): MeasuredTurns[] => {
    const rpm = numberIn(ownEntry(typed, part) ?? '');
    return rpm !== null && rpm > 0 ? [{ part, rpm, expandedPercent: null }] : [];
  });
  const slip = slipOf(train, measured, speed, hz);
  return (
    <section aria-label={say`What comes round`} className="stack">
      <h2>{say`What comes round how often`}</h2>
      <table className={table.table}>
        <thead>
          <tr>
            <th scope="col">{say`what`}</th>
            <th scope="col">{say`a second`}</th>
            <th scope="col">{say`twice that`}</th>
          </tr>
        </thead>
        <tbody>
          {signatureOf(train, speed, hz).map((line) => (
            <tr key={line.name}>
              <th scope="row">{line.name}</th>
              <td className="mono">
                {hertz(line.hz)}
                {THIN}Hz
              </td>
              <td className="mono">
                {hertz(2 * line.hz)}
                {THIN}Hz
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <h2>{say`Where speed is lost`}</h2>
      <p className="quiet">{say`Mark pulley, shaft and platter, measure two or more of them: what is lost sits between
        them.`}</p>
      <div className={classes.fields}>
        {ids.map((id) => (
          <Field
            key={id}
            label={`${nameOf(id)}, measured`}
            unit="rpm"
            value={ownEntry(typed, id) ?? ''}
            onChange={(event) => setTyped({ ...typed, [id]: event.target.value })}
          />
        ))}
      </div>
      {slip.motorPercent !== null && (
        <p>{say`The motor itself runs ${signed(slip.motorPercent, 2)}${THIN}% from what is set for
          it${slip.motorPercent < -1 ? say`: capacitor, winding, poles, supply or drag before any pulley.` : '.'}`}</p>
      )}
      {slip.between.map((one) => (
        <p
          key={`${one.from} ${one.to}`}
        >{say`Between ${nameOf(one.from)} and ${nameOf(one.to)}: ${signed(one.slipPercent, 2)}${THIN}%
          lost${one.contacts.length > 0 ? say`, at ${one.contacts.join(' or ')}` : say`, on one shaft`}${lossWords(one.slipPercent, one.contacts.length)}`}</p>
      ))}
    </section>
  );
}

const hertz = (value: number): string => fixed(value, value < 10 ? 3 : 1);

function lossWords(percent: number, contacts: number): string {
  if (contacts === 0) return Math.abs(percent) > 0.2 ? say`: it slips on its shaft, fasten it.` : '.';
  if (percent > USUAL_SLIP)
    return say`: more than the usual 2 % of slip (common practice). Belt, tyre, or a wrong diameter.`;
  return percent < -0.2 ? say`: it gains, a diameter or the belt’s thickness is not as typed.` : say`: usual.`;
}
