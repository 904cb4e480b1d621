/** Every sum of the bench, at once and without a job. */
import { WORKINGS, workingOf } from '@amber-gauge/core/workings';
import MenuItem from '@mui/material/MenuItem';
import useMediaQuery from '@mui/material/useMediaQuery';
import { NavLink, useNavigate, useParams } from 'react-router';
import { lazyPart } from '../../shared/ui/lazyPart.js';
import { Field } from '../../shared/ui/Field.js';
import { WorkingPanel } from './WorkingPanel.js';
import classes from './Workings.module.css';
import { say } from '@amber-gauge/core/words';

const TrainScreen = lazyPart(() => import('../train/TrainScreen.js').then((module) => module.TrainScreen));

const DiscScreen = lazyPart(() => import('../discs/DiscScreen.js').then((module) => module.DiscScreen));

/** Workings with a screen of their own, then the sums. */
const OWN = [
  { id: 'train', name: say`Drive train`, Part: TrainScreen },
  { id: 'discs', name: say`Strobe discs and strips`, Part: DiscScreen },
] as const;
const ENTRIES = [...OWN, ...WORKINGS].map(({ id, name }) => ({ id, name }));

export function WorkingsScreen() {
  const { id } = useParams();
  const narrow = useMediaQuery('(max-width: 900px)');
  const working = id === undefined ? null : workingOf(id);
  const own = OWN.find((one) => one.id === id);
  return (
    <main className={classes.screen}>
      {narrow ? <Choice id={own?.id ?? working?.id ?? ''} /> : <List />}
      {own ? (
        <own.Part />
      ) : working ? (
        <WorkingPanel key={working.id} working={working} />
      ) : (
        <h1 className="prompt">{id === undefined ? say`Choose a sum` : say`There is no such sum: choose one`}</h1>
      )}
    </main>
  );
}

function List() {
  return (
    <nav className={classes.list} aria-label={say`Workings`}>
      {ENTRIES.map((one) => (
        <NavLink
          key={one.id}
          to={`/workings/${one.id}`}
          className={({ isActive }) => (isActive ? `${classes.item} ${classes.here}` : (classes.item ?? ''))}
        >
          {one.name}
        </NavLink>
      ))}
    </nav>
  );
}

/** In the hand the list would fill the screen: it is one field. */
function Choice({ id }: { readonly id: string }) {
  const navigate = useNavigate();
  return (
    <Field select label={say`Sum`} value={id} onChange={(event) => void navigate(`/workings/${event.target.value}`)}>
      {ENTRIES.map((one) => (
        <MenuItem key={one.id} value={one.id}>
          {one.name}
        </MenuItem>
      ))}
    </Field>
  );
}
