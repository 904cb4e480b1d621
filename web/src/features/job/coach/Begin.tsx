/** Before the first turn: which trims, how they are watched, and what has to be seen to. */
import {
  COACH_CHECKS,
  jobSpeeds,
  jobTolerance,
  modelOf,
  turnsOfClock,
  WORK_WORDS,
  type StageId,
} from '@amber-gauge/core/bench';
import type { CoachTask } from '@amber-gauge/core/drive';
import { familyOf, type ModelTrim } from '@amber-gauge/core/families';
import { numberIn, type Tolerance } from '@amber-gauge/core/quantity';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import { useState } from 'react';
import { useSheet } from '../../../shared/api/queries.js';
import { makeLine, submitLines } from '../../../shared/outbox/outbox.js';
import { Field } from '../../../shared/ui/Field.js';
import type { JobView } from '../useJobView.js';
import classes from './Coach.module.css';
import { say } from '@amber-gauge/core/words';

interface Props {
  readonly view: JobView;
  readonly stage: StageId;
  readonly onDone: () => void;
}

interface TrimDraft {
  readonly id: string;
  readonly name: string;
  readonly serves: string;
  readonly faster: '' | 'clockwise' | 'counter-clockwise';
  readonly travel: string;
  readonly stood: string;
}

/** Travel of a trim whose place is told by the clock, turns (common practice). */
const SINGLE_TURN = 0.75;
/** Serves every speed. */
const ALL = 'all';

export function Begin({ view, stage, onDone }: Props) {
  const speeds = jobSpeeds(view.job).filter((one) => one.nominalRpm !== null || one.nominalCmPerS !== null);
  const model = modelOf(view.job);
  const sheet = useSheet(view.job.familyId, model, model !== '')?.sheet;
  const hasTone = familyOf(view.job.familyId).testTone !== 'none';
  const [typed, setTyped] = useState<readonly TrimDraft[] | null>(null);
  const [watched, setWatched] = useState<CoachTask['watched']>(hasTone ? 'live' : 'typed');
  const [checks, setChecks] = useState<readonly string[]>([]);
  const trims = typed ?? usualTrims(sheet?.trims ?? [], speeds);
  const set = (id: string, more: Partial<TrimDraft>) =>
    setTyped(trims.map((one) => (one.id === id ? { ...one, ...more } : one)));
  const limits = jobTolerance(view.job);
  const wrong =
    trims.length === 0 ||
    trims.some(
      (one) =>
        one.name.trim() === '' || bad(one.travel, 0.1) || (bad(one.stood, 0) && turnsOfClock(one.stood) === null),
    );
  const begin = () => {
    const task = taskOf(watched, speeds, trims, limits);
    void submitLines(view.job.id, makeLine(stage, { kind: 'coach-begin', task, checks: [...checks] }));
    onDone();
  };
  return (
    <>
      <p className={classes.prompt}>{say`First, then the screws`}</p>
      <Checks checks={checks} onChecks={setChecks} />
      <ToggleButtonGroup
        exclusive
        value={watched}
        onChange={(_event, value: CoachTask['watched'] | null) => value && setWatched(value)}
        aria-label={say`How the speed is watched`}
      >
        <ToggleButton value="live">{say`Heard live, turned by ear`}</ToggleButton>
        <ToggleButton value="typed">{say`Read and typed between moves`}</ToggleButton>
      </ToggleButtonGroup>
      {trims.map((one) => (
        <TrimFields
          key={one.id}
          one={one}
          speeds={speeds}
          onTrim={(more) => set(one.id, more)}
          onRemove={() => setTyped(trims.filter((other) => other.id !== one.id))}
        />
      ))}
      <div className="row">
        <Button
          variant="contained"
          className={classes.done ?? ''}
          disabled={wrong || checks.length < COACH_CHECKS.length}
          onClick={begin}
        >
          {checks.length < COACH_CHECKS.length
            ? say`${COACH_CHECKS.length - checks.length} left before the first turn`
            : say`Begin`}
        </Button>
        <Button
          variant="outlined"
          disabled={trims.length >= 6}
          onClick={() =>
            setTyped([
              ...trims,
              {
                id: `trim-${trims.length + 1}-${Date.now()}`,
                name: say`trim ${trims.length + 1}`,
                serves: ALL,
                faster: '',
                travel: '',
                stood: '',
              },
            ])
          }
        >{say`Another trim`}</Button>
        <Button onClick={onDone}>{say`Leave it`}</Button>
      </div>
      <p className="quiet small">{say`From the first turn on, what is read counts as ${WORK_WORDS.adjust}, not as
        found.`}</p>
    </>
  );
}

