/** Which column is what, as guessed, for correction before measuring. */
import type { GyroColumns, PulseColumns } from '@amber-gauge/core/speed';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import { Field } from '../../../shared/ui/Field.js';
import { useState, type ReactNode } from 'react';
import { columnName, TIME_UNITS, type TableHead } from './columns.js';
import classes from '../parts/Speed.module.css';

interface FrameProps {
  readonly head: TableHead;
  readonly onCancel: () => void;
  readonly onMeasure: () => Promise<string | null>;
  readonly children: ReactNode;
}

const SEPARATORS: Readonly<Record<string, string>> = {
  ';': 'semicolons',
  ',': 'commas',
  '\t': 'tabs',
  ' ': 'spaces',
  '|': 'bars',
};

function Frame({ head, onCancel, onMeasure, children }: FrameProps) {
  const [message, setMessage] = useState<string | null>(null);
  return (
    <section className={classes.asked} aria-label="Columns of the table">
      <p className={classes.dropWord}>
        Read as {head.names.length} columns, separated by {SEPARATORS[head.separator] ?? head.separator}, decimal{' '}
        {head.decimalComma ? 'comma' : 'point'}, {head.count} rows. Is this right?
      </p>
      <table className={classes.bands}>
        <thead>
          <tr>
            {head.names.map((_, i) => (
              <th key={i} scope="col">
                {columnName(head, i)}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {head.rows.map((row, i) => (
            <tr key={i}>
              {row.map((value, c) => (
                <td key={c} className="mono">
                  {String(value).replace('-', '−')}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
      <div className="row">{children}</div>
      <div className="row">
        <Button variant="contained" className={classes.main ?? ''} onClick={() => void onMeasure().then(setMessage)}>
          Measure
        </Button>
        <Button variant="outlined" onClick={onCancel}>
          Leave it
        </Button>
      </div>
      {message && (
        <p role="alert" className={classes.refused}>
          {message}
        </p>
      )}
    </section>
  );
}

interface ChoiceProps {
  readonly label: string;
  readonly value: string;
  readonly options: readonly (readonly [string, string])[];
  readonly onChange: (value: string) => void;
}

function Choice({ label, value, options, onChange }: ChoiceProps) {
  return (
    <Field select label={label} value={value} onChange={(event) => onChange(event.target.value)}>
      {options.map(([id, words]) => (
        <MenuItem key={id} value={id}>
          {words}
        </MenuItem>
      ))}
    </Field>
  );
}

const columnsOf = (head: TableHead) => head.names.map((_, i) => [String(i), columnName(head, i)] as const);
const unitOptions = TIME_UNITS.map(([word, seconds]) => [String(seconds), word] as const);

interface Props<T> {
  readonly head: TableHead;
  readonly columns: T;
  readonly onCancel: () => void;
  /** Gives a message when it could not be measured. */
  readonly onMeasure: (columns: T) => Promise<string | null>;
}

export function PulseColumnsForm({ head, columns, onCancel, onMeasure }: Props<PulseColumns>) {
  const [chosen, setChosen] = useState(columns);
  return (
    <Frame head={head} onCancel={onCancel} onMeasure={() => onMeasure(chosen)}>
      <Choice
        label="Time"
        value={String(chosen.time)}
        options={columnsOf(head)}
        onChange={(value) => setChosen({ ...chosen, time: Number(value) })}
      />
      <Choice
        label="Time in"
        value={String(chosen.timeUnitS)}
        options={unitOptions}
        onChange={(value) => setChosen({ ...chosen, timeUnitS: Number(value) })}
      />
      <Choice
        label="Volts"
        value={chosen.volts === null ? 'none' : String(chosen.volts)}
        options={[['none', 'none: each row is a pulse'], ...columnsOf(head)]}
        onChange={(value) => setChosen({ ...chosen, volts: value === 'none' ? null : Number(value) })}
      />
    </Frame>
  );
}

export function GyroColumnsForm({ head, columns, onCancel, onMeasure }: Props<GyroColumns>) {
  const [chosen, setChosen] = useState(columns);
  const axis = (at: 0 | 1 | 2, value: number) => {
    const axes: [number, number, number] = [...chosen.axes];
    axes[at] = value;
    setChosen({ ...chosen, axes });
  };
  return (
    <Frame head={head} onCancel={onCancel} onMeasure={() => onMeasure(chosen)}>
      <Choice
        label="Time"
        value={String(chosen.time)}
        options={columnsOf(head)}
        onChange={(value) => setChosen({ ...chosen, time: Number(value) })}
      />
      <Choice
        label="Time in"
        value={String(chosen.timeUnitS)}
        options={unitOptions}
        onChange={(value) => setChosen({ ...chosen, timeUnitS: Number(value) })}
      />
      {(['x', 'y', 'z'] as const).map((name, i) => (
        <Choice
          key={name}
          label={`Axis ${name}`}
          value={String(chosen.axes[i])}
          options={columnsOf(head)}
          onChange={(value) => axis(i as 0 | 1 | 2, Number(value))}
        />
      ))}
      <Choice
        label="Axes in"
        value={chosen.unit ?? 'guess'}
        options={[
          ['guess', 'guess from the speed'],
          ['deg/s', 'deg/s'],
          ['rad/s', 'rad/s'],
        ]}
        onChange={(value) => setChosen({ ...chosen, unit: value === 'guess' ? null : (value as 'deg/s' | 'rad/s') })}
      />
    </Frame>
  );
}
