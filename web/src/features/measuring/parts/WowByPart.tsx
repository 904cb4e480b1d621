/** Who makes the wow: the turning parts as bars, what no part explains, the rest as noise, and the sum. */
import type { RunFigures } from '@amber-gauge/contract';
import { fixed } from '@amber-gauge/core/quantity';
import { shareWords, wowByPart, type TurningPart } from '@amber-gauge/core/speed';
import classes from './Wow.module.css';
import { say } from '@amber-gauge/core/words';

interface Props {
  readonly figures: RunFigures;
  readonly parts: readonly TurningPart[];
}

interface Row {
  readonly name: string;
  readonly percent: number;
  readonly words: string;
  readonly kind: 'part' | 'unknown' | 'noise';
}

const BAR = { part: classes.part, unknown: classes.unknown, noise: classes.noise } as const;

/** Shares of less than this part of the sum say nothing a repairer would act on. */
const SHOWN_PART = 0.02;
/** What rounds to nothing is nothing, percent. */
const LEAST_PERCENT = 0.0005;

export function WowByPart({ figures, parts }: Props) {
  const { series, lines, flutter, errorPercent } = figures;
  const durationS = series ? Math.max(1, series.stepS * series.errorPercent.length) : 10;
  const wow = wowByPart(lines, flutter, parts, errorPercent ?? 0, durationS);
  const rows: Row[] = wow.shares.map((share) => ({
    name: share.part || say`not known`,
    percent: share.peakPercent,
    words: shareWords(share),
    kind: share.part ? 'part' : 'unknown',
  }));
  if (wow.noisePercent !== null)
    rows.push({ name: 'noise', percent: wow.noisePercent, words: say`what no line explains`, kind: 'noise' });
  const shown = rows.filter((row) => row.percent >= SHOWN_PART * wow.sumPercent);
  if (wow.sumPercent < LEAST_PERCENT || shown.length === 0)
    return <p className="quiet">{say`No line stands out of the noise: no part makes wow that can be told.`}</p>;
  const most = Math.max(...shown.map((row) => row.percent));
  return (
    <ul className={classes.bars} aria-label={say`Who makes the wow`}>
      {shown.map((row) => (
        <li key={row.name} data-part={row.name}>
          <span className={classes.name}>{row.name}</span>
          <span className={classes.track}>
            <span className={`${classes.bar} ${BAR[row.kind]}`} style={{ width: `${(100 * row.percent) / most}%` }} />
          </span>
          <span className="mono">{fixed(row.percent, 3)} %</span>
          <span className={classes.words}>{row.words}</span>
        </li>
      ))}
      <li className={classes.sum}>
        <span className={classes.name}>{say`together`}</span>
        <span className={classes.track} />
        <span className="mono">{fixed(wow.sumPercent, 3)} %</span>
        <span className={classes.words}>{say`peak, as the root of the squares`}</span>
      </li>
    </ul>
  );
}
