/** Start, stop, which input, how loud: the same for a tone and for pulses. */
import type { LiveLevel } from '@amber-gauge/core/speed';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import { Field } from '../../../shared/ui/Field.js';
import type { InputDevice } from './input.js';
import classes from './Live.module.css';
import { say } from '@amber-gauge/core/words';

interface Props {
  readonly state: 'off' | 'starting' | 'on';
  readonly devices: readonly InputDevice[];
  readonly deviceId: string | null;
  readonly onDevice: (id: string) => void;
  readonly onStart: () => void;
  readonly onStop: () => void;
  readonly onCapture: () => void;
  readonly canCapture: boolean;
  readonly captureKey: string;
  readonly level: LiveLevel | null;
  readonly clippedBefore: boolean;
}

export function LiveControls(props: Props) {
  const { state, devices, deviceId, level } = props;
  return (
    <div className="row">
      {state === 'on' ? (
        <>
          <Button
            variant="contained"
            className={classes.key ?? ''}
            disabled={!props.canCapture}
            onClick={props.onCapture}
            title={say`Key ${props.captureKey}`}
          >{say`Capture`}</Button>
          <Button
            variant="outlined"
            className={classes.stop ?? ''}
            onClick={props.onStop}
          >{say`Stop listening`}</Button>
        </>
      ) : (
        <Button
          variant="contained"
          className={classes.key ?? ''}
          disabled={state === 'starting'}
          onClick={props.onStart}
        >
          {state === 'starting' ? say`Opening the input` : say`Listen`}
        </Button>
      )}
      {devices.length > 0 && (
        <Field
          select
          label={say`Input`}
          className={classes.device ?? ''}
          value={devices.some((one) => one.id === deviceId) ? deviceId : (devices[0]?.id ?? '')}
          onChange={(event) => props.onDevice(event.target.value)}
        >
          {devices.map((device) => (
            <MenuItem key={device.id} value={device.id}>
              {device.name}
            </MenuItem>
          ))}
        </Field>
      )}
      {level && <LevelBar level={level} clippedBefore={props.clippedBefore} />}
    </div>
  );
}

/** Level from -60 dB to full scale; overdriven is said in a word and stays said. */
function LevelBar({ level, clippedBefore }: { readonly level: LiveLevel; readonly clippedBefore: boolean }) {
  const decibels = level.peak > 0 ? 20 * Math.log10(level.peak) : -120;
  const part = Math.max(0, Math.min(1, (decibels + 60) / 60));
  const word =
    level.clipped || clippedBefore ? say`overdriven: turn it down` : decibels < -50 ? say`hardly anything` : say`level`;
  return (
    <div className={classes.level}>
      <span className={level.clipped || clippedBefore ? 'danger' : 'quiet'} role="status">
        {word}
      </span>
      <svg
        viewBox="0 0 100 8"
        preserveAspectRatio="none"
        className={classes.bar}
        role="meter"
        aria-label={say`Input level`}
        aria-valuemin={-60}
        aria-valuemax={0}
        aria-valuenow={Math.round(Math.max(-60, Math.min(0, decibels)))}
      >
        <rect x={0} y={0} width={100 * part} height={8} />
      </svg>
    </div>
  );
}
