/** Every dimension: what a tenth of a millimetre does, what its tolerance is worth, and what it would have to be. */
import {
  blameOf,
  beltLength,
  forSpeed,
  isBelt,
  solveKnob,
  spreadOf,
  stretchPercent,
  trainTurns,
  USUAL_STRETCH_PERCENT,
  type Train,
} from '@amber-gauge/core/drive';
import { fixed, numberIn, signed, THIN } from '@amber-gauge/core/quantity';
import { useState } from 'react';
import { Link } from 'react-router';
import { Field } from '../../shared/ui/Field.js';
import table from '../../shared/ui/Table.module.css';
import classes from './Train.module.css';
import { say } from '@amber-gauge/core/words';

interface Props {
  readonly train: Train;
  readonly speed: number;
  readonly hz: number;
}

export function Dimensions({ train, speed, hz }: Props) {
  const [typed, setTyped] = useState('');
  const [other, setOther] = useState('');
  const { output } = trainTurns(train, speed, hz);
  const spread = spreadOf(train, speed, hz);
  const measured = numberIn(typed);
  const otherHz = numberIn(other) ?? hz;
  const mains = otherHz >= 15 && otherHz <= 70 ? otherHz : hz;
  const wanted = output.nominal ?? output.value;
  const blames = measured !== null && measured > 0 ? blameOf(train, measured, speed, hz) : [];
  const onMains = train.motor.kind === 'synchronous' || train.motor.kind === 'induction';
  const mm = (value: number | null) => (value === null ? say`none does it` : fixed(value, value < 100 ? 3 : 2));
  return (
    <section aria-label={say`Dimensions`} className="stack">
      <h2>{say`What each dimension does`}</h2>
      <div className="row">
        <Field
          label={say`Measured, if known`}
          unit={output.unit}
          value={typed}
          onChange={(event) => setTyped(event.target.value)}
          error={wrong(typed, 0, 1e6)}
          helperText={wrong(typed, 0, 1e6) ? say`A speed above zero.` : undefined}
          sx={{ width: 220 }}
        />
        {onMains && (
          <Field
            label={say`Right on another mains of`}
            unit="Hz"
            value={other}
            onChange={(event) => setOther(event.target.value)}
            error={wrong(other, 15, 70)}
            helperText={wrong(other, 15, 70) ? say`No mains has that frequency.` : undefined}
            sx={{ width: 220 }}
          />
        )}
      </div>
      <div className={classes.scroll} role="region" aria-label={say`Table of dimensions`} tabIndex={0}>
        <table className={table.table}>
          <thead>
            <tr>
              <th scope="col">{say`dimension`}</th>
              <th scope="col">mm</th>
              <th scope="col">{say`0.1${THIN}mm more`}</th>
              <th scope="col">{say`± tolerance`}</th>
              <th scope="col">{say`to be right${mains === hz ? '' : say` on ${mains} Hz`}`}</th>
              {measured !== null && <th scope="col">{say`if it alone is to blame`}</th>}
            </tr>
          </thead>
          <tbody>
            {spread.each.map(({ knob, percentPerTenthMm, tolerancePercent }) => {
              const blame = blames.find((one) => one.knob.id === knob.id);
              return (
                <tr key={knob.id}>
                  <th scope="row">{knob.label}</th>
                  <td className="mono">{mm(knob.valueMm)}</td>
                  <td className="mono">
                    {signed(percentPerTenthMm, 2)}
                    {THIN}%
                  </td>
                  <td className="mono">
                    {fixed(tolerancePercent, 2)}
                    {THIN}%
                  </td>
                  <td className="mono">{mm(solveKnob(knob, wanted, speed, mains))}</td>
                  {measured !== null && (
                    <td className="mono">{blame ? `${signed(blame.byMm, 3)} mm` : say`none does it`}</td>
                  )}
                </tr>
              );
            })}
          </tbody>
        </table>
      </div>
      <Limits spread={spread} onMains={onMains} />
      <Belts train={train} speed={speed} />
    </section>
  );
}

/** How far all of them together reach, and what the table leaves out. */
function Limits({ spread, onMains }: { readonly spread: ReturnType<typeof spreadOf>; readonly onMains: boolean }) {
  return (
    <p className="quiet">
      {say`All at their limits together ±${fixed(spread.worstCasePercent, 2)}${THIN}%, as units come (root of
        squares) ±${fixed(spread.rssPercent, 2)}${THIN}%. Tolerances not typed are usual ones (common practice). Teeth
        are counted. An idler’s own diameter cancels and is not listed. Metal does not grow back: do the sum before a
        pulley is turned down.`}
      {!onMains && (
        <>
          {say` The mains changes nothing here: electronics set this motor’s speed, and another one is a matter of `}
          <Link to="/workings/speed-resistor">{say`a resistor`}</Link>.
        </>
      )}
      {onMains &&
        say` On another frequency at the same volts the flux changes too: from 60 to 50 Hz it rises by a fifth,
          volts have to come down with it, and a run capacitor to the value for that mains (common practice).`}
    </p>
  );
}

/** Typed, and no number within these. */
const wrong = (text: string, above: number, most: number): boolean => {
  const value = numberIn(text);
  return text.trim() !== '' && !(value !== null && value > above && value <= most);
};

function Belts({ train, speed }: Omit<Props, 'hz'>) {
  const said = train.parts.flatMap((part) => {
    const driver = train.parts.find((one) => one.id === part.by);
    if (!isBelt(part.contact) || !part.belt || !driver || part.centreMm === null) return [];
    const [first, second] = [driver, part].map((one) => forSpeed(one.sizes, speed) + (part.belt?.thicknessMm ?? 0));
    const run = beltLength({
      first: first as number,
      second: second as number,
      centre: part.centreMm,
      crossed: part.contact === 'crossed belt',
    });
    if (run === null) return [say`Belt to ${part.name}: the wheels overlap at that distance.`];
    const { least, most } = USUAL_STRETCH_PERCENT;
    const [shortest, longest] = [run / (1 + most / 100), run / (1 + least / 100)];
    const stretch =
      part.belt.lengthMm === null
        ? ''
        : say` The one typed stands stretched by ${fixed(stretchPercent(run, part.belt.lengthMm), 1)} %.`;
    return [
      say`Belt to ${part.name}: its run is ${fixed(run, 1)} mm along the middle; one of ${fixed(shortest, 0)} to
        ${fixed(longest, 0)} mm stands stretched by ${least} to ${most} % (common practice).${stretch}`,
    ];
  });
  return said.map((one) => <p key={one}>{one}</p>);
}
