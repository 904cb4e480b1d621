/** A tone far off that fits another speed: which speed ran is asked before anything is filed. */
import { atPlayedSpeed, playedOf } from '@amber-gauge/core/speed';
import type { Family } from '@amber-gauge/core/families';
import { errorDecimals, fixed, signed } from '@amber-gauge/core/quantity';
import Button from '@mui/material/Button';
import type { Measured } from './way.js';
import classes from '../parts/Speed.module.css';
import { say } from '@amber-gauge/core/words';

interface Props {
  readonly measured: Measured;
  readonly family: Family;
  readonly onAnswer: (measured: Measured) => void;
}

/** The speed of the family that ran, for a record; null for a tape, or a speed the family has not. */
function speedPlayedIn(family: Family, playedRpm: number | null) {
  if (playedRpm === null) return null;
  return (
    family.speeds.find((one) => one.nominalRpm !== null && Math.abs(one.nominalRpm / playedRpm - 1) < 0.01) ?? null
  );
}

/** Which band was played at which speed. */
export function PlayedQuestion({ measured, family, onAnswer }: Props) {
  const played = playedOf(measured.run);
  if (!played) return null;
  const again = atPlayedSpeed(measured.run, played);
  const speed = speedPlayedIn(family, played.playedRpm);
  const figure = (run: Measured['run']) => {
    const decimals = errorDecimals(run.expandedPercent);
    return `${signed(run.errorPercent ?? 0, decimals)} ± ${fixed(run.expandedPercent, decimals)}\u202f%`;
  };
  return (
    <div role="alert" className={classes.asked}>
      <p className={classes.dropWord}>{say`${fixed(measured.run.mean, 1)} Hz is ${played.words}. Which speed ran?`}</p>
      <div className="row">
        <Button
          variant="contained"
          autoFocus
          onClick={() => onAnswer({ ...measured, run: again, speedId: speed?.id ?? null })}
        >
          {speed
            ? say`${speed.label} ran: file ${figure(again)} at ${speed.label}`
            : say`It did: file ${figure(again)}`}
        </Button>
        <Button
          variant="outlined"
          onClick={() => onAnswer({ ...measured, answered: true })}
        >{say`No, it really is ${figure(measured.run)} off`}</Button>
      </div>
    </div>
  );
}

/** Must be asked about before it is filed. */
export const mustAsk = (measured: Measured): boolean => !measured.answered && playedOf(measured.run) !== null;
