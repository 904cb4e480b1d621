/** What is worth knowing about a run, in words, next to its number. */
import type { RunFigures } from '@amber-gauge/contract';
import { signed } from '@amber-gauge/core/quantity';
import { SPEED_WARNINGS, speedPlayed } from '@amber-gauge/core/speed';
import classes from './Speed.module.css';

type Shown = Pick<RunFigures, 'warnings' | 'errorPercent' | 'mean' | 'unit'>;

export function Warnings({ figures }: { readonly figures: Shown }) {
  const words = figures.warnings.map((code) =>
    code === 'OTHER_SPEED_SELECTED' ? played(figures) : SPEED_WARNINGS[code],
  );
  if (words.length === 0) return null;
  return (
    <ul className={classes.warnings} aria-label="Worth knowing">
      {words.map((text) => (
        <li key={text}>{text}</li>
      ))}
    </ul>
  );
}

/** Which speed was selected, and how far that one is off. */
function played({ errorPercent }: Shown): string {
  const found = errorPercent === null ? null : speedPlayed(errorPercent);
  if (!found) return SPEED_WARNINGS.OTHER_SPEED_SELECTED;
  return `This is ${found.words}; of the speed selected it is ${signed(found.errorPercent, 2)} %.`;
}
