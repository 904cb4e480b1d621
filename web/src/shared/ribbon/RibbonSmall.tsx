/** The ribbon in small, for tables and the log: the number always stands beside it. */
import { RIBBON_SMALL, smallRibbonMarks, type RibbonTurned } from '@amber-gauge/core/speed';
import type { Tolerance } from '@amber-gauge/core/quantity';
import classes from './Ribbon.module.css';
import { RibbonMarks } from './RibbonMarks.js';

interface Props {
  readonly reading: RibbonTurned;
  readonly limits: Tolerance;
  readonly width?: number;
}

export function RibbonSmall({ reading, limits, width = 200 }: Props) {
  const { height } = RIBBON_SMALL;
  return (
    <svg
      className={classes.small}
      width={width}
      height={height}
      viewBox={`0 0 ${width} ${height}`}
      preserveAspectRatio="none"
      aria-hidden="true"
    >
      <RibbonMarks marks={smallRibbonMarks(reading, limits, width)} classes={classes} hatchPitch={8} />
    </svg>
  );
}
