/** Cautions called up by what is being typed or chosen. */
import { cautionsFor } from '@amber-gauge/core/bench';
import classes from './Safe.module.css';
import { say } from '@amber-gauge/core/words';

export function Cautions({ text, familyId }: { readonly text: string; readonly familyId: string }) {
  const list = cautionsFor(text, familyId);
  if (list.length === 0) return null;
  return (
    <ul className={classes.notes} aria-label={say`Cautions`}>
      {list.map((caution) => (
        <li key={caution.id}>
          <strong>{caution.text}.</strong> <span className="quiet">{caution.why}</span>
        </li>
      ))}
    </ul>
  );
}
