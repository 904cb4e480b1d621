/** The row of ways and the chosen one: the same on the speed desk and inside a job. */
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import { useState, type ReactNode } from 'react';
import { GyroWay } from './GyroWay.js';
import { LiveToneWay } from './LiveToneWay.js';
import { PulsesWay } from './PulsesWay.js';
import { RecordingWay } from './RecordingWay.js';
import { SoundWay } from './SoundWay.js';
import { StopwatchWay } from './StopwatchWay.js';
import { StrobeWay } from './StrobeWay.js';
import { passedOn, type Handed } from './kinds.js';
import type { Way, WayProps } from './way.js';
import classes from '../parts/Speed.module.css';
import { said, say } from '@amber-gauge/core/words';

interface Props extends WayProps {
  readonly ways: readonly Way[];
  readonly way: Way;
  readonly onWay: (way: Way) => void;
  /** What stands at the end of the row. */
  readonly children?: ReactNode;
}

const PANELS: Readonly<Record<Way, (props: WayProps) => ReactNode>> = {
  recording: RecordingWay,
  'live tone': LiveToneWay,
  pulses: PulsesWay,
  gyroscope: GyroWay,
  'strobe disc': StrobeWay,
  stopwatch: StopwatchWay,
  sound: SoundWay,
};

export function Ways({ ways, way, onWay, children, ...props }: Props) {
  const Panel = PANELS[way];
  const [handed, setHanded] = useState<Handed | null>(null);
  const here = handed?.to === way ? handed : null;
  const passing = {
    file: here?.file ?? null,
    words: here?.words ?? '',
    async elsewhere(file: File) {
      if (file === here?.file) return false;
      const next = await passedOn(file, way, ways);
      if (!next) return false;
      setHanded(next);
      onWay(next.to);
      return true;
    },
  };
  return (
    <div className={classes.waysFrame}>
      <div className={classes.waysRow}>
        <ToggleButtonGroup
          exclusive
          size="small"
          value={way}
          onChange={(_event, value: Way | null) => {
            if (!value) return;
            setHanded(null);
            onWay(value);
          }}
          aria-label={say`Way of measuring`}
          className={classes.ways ?? ''}
        >
          {ways.map((one) => (
            <ToggleButton key={one} value={one}>
              {said(one)}
            </ToggleButton>
          ))}
        </ToggleButtonGroup>
        {children}
      </div>
      <Panel key={`${way} ${props.speed.id}`} {...props} passing={passing} />
    </div>
  );
}
