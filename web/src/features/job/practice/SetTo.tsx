/** How the practice unit is set and held while it is measured. */
import { ownEntry } from '@amber-gauge/core/quantity';
import type { Visit, waysToHold } from '@amber-gauge/core/training';
import MenuItem from '@mui/material/MenuItem';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import { Field } from '../../../shared/ui/Field.js';
import classes from './Practice.module.css';
import { said, say } from '@amber-gauge/core/words';

/** The unit's setting, and how it stands. */
export interface Stands {
  readonly setting: string;
  /** 0 cold, 1 warm. */
  readonly warm: number;
  readonly tapped: boolean;
  readonly loaded: boolean;
  readonly damp: boolean;
  /** Function, place, what is taken off: values by the ids of the ways to hold it. */
  readonly held: Readonly<Record<string, string>>;
}

interface Props {
  readonly machine: Pick<Visit['map']['machine'], 'settings' | 'answersTo'>;
  readonly ways: ReturnType<typeof waysToHold>;
  readonly stands: Stands;
  readonly onStands: (to: Stands) => void;
}

/** The setting of a practice unit, and how it stands. */
export function SetTo({ machine: { settings, answersTo }, ways, stands, onStands }: Props) {
  const keys = [
    stands.warm > 0 && 'warm',
    stands.tapped && 'tapped',
    stands.loaded && 'loaded',
    stands.damp && 'damp',
  ].filter(Boolean);
  return (
    <>
      {settings.length > 1 && (
        <ToggleButtonGroup
          exclusive
          size="small"
          value={stands.setting}
          onChange={(_event, setting: string | null) => setting && onStands({ ...stands, setting })}
          aria-label={say`The unit is set to`}
        >
          {settings.map((one) => (
            <ToggleButton key={one} value={one}>
              {said(one)}
            </ToggleButton>
          ))}
        </ToggleButtonGroup>
      )}
      {answersTo.length > 0 && (
        <ToggleButtonGroup
          size="small"
          value={keys}
          onChange={(_event, now: string[]) =>
            onStands({
              ...stands,
              warm: now.includes('warm') ? 1 : 0,
              tapped: now.includes('tapped'),
              loaded: now.includes('loaded'),
              damp: now.includes('damp'),
            })
          }
          aria-label={say`How it stands`}
        >
          {answersTo.map((one) => (
            <ToggleButton key={one} value={one}>
              {said(one)}
            </ToggleButton>
          ))}
        </ToggleButtonGroup>
      )}
      {ways.map(({ id, name, values }) => (
        <Field
          key={id}
          select
          className={classes.way ?? ''}
          label={name}
          value={ownEntry(stands.held, id) ?? values[0] ?? ''}
          onChange={(event) => onStands({ ...stands, held: { ...stands.held, [id]: event.target.value } })}
        >
          {values.map((value) => (
            <MenuItem key={value} value={value}>
              {value}
            </MenuItem>
          ))}
        </Field>
      ))}
    </>
  );
}
