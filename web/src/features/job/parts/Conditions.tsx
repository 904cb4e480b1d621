/** Under which conditions the next reading is taken: they stand with it in the log. */
import { PITCH_POSITIONS, PITCH_WORDS, type PitchPosition } from '@amber-gauge/core/bench';
import type { Family } from '@amber-gauge/core/families';
import MenuItem from '@mui/material/MenuItem';
import { useState } from 'react';
import { Field } from '../../../shared/ui/Field.js';
import { serverNow } from '../../../shared/outbox/clock.js';
import type { JobView } from '../useJobView.js';
import { say } from '@amber-gauge/core/words';

const LOADS: Readonly<Record<Family['testTone'], readonly string[]>> = {
  record: [say`record on`, say`platter bare`],
  tape: [say`tape in play`, say`no tape`],
  none: [say`loaded`, say`running free`],
};

/** Where the pitch stands, and "record on, on for 12 min"; empty while nothing is said and it is not on. */
export function useConditions(view: JobView, family: Family, asked: PitchPosition | null = null) {
  const [pitch, setPitch] = useState<PitchPosition | ''>(asked ?? '');
  const [load, setLoad] = useState('');
  const since = view.state.onSince;
  const taken = () => {
    const minutes = since === null ? null : Math.floor((serverNow().getTime() - Date.parse(since)) / 60_000);
    const words = [load, minutes === null ? '' : say`on for ${minutes} min`].filter(Boolean).join(', ');
    return { ...(pitch === '' ? {} : { pitch }), ...(words === '' ? {} : { conditions: words }) };
  };
  const choice = (
    label: string,
    value: string,
    choices: readonly (readonly [string, string])[],
    onValue: (value: string) => void,
  ) => (
    <Field
      select
      label={label}
      value={value}
      onChange={(event) => onValue(event.target.value)}
      sx={{ width: 230 }}
      slotProps={{ select: { displayEmpty: true } }}
    >
      <MenuItem value="">{say`not said`}</MenuItem>
      {choices.map((one) => (
        <MenuItem key={one[0]} value={one[0]}>
          {one[1]}
        </MenuItem>
      ))}
    </Field>
  );
  const fields = (
    <div className="row" role="group" aria-label={say`Conditions`}>
      {family.testTone !== 'none' &&
        choice(
          say`Pitch control`,
          pitch,
          PITCH_POSITIONS.map((one) => [one, PITCH_WORDS[one]] as const),
          (one) => setPitch(PITCH_POSITIONS.find((each) => each === one) ?? ''),
        )}
      {choice(
        say`Load`,
        load,
        LOADS[family.testTone].map((one) => [one, one] as const),
        setLoad,
      )}
    </div>
  );
  return { taken, fields };
}
