/** What was seen: which way the bars go, at which edge, how many in how long. */
import type { StrobeLook } from '@amber-gauge/core/speed';
import { Field } from '../../../shared/ui/Field.js';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import type { ReactNode } from 'react';
import { say } from '@amber-gauge/core/words';

interface Props {
  readonly direction: StrobeLook['direction'];
  readonly onDirection: (direction: StrobeLook['direction']) => void;
  readonly edge: StrobeLook['edge'];
  readonly onEdge: (edge: StrobeLook['edge']) => void;
  readonly bars: string;
  readonly onBars: (text: string) => void;
  readonly overS: string;
  readonly onOverS: (text: string) => void;
  readonly children: ReactNode;
}

export function StrobeCount(props: Props) {
  const { direction, onDirection, edge, onEdge, bars, onBars, overS, onOverS, children } = props;
  return (
    <div className="row">
      <ToggleButtonGroup
        exclusive
        value={direction}
        onChange={(_event, value: StrobeLook['direction'] | null) => value && onDirection(value)}
        aria-label={say`The bars go`}
      >
        <ToggleButton value="left">{say`go left`}</ToggleButton>
        <ToggleButton value="still">{say`stand still`}</ToggleButton>
        <ToggleButton value="right">{say`go right`}</ToggleButton>
      </ToggleButtonGroup>
      {direction !== 'still' && (
        <>
          <ToggleButtonGroup
            exclusive
            value={edge}
            onChange={(_event, value: StrobeLook['edge'] | null) => value && onEdge(value)}
            aria-label={say`Looking at`}
          >
            <ToggleButton value="near">{say`near edge`}</ToggleButton>
            <ToggleButton value="far">{say`far edge`}</ToggleButton>
          </ToggleButtonGroup>
          <Field
            label={say`Bars past a mark`}
            value={bars}
            onChange={(event) => onBars(event.target.value)}
            slotProps={{ htmlInput: { inputMode: 'decimal' } }}
          />
          <Field
            label={say`in seconds`}
            value={overS}
            onChange={(event) => onOverS(event.target.value)}
            slotProps={{ htmlInput: { inputMode: 'decimal' } }}
          />
        </>
      )}
      {children}
    </div>
  );
}
