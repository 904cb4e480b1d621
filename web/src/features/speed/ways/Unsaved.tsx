/** A result that waits for the server. */
import Button from '@mui/material/Button';
import type { Handing } from './useHanding.js';
import classes from '../parts/Speed.module.css';

export function Unsaved({ handing }: { readonly handing: Handing }) {
  const { unsaved, hand } = handing;
  if (!unsaved) return null;
  return (
    <div role="alert" className={classes.refused}>
      <p>Measured, but not stored yet: {unsaved.message}</p>
      <Button variant="contained" onClick={() => void hand(unsaved.measured)}>
        Store it now
      </Button>
    </div>
  );
}
