/** The ribbon gauge, large: trail, band, scale. Its marks come from the core. */
import { largeRibbonMarks, RIBBON_LARGE, type RibbonTrail, type RibbonTurned } from '@amber-gauge/core/speed';
import type { Tolerance } from '@amber-gauge/core/quantity';
import { useMemo } from 'react';
import { useWidth } from '../ui/useWidth.js';
import classes from './Ribbon.module.css';
import { RibbonMarks } from './RibbonMarks.js';

interface Props {
  readonly reading: RibbonTurned;
  readonly limits: Tolerance;
  readonly centre: string;
  readonly trail?: RibbonTrail | null;
  readonly describe: string;
}

const HEIGHT = RIBBON_LARGE.trail + RIBBON_LARGE.band + RIBBON_LARGE.scale;

export function RibbonLarge({ reading, limits, centre, trail = null, describe }: Props) {
  const [ref, width] = useWidth(1232);
  const marks = useMemo(
    () => largeRibbonMarks(reading, limits, centre, width, trail),
    [reading, limits, centre, width, trail],
  );
  return (
    <div ref={ref} className={classes.large}>
      <svg width={width} height={HEIGHT} role="img" aria-label={describe}>
        <RibbonMarks marks={marks} classes={classes} hatchPitch={12} />
      </svg>
    </div>
  );
}
