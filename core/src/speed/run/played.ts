/** A run taken again as what it was: a band meant for one speed, played at another. */
import { speedPlayed, type SpeedPlayed } from '../tone/speedByTone.js';
import type { SpeedRun } from './result.js';

/** The other speed that a tone run speaks for; null when it is none, or the tone is right enough. */
export function playedOf(run: SpeedRun): SpeedPlayed | null {
  if (run.detail.way !== 'tone' || run.errorPercent === null || !run.warnings.includes('OTHER_SPEED_SELECTED'))
    return null;
  return speedPlayed(run.errorPercent);
}

/**
 * The run against the pitch that the speed played would give: 4252.5 Hz on a 3150 Hz band is +35 % of 33⅓,
 * and 0 % of 45. Percents of the mean (wow, lines) stay as they are; what is a percent of the nominal is
 * taken anew.
 */
export function atPlayedSpeed(run: SpeedRun, { ratio }: SpeedPlayed): SpeedRun {
  const again = (errorPercent: number) => 100 * ((1 + errorPercent / 100) / ratio - 1);
  return {
    ...run,
    nominal: run.nominal === null ? null : run.nominal * ratio,
    errorPercent: run.errorPercent === null ? null : again(run.errorPercent),
    expandedPercent: run.expandedPercent / ratio,
    driftPercent: run.driftPercent === null ? null : run.driftPercent / ratio,
    uncertainty: run.uncertainty.map((part) => ({ ...part, standardPercent: part.standardPercent / ratio })),
    warnings: run.warnings.filter((one) => one !== 'OTHER_SPEED_SELECTED'),
    series: run.series && { ...run.series, errorPercent: run.series.errorPercent.map(again) },
  };
}
