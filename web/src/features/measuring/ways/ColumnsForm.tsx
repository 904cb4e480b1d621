/** Which column is what, as guessed, for correction before measuring. */
import { ownEntry } from '@amber-gauge/core/quantity';
import {
  AXIS_UNITS,
  type Answer,
  type AskedSpeed,
  type AxisUnit,
  type GyroColumns,
  type PulseColumns,
} from '@amber-gauge/core/speed';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import { Field } from '../../../shared/ui/Field.js';
import { useState, type ReactNode } from 'react';
import { Question } from './Question.js';
import { columnName, TIME_UNITS, type TableHead } from './columns.js';
import classes from '../parts/Speed.module.css';
import { say } from '@amber-gauge/core/words';

interface FrameProps {
  readonly head: TableHead;
  readonly onCancel: () => void;
  readonly onMeasure: (answer: Answer) => Promise<string | AskedSpeed | null>;
  readonly children: ReactNode;
}

const SEPARATORS: Readonly<Record<string, string>> = {
  ';': say`semicolons`,
  ',': say`commas`,
  '\t': say`tabs`,
  ' ': say`spaces`,
  '|': say`bars`,
};

function Frame({ head, onCancel, onMeasure, children }: FrameProps) {
  const [outcome, setOutcome] = useState<string | AskedSpeed | null>(null);
  const [given, setGiven] = useState<Answer>({});
  const measure = (answer: Answer) => {
    setGiven(answer);
    void onMeasure(answer).then(setOutcome);
  };
  return (
    <section className={classes.asked} aria-label={say`Columns of the table`}>
      <p className={classes.dropWord}>{say`Read as ${head.names.length} columns, separated by
        ${ownEntry(SEPARATORS, head.separator) ?? head.separator}, decimal
        ${head.decimalComma ? say`comma` : say`point`}, ${head.count} rows. Is this right?`}</p>
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
        <Button variant="contained" className={classes.main ?? ''} onClick={() => measure({})}>{say`Measure`}</Button>
        <Button variant="outlined" onClick={onCancel}>{say`Leave it`}</Button>
      </div>
      {typeof outcome === 'string' && (
        <p role="alert" className={classes.refused}>
          {outcome}
        </p>
      )}
      {outcome !== null && typeof outcome === 'object' && (
        <Question
          question={outcome}
          onAnswer={(answer) => measure({ ...given, ...answer })}
          onCancel={() => setOutcome(null)}
        />
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
const unitOptions = [
  ['guess', say`told from the speed`] as const,
  ...TIME_UNITS.map(([word, seconds]) => [String(seconds), word] as const),
];
const unitText = (seconds: number | null): string => (seconds === null ? 'guess' : String(seconds));
const unitOf = (text: string): number | null => (text === 'guess' ? null : Number(text));

interface Props<T> {
  readonly head: TableHead;
  readonly columns: T;
  readonly onCancel: () => void;
  /** Gives a message when it could not be measured, or the question that must be answered first. */
  readonly onMeasure: (columns: T, answer: Answer) => Promise<string | AskedSpeed | null>;
}

/** Which columns of a table hold the pulses. */
export function PulseColumnsForm({ head, columns, onCancel, onMeasure }: Props<PulseColumns>) {
  const [chosen, setChosen] = useState(columns);
  return (
    <Frame head={head} onCancel={onCancel} onMeasure={(answer) => onMeasure(chosen, answer)}>
      <Choice
        label={say`Time`}
        value={String(chosen.time)}
        options={[...columnsOf(head), ['-1', say`none: even samples`]]}
        onChange={(value) => setChosen({ ...chosen, time: Number(value) })}
      />
      <Choice
        label={say`Time in`}
        value={unitText(chosen.timeUnitS)}
        options={unitOptions}
        onChange={(value) => setChosen({ ...chosen, timeUnitS: unitOf(value) })}
      />
      <Choice
        label={say`Channel`}
        value={chosen.volts === null ? 'none' : String(chosen.volts)}
        options={[['none', say`the one that makes sense`], ...columnsOf(head)]}
        onChange={(value) => setChosen({ ...chosen, volts: value === 'none' ? null : Number(value) })}
      />
    </Frame>
  );
}

/** Which columns of a table hold the axes. */
export function GyroColumnsForm({ head, columns, onCancel, onMeasure }: Props<GyroColumns>) {
  const [chosen, setChosen] = useState(columns);
  const axis = (at: number, value: number) =>
    setChosen({ ...chosen, axes: chosen.axes.map((old, i) => (i === at ? value : old)) });
  return (
    <Frame head={head} onCancel={onCancel} onMeasure={(answer) => onMeasure(chosen, answer)}>
      <Choice
        label={say`Time`}
        value={String(chosen.time)}
        options={columnsOf(head)}
        onChange={(value) => setChosen({ ...chosen, time: Number(value) })}
      />
      <Choice
        label={say`Time in`}
        value={unitText(chosen.timeUnitS)}
        options={unitOptions}
        onChange={(value) => setChosen({ ...chosen, timeUnitS: unitOf(value) })}
      />
      {(chosen.axes.length === 1 ? [say`of the spindle`] : ['x', 'y', 'z']).map((name, i) => (
        <Choice
          key={name}
          label={say`Axis ${name}`}
          value={String(chosen.axes[i])}
          options={columnsOf(head)}
          onChange={(value) => axis(i, Number(value))}
        />
      ))}
      <Choice
        label={say`Axes in`}
        value={chosen.unit ?? 'guess'}
        options={[['guess', say`told from the speed`], ...Object.keys(AXIS_UNITS).map((unit) => [unit, unit] as const)]}
        onChange={(value) => setChosen({ ...chosen, unit: value === 'guess' ? null : (value as AxisUnit) })}
      />
    </Frame>
  );
}
