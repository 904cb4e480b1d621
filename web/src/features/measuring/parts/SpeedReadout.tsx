/** The ribbon, the number, the verdict: what matters now, readable at arm's length. */
import { howMeasured, type SpeedBody } from '@amber-gauge/core/bench';
import { errorDecimals, fixed, signed, type Tolerance } from '@amber-gauge/core/quantity';
import { centreLabel, verdictWords, type FigureInUse, type RibbonTrail, type Verdict } from '@amber-gauge/core/speed';
import { RibbonLarge } from '../../../shared/ribbon/RibbonLarge.js';
import type { ReactNode } from 'react';
import classes from './Speed.module.css';
import { say } from '@amber-gauge/core/words';

interface Props {
  readonly reading: SpeedBody;
  readonly verdict: Verdict;
  readonly limits: Tolerance;
  readonly nominalRpm: number | null;
  readonly centre: string | null;
  /** The tolerance in words, with its origin. */
  readonly origin: string;
  readonly trail: RibbonTrail | null;
  /** Wow and flutter by the standard in use; null where the way sees none, its place is kept while it is fetched. */
  readonly wow?: FigureInUse | 'late' | null;
  /** What can be done with this reading, at the end of the number's row. */
  readonly children?: ReactNode;
}

/** What the large number is, where it is a mean over a stretch. */
const MEAN_WORDS: Partial<Record<SpeedBody['method'], string>> = {
  'tone-recording': say`mean of the whole stretch`,
  'tone-live': say`mean of what was heard, at most the last minute`,
  pulses: say`mean of the whole stretch`,
  gyro: say`mean of the steady stretch`,
  sound: say`mean while it sounded`,
};

/** Under 1000 to a tenth where it has one, above to whole turns. */
const plainRpm = (rpm: number): string => String(Number(fixed(rpm, rpm < 1000 ? 1 : 0)));

function wowPercent(wow: FigureInUse | 'late'): string {
  if (wow === 'late') return '…';
  return wow.percent === null ? say`too short to tell` : `${fixed(wow.percent, 2)}\u202f%`;
}

export function SpeedReadout({
  reading,
  verdict,
  limits,
  nominalRpm,
  centre,
  origin,
  trail,
  wow = null,
  children,
}: Props) {
  const { errorPercent, expandedPercent } = reading;
  const decimals = errorDecimals(expandedPercent);
  const spread = expandedPercent === null ? say`uncertainty not known` : `± ${fixed(expandedPercent, decimals)} %`;
  const words = errorPercent === null ? '' : `${signed(errorPercent, decimals)} % ${spread}, ${verdictWords(verdict)}`;
  return (
    <section className={classes.readout} aria-label={say`Speed reading`}>
      {(errorPercent !== null || !reading.turned) && (
        <RibbonLarge
          reading={reading}
          limits={limits}
          centre={centreLabel(nominalRpm, centre ?? '0')}
          trail={trail}
          describe={reading.turned ? words : say`did not turn`}
        />
      )}
      {!reading.turned && <p className={classes.verdict}>{say`Did not turn`}</p>}
      {reading.turned && (
        <div className={classes.numbers}>
          <span className={classes.number} data-testid="speed-number">
            {errorPercent === null ? plainRpm(reading.rpm ?? 0) : signed(errorPercent, decimals)}
            <span className={classes.unit}>{errorPercent === null ? '\u202frpm' : '\u202f%'}</span>
          </span>
          {(errorPercent !== null || expandedPercent !== null) && <span className={classes.spread}>{spread}</span>}
          {errorPercent !== null && <span className={classes.verdict}>{verdictWords(verdict)}</span>}
          {wow && (
            <span className={classes.wow} data-testid="wow-figure">
              {say`wow ${wowPercent(wow)}`}
              <span className="quiet"> {wow === 'late' ? say`being fetched` : wow.words}</span>
            </span>
          )}
          {children && <span className={classes.actions}>{children}</span>}
        </div>
      )}
      {verdict.kind === 'undecided' && errorPercent !== null && <p>{verdict.decide}</p>}
      <p className="quiet">
        {[
          MEAN_WORDS[reading.method] ?? '',
          howMeasured(wow ? { ...reading, wowPeakPercent: null } : reading),
          errorPercent !== null && reading.rpm !== null ? `${fixed(reading.rpm, 2)} rpm` : '',
          errorPercent === null ? say`no nominal: compare it with as found` : say`tolerance ${origin}`,
        ]
          .filter(Boolean)
          .join(' · ')}
      </p>
    </section>
  );
}
