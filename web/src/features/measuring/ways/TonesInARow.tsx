/** Several tones on one recording, each measured by itself. */
import { errorDecimals, fixed, signed } from '@amber-gauge/core/quantity';
import type { OtherBand } from '../../../workers/speed.worker.js';
import classes from '../parts/Speed.module.css';
import { say } from '@amber-gauge/core/words';

export function TonesInARow({ bands }: { readonly bands: readonly OtherBand[] }) {
  return (
    <table className={classes.bands} aria-label={say`Tones on this recording`}>
      <thead>
        <tr>
          <th scope="col">{say`Tone`}</th>
          <th scope="col">{say`from, to`}</th>
          <th scope="col">{say`speed error`}</th>
          <th scope="col">{say`unweighted peak`}</th>
        </tr>
      </thead>
      <tbody>
        {bands.map((band) => {
          const u = band.run?.expandedPercent ?? null;
          return (
            <tr key={band.startS}>
              <td className="mono">{band.nominalHz} Hz</td>
              <td className="mono">{say`${fixed(band.startS, 1)} to ${fixed(band.endS, 1)} s`}</td>
              {band.run ? (
                <>
                  <td className="mono">
                    {signed(band.run.errorPercent ?? 0, errorDecimals(u))} ± {fixed(u ?? 0, errorDecimals(u))} %
                  </td>
                  <td className="mono">
                    {band.run.flutter ? `${fixed(band.run.flutter.unweightedPeakPercent, 3)} %` : '–'}
                  </td>
                </>
              ) : (
                <td colSpan={2}>{band.message}</td>
              )}
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}
