/** A result that waits: for the server, or for an answer whether it can be right. */
import Button from '@mui/material/Button';
import type { Handing } from './useHanding.js';
import classes from '../parts/Speed.module.css';
import { say } from '@amber-gauge/core/words';

export function Unsaved({ handing }: { readonly handing: Handing }) {
  const { doubted, dropDoubted, unsaved, hand } = handing;
  if (doubted)
    return (
      <section role="alert" className={classes.asked} aria-label={say`Can this be right?`}>
        <p className={classes.dropWord}>{doubted.question}</p>
        <div className="row">
          <Button variant="contained" onClick={dropDoubted}>{say`No, leave it`}</Button>
          <Button
            variant="outlined"
            onClick={() => void hand({ ...doubted.measured, answered: true })}
          >{say`It is right: keep it`}</Button>
        </div>
      </section>
    );
  if (!unsaved) return null;
  return (
    <div role="alert" className={classes.refused}>
      <p>{say`Measured, but not stored yet: ${unsaved.message}`}</p>
      <Button variant="contained" onClick={() => void hand(unsaved.measured)}>{say`Store it now`}</Button>
    </div>
  );
}
