/** Addresses that lead nowhere, and screens that could not be shown. */
import Button from '@mui/material/Button';
import { Link, useRouteError } from 'react-router';
import classes from './Frame.module.css';
import { say } from '@amber-gauge/core/words';

/** What an address without a screen says. */
export function Missing() {
  return (
    <main className={classes.plain}>
      <h1 className="prompt">{say`Nothing lies here`}</h1>
      <p>{say`The address is mistyped, or what it named was removed.`}</p>
      <Button component={Link} to="/" variant="contained">{say`To the bench`}</Button>
    </main>
  );
}

/** What a screen says that broke, with the way back. */
export function Failed() {
  const error = useRouteError();
  return (
    <main className={classes.plain}>
      <h1 className="prompt">{say`This screen could not be shown`}</h1>
      <p>{say`${error instanceof Error ? error.message : say`Something unforeseen happened.`} What you typed is kept
        in this browser.`}</p>
      <Button variant="contained" onClick={() => window.location.reload()}>{say`Load it again`}</Button>
    </main>
  );
}
