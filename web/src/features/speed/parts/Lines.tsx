/** The lines of the spectrum put against turning parts whose rates are known. */
import type { RunFigures } from '@amber-gauge/contract';
import { fixed } from '@amber-gauge/core/quantity';
import { nameLines, partWords, type NamedLine, type TurningPart } from '@amber-gauge/core/speed';
import Button from '@mui/material/Button';
import { Field } from '../../../shared/ui/Field.js';
import { useState } from 'react';
import { numberOf } from '../ways/way.js';
import classes from './Speed.module.css';

/** Lines of a run with the parts they fit; the run's own length sets how close is close. */
export function namedLines(figures: RunFigures, parts: readonly TurningPart[]): NamedLine[] {
  const { series, lines, errorPercent } = figures;
  const durationS = series ? series.stepS * series.errorPercent.length : 10;
  return nameLines(lines, parts, errorPercent ?? 0, Math.max(1, durationS));
}

interface Props {
  readonly lines: readonly NamedLine[];
  readonly own: readonly TurningPart[];
  readonly onOwn: (parts: readonly TurningPart[]) => void;
}

export function Lines({ lines, own, onOwn }: Props) {
  const [name, setName] = useState('');
  const [rpm, setRpm] = useState('');
  const turns = numberOf(rpm);
  const add = () => {
    if (!name.trim() || turns === null || turns <= 0) return;
    onOwn([...own, { name: name.trim(), hz: turns / 60 }]);
    setName('');
    setRpm('');
  };
  return (
    <section aria-label="Lines and turning parts">
      <p className={classes.chartTitle}>Lines, largest first</p>
      {lines.length === 0 && <p className="quiet">No line stands out of the noise.</p>}
      <ul className={classes.lines}>
        {lines.slice(0, 8).map((line) => (
          <li key={line.frequencyHz}>
            <span className="mono">{fixed(line.frequencyHz, line.frequencyHz < 10 ? 3 : 2)} Hz</span>
            <span className="mono">{fixed(line.peakPercent, 3)} %</span>
            <span>{partWords(line) || <span className="quiet">no part known at this rate</span>}</span>
          </li>
        ))}
      </ul>
      <details className={classes.partsForm}>
        <summary>
          Turning parts: {own.length === 0 ? 'add pulley, idler, motor' : own.map((part) => part.name).join(', ')}
        </summary>
        <ul>
          {own.map((part) => (
            <li key={part.name} className="row">
              <span>
                {part.name}, {fixed(60 * part.hz, 1)} rpm ({fixed(part.hz, 3)} Hz)
              </span>
              <Button size="small" onClick={() => onOwn(own.filter((one) => one !== part))}>
                Take out
              </Button>
            </li>
          ))}
        </ul>
        <div className="row">
          <Field label="Part" value={name} onChange={(event) => setName(event.target.value)} />
          <Field
            label="Turns a minute"
            value={rpm}
            onChange={(event) => setRpm(event.target.value)}
            slotProps={{ htmlInput: { inputMode: 'decimal' } }}
          />
          <Button variant="outlined" disabled={!name.trim() || turns === null || turns <= 0} onClick={add}>
            Add
          </Button>
        </div>
      </details>
    </section>
  );
}
