/** What the sound said: candidates with their odds, and the runs of a drive that stops and starts. */
import type { RunFigures } from '@amber-gauge/contract';
import { fixed } from '@amber-gauge/core/quantity';
import classes from './Speed.module.css';
import { say } from '@amber-gauge/core/words';

type Detail = Extract<RunFigures['detail'], { way: 'sound' }>;

export function SoundFacts({ detail }: { readonly detail: Detail }) {
  return (
    <div className="row">
      <table className={classes.bands} aria-label={say`Speeds that fit`}>
        <tbody>
          {detail.candidates.map((one) => (
            <tr key={one.rpm}>
              <td className="mono">{fixed(one.rpm, 0)} rpm</td>
              <td className="mono">{one.share > 0.99 ? say`over 99 %` : `${fixed(100 * one.share, 0)} %`}</td>
              <td>{one.why}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {detail.stretches.length > 1 && (
        <table className={classes.bands} aria-label={say`Runs`}>
          <tbody>
            {detail.stretches.slice(0, 12).map((one) => (
              <tr key={one.startS}>
                <td className="mono">{say`${fixed(one.startS, 1)} to ${fixed(one.endS, 1)} s`}</td>
                <td className="mono">{fixed(one.rpm, 0)} rpm</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </div>
  );
}
