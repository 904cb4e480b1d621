/** The motors on the shelf, each beside the one that is wanted: what fits stands first. */
import { ownEntry } from '@amber-gauge/core/quantity';
import {
  CANDIDATE_FIELDS,
  solveWorking,
  type Working,
  type WorkingResult,
  type WorkingTexts,
} from '@amber-gauge/core/workings';
import Button from '@mui/material/Button';
import { useShelf } from '../shelf/useShelf.js';
import classes from './Workings.module.css';
import { say } from '@amber-gauge/core/words';

interface Props {
  readonly working: Working;
  readonly texts: WorkingTexts;
  /** Lays this one beside the wanted: its fields are filled in. */
  readonly onChoose: (motor: WorkingTexts) => void;
}

const ORDER = ['fits', say`fits with what is said`, say`does not fit`];

export function ShelfMotors({ working, texts, onChoose }: Props) {
  const lots = (useShelf().shelf?.lots ?? []).flatMap((one) =>
    one.lot.motor && one.free + one.onOrder > 0 ? [{ one, motor: one.lot.motor }] : [],
  );
  if (lots.length === 0) return null;
  const wanted = Object.fromEntries(
    working.fields.flatMap(({ id }) => {
      const text = ownEntry(texts, id);
      return text === undefined || CANDIDATE_FIELDS.some((field) => field.id === id) ? [] : [[id, text]];
    }),
  );
  const rows = lots
    .map(({ one, motor }) => ({ one, motor, said: wordsOf(solveWorking(working, { ...wanted, ...motor })) }))
    .sort((a, b) => ORDER.indexOf(a.said.verdict) - ORDER.indexOf(b.said.verdict));
  return (
    <section aria-label={say`Motors on the shelf`} className="stack">
      <h2>{say`Motors on the shelf, beside the one that belongs here`}</h2>
      <ul className={classes.shelf}>
        {rows.map(({ one, motor, said }) => (
          <li key={one.key}>
            <div>
              <p className={classes.motor}>
                {one.lot.part}: {said.verdict}
              </p>
              <p className="quiet">
                {one.free > 0 ? say`${one.free} free` : say`${one.onOrder} on order`}
                {one.lot.place ? say`, in ${one.lot.place}` : ''}. {said.why}
              </p>
            </div>
            <Button
              variant="outlined"
              onClick={() => onChoose(motor)}
              aria-label={say`Lay beside: ${one.lot.part}`}
            >{say`Lay it beside`}</Button>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** The verdict and the first thing that is said. */
function wordsOf(result: WorkingResult): { readonly verdict: string; readonly why: string } {
  if (result.kind === 'answer') return { verdict: result.verdict ?? '', why: result.says[0] ?? '' };
  return {
    verdict: say`not known`,
    why: result.kind === 'wrong' ? result.message : say`Its plate or the wanted is not complete.`,
  };
}
