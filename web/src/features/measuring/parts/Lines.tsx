/** The lines of the spectrum put against turning parts whose rates are known. */
import type { RunFigures } from '@amber-gauge/contract';
import { fixed } from '@amber-gauge/core/quantity';
import { nameLines, partWords, type NamedLine, type TurningPart } from '@amber-gauge/core/speed';
import classes from './Speed.module.css';
import { say } from '@amber-gauge/core/words';

/** Lines of a run with the parts they fit; the run's own length sets how close is close. */
export function namedLines(figures: RunFigures, parts: readonly TurningPart[]): NamedLine[] {
  const { series, lines, errorPercent } = figures;
  const durationS = series ? series.stepS * series.errorPercent.length : 10;
  return nameLines(lines, parts, errorPercent ?? 0, Math.max(1, durationS));
}

/** Lines of the flutter spectrum with the parts that turn so often. */
export function Lines({ lines }: { readonly lines: readonly NamedLine[] }) {
  return (
    <section aria-label={say`Lines and turning parts`}>
      <p className={classes.chartTitle}>{say`Lines, largest first`}</p>
      {lines.length === 0 && <p className="quiet">{say`No line stands out of the noise.`}</p>}
      <ul className={classes.lines}>
        {lines.slice(0, 8).map((line) => (
          <li key={line.frequencyHz}>
            <span className="mono">{fixed(line.frequencyHz, line.frequencyHz < 10 ? 3 : 2)} Hz</span>
            <span className="mono">{fixed(line.peakPercent, 3)} %</span>
            <span>{partWords(line) || <span className="quiet">{say`no part known at this rate`}</span>}</span>
          </li>
        ))}
      </ul>
    </section>
  );
}