type Speeds = ReturnType<typeof jobSpeeds>;

/** The trims of the model's sheet, or one a speed. */
function usualTrims(known: readonly ModelTrim[], speeds: Speeds): readonly TrimDraft[] {
  if (known.length === 0)
    return speeds.map((speed) => ({
      id: `trim-${speed.id}`,
      name: say`${speed.id} trim`,
      serves: speed.id,
      faster: '',
      travel: '',
      stood: '',
    }));
  return known.map((trim) => ({
    id: trim.id,
    name: trim.where ? `${trim.name}, ${trim.where}` : trim.name,
    serves: trim.serves.length > 1 ? ALL : (trim.serves[0] ?? ALL),
    faster: trim.faster ?? '',
    travel: trim.travelTurns === null ? '' : String(trim.travelTurns),
    stood: '',
  }));
}

function taskOf(
  watched: CoachTask['watched'],
  speeds: Speeds,
  trims: readonly TrimDraft[],
  { lowerPercent, upperPercent }: Tolerance,
): CoachTask {
  return {
    watched,
    speeds: speeds.map(({ id, label }) => ({ id, label, lowerPercent, upperPercent })),
    trims: trims.map((one) => ({
      id: one.id,
      name: one.name.trim(),
      serves: one.serves === ALL ? speeds.map(({ id }) => id) : [one.serves],
      faster: one.faster === '' ? null : one.faster,
      travelTurns: numberIn(one.travel) ?? (turnsOfClock(one.stood) === null ? null : SINGLE_TURN),
      stoodTurns: turnsOfClock(one.stood) ?? numberIn(one.stood),
    })),
  };
}

interface ChecksProps {
  readonly checks: readonly string[];
  readonly onChecks: (checks: readonly string[]) => void;
}

function Checks({ checks, onChecks }: ChecksProps) {
  return (
    <ul className={classes.checks} aria-label={say`What comes first`}>
      {COACH_CHECKS.map((one) => (
        <li key={one.id}>
          <ToggleButton
            value={one.id}
            selected={checks.includes(one.id)}
            onChange={() =>
              onChecks(checks.includes(one.id) ? checks.filter((id) => id !== one.id) : [...checks, one.id])
            }
            className={classes.check ?? ''}
          >
            {checks.includes(one.id) ? '✓ ' : ''}
            {one.text}
          </ToggleButton>
          <span className="quiet">{one.why}</span>
        </li>
      ))}
    </ul>
  );
}

/** Typed and no number of the size that can be. */
const bad = (text: string, least: number): boolean => {
  if (text.trim() === '') return false;
  const value = numberIn(text);
  return value === null || value < least || value > 100;
};

interface TrimProps {
  readonly one: TrimDraft;
  readonly speeds: readonly { readonly id: string; readonly label: string }[];
  readonly onTrim: (more: Partial<TrimDraft>) => void;
  readonly onRemove: () => void;
}

function TrimFields({ one, speeds, onTrim, onRemove }: TrimProps) {
  return (
    <div className={classes.trim}>
      <Field
        label={say`Trim, and where it sits`}
        value={one.name}
        onChange={(event) => onTrim({ name: event.target.value })}
      />
      <Field select label={say`Serves`} value={one.serves} onChange={(event) => onTrim({ serves: event.target.value })}>
        {speeds.map((speed) => (
          <MenuItem key={speed.id} value={speed.id}>
            {speed.label}
          </MenuItem>
        ))}
        <MenuItem value={ALL}>{say`all speeds`}</MenuItem>
      </Field>
      <Field
        select
        label={say`Faster`}
        value={one.faster}
        onChange={(event) => onTrim({ faster: event.target.value as TrimDraft['faster'] })}
        slotProps={{ select: { displayEmpty: true } }}
      >
        <MenuItem value="">{say`not known`}</MenuItem>
        <MenuItem value="clockwise">{say`clockwise`}</MenuItem>
        <MenuItem value="counter-clockwise">{say`counter-clockwise`}</MenuItem>
      </Field>
      <Field
        label={say`Travel, if known`}
        unit="turns"
        value={one.travel}
        error={bad(one.travel, 0.1)}
        onChange={(event) => onTrim({ travel: event.target.value })}
      />
      <Field
        label={say`Stands at: 10:30, or turns from its ccw stop`}
        unit="turns"
        value={one.stood}
        error={bad(one.stood, 0) && turnsOfClock(one.stood) === null}
        onChange={(event) => onTrim({ stood: event.target.value })}
      />
      <Button onClick={onRemove} aria-label={say`Take out: ${one.name}`}>{say`Take out`}</Button>
    </div>
  );
}
