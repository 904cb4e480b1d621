/** The motor, the speeds asked of the train, and what comes out. */
import { MOTOR_KINDS, type TrainProblem } from '@amber-gauge/core/drive';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import { Field } from '../../shared/ui/Field.js';
import type { TrainDraft } from './draft.js';
import classes from './Train.module.css';
import { said, say } from '@amber-gauge/core/words';

interface Props {
  readonly draft: TrainDraft;
  readonly problems: readonly TrainProblem[];
  readonly onDraft: (draft: TrainDraft) => void;
}

type MotorKey = 'poles' | 'rpm' | 'slip' | 'segments' | 'generator';

/** Ids, shown by their names. */
const SIDES = ['shaft end', 'rear'] as const;
const SHAFTS = ['towards you', 'away from you'] as const;
const CHOICES = {
  kind: [say`Motor`, MOTOR_KINDS],
  sense: [say`Turns`, ['clockwise', 'counter-clockwise']],
  seenFrom: [say`seen from its`, SIDES],
  shaft: [say`Its shaft points`, SHAFTS],
} as const;

export function Motor({ draft, problems, onDraft }: Props) {
  const { motor } = draft;
  const set = (more: Partial<TrainDraft['motor']>) => onDraft({ ...draft, motor: { ...motor, ...more } });
  const onPoles = motor.kind === 'synchronous' || motor.kind === 'induction';
  const wrongAt = (part: string, field: string) =>
    problems.find((one) => one.part === part && one.field === field)?.message;
  const number = (id: MotorKey, label: string, unit: string, field: string = id) => (
    <Field
      label={label}
      unit={unit}
      value={motor[id]}
      onChange={(event) => set({ [id]: event.target.value })}
      error={wrongAt('motor', field) !== undefined}
      helperText={wrongAt('motor', field)}
    />
  );
  return (
    <section aria-label={say`Motor and speeds`} className="stack">
      <h2>{say`Motor and speeds`}</h2>
      <div className={classes.fields}>
        {(Object.keys(CHOICES) as (keyof typeof CHOICES)[]).map((id) => (
          <Field
            key={id}
            select
            label={CHOICES[id][0]}
            value={motor[id]}
            onChange={(event) => set({ [id]: event.target.value })}
          >
            {CHOICES[id][1].map((one) => (
              <MenuItem key={one} value={one}>
                {said(one)}
              </MenuItem>
            ))}
          </Field>
        ))}
        {onPoles
          ? number('poles', say`Poles (one a speed: apart by spaces)`, '')
          : number('rpm', say`Turns a minute (one a speed: apart by spaces)`, 'rpm')}
        {motor.kind === 'brushless' && number('poles', say`Poles of its rotor`, '')}
        {motor.kind === 'induction' && number('slip', say`Slip`, '%', 'slipPercent')}
        {!onPoles && number('segments', say`Commutator bars, if any`, '')}
        {!onPoles && number('generator', say`Sensor pulses a turn, if any`, '')}
      </div>
      <Speeds {...{ draft, problems, onDraft }} />
      <Output {...{ draft, problems, onDraft }} />
    </section>
  );
}

/** What is said of a field; undefined where nothing is wrong. */
const saidBy =
  (problems: readonly TrainProblem[]) =>
  (part: string, field: string): string | undefined =>
    problems.find((one) => one.part === part && one.field === field)?.message;

function Speeds({ draft, problems, onDraft }: Props) {
  const { speeds, output } = draft;
  const wrongAt = saidBy(problems);
  const speedAt = (i: number, more: Partial<TrainDraft['speeds'][number]>) =>
    onDraft({ ...draft, speeds: speeds.map((one, k) => (k === i ? { ...one, ...more } : one)) });
  return (
    <div className={classes.fields}>
      {speeds.map((one, i) => (
        <div key={one.id} className={classes.speed}>
          <Field
            label={say`Speed ${i + 1}`}
            value={one.label}
            onChange={(event) => speedAt(i, { label: event.target.value })}
          />
          <Field
            label={say`nominal`}
            unit={output.kind === 'turns' ? 'rpm' : 'cm/s'}
            value={one.nominal}
            onChange={(event) => speedAt(i, { nominal: event.target.value })}
            error={wrongAt('speeds', one.id) !== undefined}
            helperText={wrongAt('speeds', one.id)}
          />
        </div>
      ))}
      <Button
        variant="outlined"
        disabled={speeds.length >= 6}
        onClick={() =>
          onDraft({
            ...draft,
            speeds: [...speeds, { id: `s${Date.now()}`, label: say`speed ${speeds.length + 1}`, nominal: '' }],
          })
        }
      >{say`Another speed`}</Button>
      {speeds.length > 1 && (
        <Button
          onClick={() => onDraft({ ...draft, speeds: speeds.slice(0, -1) })}
        >{say`Take the last speed out`}</Button>
      )}
    </div>
  );
}

function Output({ draft, problems, onDraft }: Props) {
  const { output } = draft;
  const wrongAt = saidBy(problems);
  return (
    <div className={classes.fields}>
      <Field
        select
        label={say`What counts`}
        value={output.part}
        onChange={(event) => onDraft({ ...draft, output: { ...output, part: event.target.value } })}
        error={wrongAt('output', 'part') !== undefined}
        helperText={wrongAt('output', 'part')}
      >
        {draft.parts.map((one) => (
          <MenuItem key={one.id} value={one.id}>
            {one.name}
          </MenuItem>
        ))}
      </Field>
      <Field
        select
        label={say`as`}
        value={output.kind}
        onChange={(event) =>
          onDraft({ ...draft, output: { ...output, kind: event.target.value as typeof output.kind } })
        }
      >
        <MenuItem value="turns">{say`turns a minute`}</MenuItem>
        <MenuItem value="tape">{say`speed of the tape`}</MenuItem>
      </Field>
      {output.kind === 'tape' && (
        <Field
          label={say`Tape thickness`}
          unit="mm"
          value={output.tape}
          onChange={(event) => onDraft({ ...draft, output: { ...output, tape: event.target.value } })}
          error={wrongAt('output', 'tapeThicknessMm') !== undefined}
          helperText={wrongAt('output', 'tapeThicknessMm')}
        />
      )}
    </div>
  );
}
