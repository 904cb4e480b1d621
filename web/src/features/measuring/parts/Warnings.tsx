/** What is worth knowing about a run, in words, next to its number. */
import type { RunFigures } from '@amber-gauge/contract';
import { fixed, signed } from '@amber-gauge/core/quantity';
import { addedWords, SPEED_WARNINGS, speedPlayed } from '@amber-gauge/core/speed';
import classes from './Speed.module.css';
import { say } from '@amber-gauge/core/words';

type Shown = Pick<RunFigures, 'warnings' | 'errorPercent' | 'mean' | 'unit'> & Partial<Pick<RunFigures, 'detail'>>;

export function Warnings({ figures }: { readonly figures: Shown }) {
  const words = figures.warnings.map((code) => wordsFor(code, figures));
  if (words.length === 0) return null;
  return (
    <ul className={classes.warnings} aria-label={say`Worth knowing`}>
      {words.map((text) => (
        <li key={text}>{text}</li>
      ))}
    </ul>
  );
}

function wordsFor(code: RunFigures['warnings'][number], figures: Shown): string {
  const { detail } = figures;
  if (code === 'OTHER_SPEED_SELECTED') return played(figures);
  if (code === 'ADDED_TONES' && detail?.way === 'tone' && detail.added)
    return say`Taken out of every figure: ${detail.added.map(addedWords).join('; ')}.`;
  if (code === 'LOSSY' && detail?.way === 'tone' && detail.lossyLimitPercent !== undefined)
    return say`Lossy sound: wow under ${fixed(detail.lossyLimitPercent, 2)} % cannot be told from the coder’s own.`;
  if (code === 'WEAK_SEGMENT' && detail?.way === 'pulses' && detail.weakSegments?.[0]) {
    const [weak] = detail.weakSegments;
    return say`The generator is weak ${Math.round(weak.degrees)}° after the first pulse, every turn: level down
      ${fixed(weak.dipPercent, 0)} %, ${fixed(weak.speedPercent, 2)} % of speed there. The mean of a turn is not
      touched.`;
  }
  return SPEED_WARNINGS[code];
}

/** Which speed was selected, and how far that one is off. */
function played({ errorPercent }: Shown): string {
  const found = errorPercent === null ? null : speedPlayed(errorPercent);
  if (!found) return SPEED_WARNINGS.OTHER_SPEED_SELECTED;
  return say`This is ${found.words}; of the speed selected it is ${signed(found.errorPercent, 2)} %.`;
}
