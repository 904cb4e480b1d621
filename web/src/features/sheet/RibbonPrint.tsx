/** The ribbon in print on the page: 170 x 16 mm, hatched window, as found hollow, as left solid, an arrow between. */
import type { SheetSpeed } from '@amber-gauge/core/bench';
import type { Tolerance } from '@amber-gauge/core/quantity';
import { centreLabel, printRibbonMarks, RIBBON_PRINT } from '@amber-gauge/core/speed';
import useMediaQuery from '@mui/material/useMediaQuery';
import { RibbonMarks } from '../../shared/ribbon/RibbonMarks.js';
import classes from './Sheet.module.css';
import { say } from '@amber-gauge/core/words';

/** Width on a phone, where the words would be too small to read, millimetres. */
const PHONE_MM = 74;

export function RibbonPrint({ speed, limits }: { readonly speed: SheetSpeed; readonly limits: Tolerance }) {
  const phone = useMediaQuery('screen and (max-width: 700px)');
  const width = phone ? PHONE_MM : RIBBON_PRINT.width;
  const pair = { found: speed.asFound, left: speed.asLeft };
  const marks = printRibbonMarks(pair, limits, centreLabel(speed.nominalRpm, speed.label), width);
  return (
    <svg
      className={classes.ribbon}
      viewBox={`0 0 ${width} ${RIBBON_PRINT.height}`}
      role="img"
      aria-label={say`${speed.label}: as found and as left`}
    >
      <RibbonMarks marks={marks} classes={classes} hatchPitch={2} />
    </svg>
  );
}
