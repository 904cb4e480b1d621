/** Every sum of the bench, at once and without a job. */
import { WORKINGS, workingOf } from '@amber-gauge/core/workings';
import { NavLink, useParams } from 'react-router';
import { WorkingPanel } from './WorkingPanel.js';
import classes from './Workings.module.css';

export function WorkingsScreen() {
  const { id } = useParams();
  const working = id === undefined ? null : workingOf(id);
  return (
    <main className={classes.screen}>
      <nav className={classes.list} aria-label="Workings">
        {WORKINGS.map((one) => (
          <NavLink
            key={one.id}
            to={`/workings/${one.id}`}
            className={({ isActive }) => (isActive ? `${classes.item} ${classes.here}` : (classes.item ?? ''))}
          >
            {one.name}
          </NavLink>
        ))}
      </nav>
      {working ? (
        <WorkingPanel key={working.id} working={working} />
      ) : (
        <h1 className="prompt">{id === undefined ? 'Choose a sum' : 'There is no such sum: choose one'}</h1>
      )}
    </main>
  );
}
