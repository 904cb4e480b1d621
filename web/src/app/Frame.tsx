/** The bar above the screens that are not a job. */
import { NavLink, Outlet, useNavigate } from 'react-router';
import { useEffect } from 'react';
import { KeysHelp } from '../shared/ui/KeysHelp.js';
import { ModeSwitch } from '../shared/ui/ModeSwitch.js';
import { fieldHasFocus } from '../shared/ui/focus.js';
import { OutboxWord } from '../shared/ui/OutboxWord.js';
import classes from './Frame.module.css';
import { say } from '@amber-gauge/core/words';

const PLACES = [
  { to: '/', word: 'Bench', key: 'b' },
  { to: '/day', word: 'Day', key: 'd' },
  { to: '/speed', word: say`Speed desk`, key: 's' },
  { to: '/workings', word: 'Workings', key: 'w' },
  { to: '/shelf', word: 'Shelf', key: 'h' },
  { to: '/practice', word: 'Practice', key: 'p' },
  { to: '/book', word: 'Book', key: 'k' },
  { to: '/set-up', word: 'Set-up', key: 'u' },
] as const;

export function Frame() {
  const navigate = useNavigate();
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.ctrlKey || event.metaKey || event.altKey || fieldHasFocus()) return;
      const place = PLACES.find((one) => one.key === event.key);
      if (place) void navigate(place.to);
      if (event.key === 'n') void navigate('/take-in');
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [navigate]);
  return (
    <div className={classes.frame}>
      <header className={classes.bar}>
        <span className={classes.name}>{say`Amber Gauge`}</span>
        <nav className={classes.places} aria-label={say`Screens`}>
          {PLACES.map((place) => (
            <NavLink
              key={place.to}
              to={place.to}
              end={place.to === '/'}
              className={({ isActive }) => (isActive ? `${classes.place} ${classes.here}` : (classes.place ?? ''))}
              title={say`Key ${place.key}`}
            >
              {place.word}
            </NavLink>
          ))}
        </nav>
        <span className={classes.gap} />
        <OutboxWord />
        <ModeSwitch />
        <KeysHelp />
      </header>
      <Outlet />
    </div>
  );
}
